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

const PAIRED = 'sticks, in the air: stick frames, paired by a pairing procedure';
const BY_PHRASE = 'sticks, in the air: fast stick frames, paired by a phrase set at both ends';

describe('the facts of a part, for a person', () => {
  it.each<[string, Settings, readonly string[]]>([
    ['receiver-sbus-16', {}, ['Loss of signal, SBUS: reported by a flag in its frames', PAIRED]],
    ['receiver-ppm-8', {}, ['Loss of signal, PPM: reported by silence: it stops sending', PAIRED]],
    ['receiver-pwm-6', {}, ['Loss of signal, PWM: not reported: it repeats the last channels', PAIRED]],
    ['receiver-pwm-6', { failsafe: 'preset' }, ['Loss of signal, PWM: it sends preset channels, which look like real ones', PAIRED]],
    ['receiver-pwm-6', { failsafe: 'no-pulses' }, ['Loss of signal, PWM: reported by silence: it stops sending', PAIRED]],
    [
      'receiver-settable',
      { output: 'crsf' },
      [
        'Loss of signal, CRSF: reported by silence: it stops sending',
        'Signal strength: in its frames',
        'Link quality: in its frames',
        BY_PHRASE,
        'second antenna: second antenna for "sticks" (diversity)',
      ],
    ],
    [
      'receiver-settable',
      { output: 'sbus', qualityChannel: 16 },
      [
        'Loss of signal, SBUS: reported by a flag in its frames',
        'Link quality: on channel 16',
        BY_PHRASE,
        'second antenna: second antenna for "sticks" (diversity)',
      ],
    ],
    ['encoder-pwm-to-ppm', {}, ['Loss of signal, PPM: not reported: it repeats the last channels']],
    [
      'gnss-dual-antenna',
      {},
      ['first antenna: first antenna of the heading baseline', 'second antenna: second antenna of the heading baseline'],
    ],
    [
      'motor-28mm-9x6',
      { spin: 'clockwise' },
      [
        'Motor turns: clockwise, seen from in front',
        'Propeller: 9 x 6 in, rotation: not known yet',
        'Thrust at full throttle, standing still: 1600 g',
      ],
    ],
    ['motor-controller-80a-opto', {}, ['Cells in series: 4 to 8', 'Current with its motor stopped: 0.05 A']],
    ['companion-small-5v', {}, ['USB: host port']],
    [
      'controller-h7-carrier',
      {},
      ['USB: device, presents 2 serial ports: MAVLink 2 and any bytes', 'Serial clock: 120 MHz, 16 and 8 samples a bit'],
    ],
  ])('%s, set to %j', (partId, settings, lines) => {
    expect(linesOf(partId, settings)).toEqual(lines);
  });

  it('says of an older revision only what it knows', () => {
    expect(linesOf('receiver-sbus-16', {}, true)).toEqual(['Loss of signal, SBUS: not known']);
    expect(linesOf('motor-28mm-9x6', {}, true)).toEqual([]);
    expect(linesOf('controller-h7-carrier', {}, true)).toEqual([]);
  });
});

describe('how something is set', () => {
  it.each<[How, string]>([
    [{ is: 'solder-bridge', bridge: 'A0' }, 'Solder bridge A0.'],
    [{ is: 'jumper', jumper: '"120R"' }, 'Jumper "120R".'],
    [{ is: 'switch', switch: '1: on' }, 'Switch 1: on.'],
    [{ is: 'knob', knob: 'VOLTS', confirms: 'the display' }, 'Turn the knob VOLTS. Confirmation: the display.'],
    [{ is: 'button', button: 'BIND', seconds: 3 }, 'Hold the button BIND for 3 s.'],
    [
      { is: 'menu', tool: 'radio tool', menu: '"Speed"', over: 'UART', password: 'tern', confirms: 'a beep' },
      'In the radio tool over serial 1: "Speed", default password "tern". Confirmation: a beep.',
    ],
    [{ is: 'menu', tool: 'picture menu', menu: '"Video"' }, 'In the picture menu: "Video".'],
    [{ is: 'wiring', wiring: 'Two leads changed over' }, 'Two leads changed over.'],
  ])('%j', (how, text) => {
    expect(withPlainSpaces(howText(how, () => 'serial 1'))).toBe(text);
  });
});
