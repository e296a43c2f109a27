import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../graph/graphOf.ts';
import { howText, type How } from '../model/how.ts';
import type { Settings } from '../model/resolvePart.ts';
import { emptyBench } from '../test/designs.ts';
import { ofOlderParts } from '../test/olderParts.ts';
import { withPlainSpaces } from '../text/numbers.ts';
import { factLines } from './factLines.ts';

function linesOf(partId: string, settings: Settings = {}, isOlder = false): readonly string[] {
  const bench = emptyBench();
  bench.add(partId, 'one', settings);
  const graph = graphOf(isOlder ? ofOlderParts(bench.design) : bench.design);
  const [entry] = graph.items;
  const raw = graph.design.parts.get(entry?.item.part ?? raise());
  if (entry?.part === undefined || raw === undefined) return raise();
  return factLines(entry.item, raw, entry.part).map(({ label, text }) => withPlainSpaces(`${label}: ${text}`));
}

function raise(): never {
  throw new Error('There is no such part.');
}

const PAIRED = 'sticks, in the air: stick frames, knows its other end by being paired with it';
const BY_PHRASE = 'sticks, in the air: fast stick frames, knows its other end by a phrase that both are given';

describe('the facts of a part, for a person', () => {
  it.each<[string, Settings, readonly string[]]>([
    ['receiver-sbus-16', {}, ['Lost link, SBUS: told by a flag in its frames', PAIRED]],
    ['receiver-ppm-8', {}, ['Lost link, PPM: told by silence: it stops sending', PAIRED]],
    ['receiver-pwm-6', {}, ['Lost link, PWM: nothing tells: it repeats the last channels', PAIRED]],
    ['receiver-pwm-6', { failsafe: 'preset' }, ['Lost link, PWM: it sends preset channels, and nothing tells them from real ones', PAIRED]],
    ['receiver-pwm-6', { failsafe: 'no-pulses' }, ['Lost link, PWM: told by silence: it stops sending', PAIRED]],
    [
      'receiver-settable',
      { output: 'crsf' },
      [
        'Lost link, CRSF: told by silence: it stops sending',
        'Signal strength: in its frames',
        'Link quality: in its frames',
        BY_PHRASE,
        'second antenna: another antenna for "sticks": the better one counts',
      ],
    ],
    [
      'receiver-settable',
      { output: 'sbus', qualityChannel: 16 },
      [
        'Lost link, SBUS: told by a flag in its frames',
        'Link quality: on channel 16',
        BY_PHRASE,
        'second antenna: another antenna for "sticks": the better one counts',
      ],
    ],
    ['encoder-pwm-to-ppm', {}, ['Lost link, PPM: nothing tells: it repeats the last channels']],
    [
      'gnss-dual-antenna',
      {},
      [
        'first antenna: the first end of the line that gives the heading',
        'second antenna: the second end of the line that gives the heading',
      ],
    ],
    [
      'motor-28mm-9x6',
      { spin: 'clockwise' },
      ['Motor turns: clockwise, seen from in front', 'Propeller: 9 x 6 in, made to turn: not known yet'],
    ],
    ['companion-small-5v', {}, ['USB: host: devices are plugged into it']],
    [
      'controller-h7-carrier',
      {},
      ['USB: device, shows 2 serial ports: MAVLink 2 and any bytes', 'Serial clock: 120 MHz, 16 and 8 samples a bit'],
    ],
  ])('%s, set to %j', (partId, settings, lines) => {
    expect(linesOf(partId, settings)).toEqual(lines);
  });

  it('says of an older revision only what it knows', () => {
    expect(linesOf('receiver-sbus-16', {}, true)).toEqual(['Lost link, SBUS: not known']);
    expect(linesOf('motor-28mm-9x6', {}, true)).toEqual([]);
    expect(linesOf('controller-h7-carrier', {}, true)).toEqual([]);
  });
});

describe('how something is set', () => {
  it.each<[How, string]>([
    [{ is: 'solder-bridge', bridge: 'A0' }, 'Solder bridge A0.'],
    [{ is: 'jumper', jumper: '"120R"' }, 'Jumper "120R".'],
    [{ is: 'switch', switch: '1: on' }, 'Switch 1: on.'],
    [{ is: 'knob', knob: 'VOLTS', confirms: 'the display' }, 'Turn the knob VOLTS. It confirms by: the display.'],
    [{ is: 'button', button: 'BIND', seconds: 3 }, 'Hold the button BIND for 3 s.'],
    [
      { is: 'menu', tool: 'radio tool', menu: '"Speed"', over: 'UART', password: 'tern', confirms: 'a beep' },
      'In the radio tool over serial 1: "Speed", password "tern" as delivered. It confirms by: a beep.',
    ],
    [{ is: 'menu', tool: 'picture menu', menu: '"Video"' }, 'In the picture menu: "Video".'],
    [{ is: 'wiring', wiring: 'Two leads changed over' }, 'Two leads changed over.'],
  ])('%j', (how, text) => {
    expect(withPlainSpaces(howText(how, () => 'serial 1'))).toBe(text);
  });
});
