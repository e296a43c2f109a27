import { describe, expect, it } from '@jest/globals';
import { findingsOf, remediesOf } from '../../checks/findingsOf.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Part } from '../../model/part.ts';
import type { Design } from '../../model/design.ts';
import type { Settings } from '../../model/resolvePart.ts';
import { emptyBench, itemOf, made } from '../../test/designs.ts';
import { oneWire } from '../../test/oneWire.ts';
import { hopsOf } from './hopsOf.ts';

/** What each output of the catalogue sends, by hand and by its data sheet: the part, its settings, the endpoint, the format. */
const SENDERS: readonly (readonly [part: string, settings: Settings, endpoint: string, format: string])[] = [
  ['receiver-sbus-16', {}, 'SBUS', 'SBUS'],
  ['receiver-sbus-telemetry', {}, 'SBUS', 'SBUS'],
  ['receiver-sbus-rssi', {}, 'SBUS', 'SBUS'],
  ['receiver-sbus-rssi', {}, 'ch2', 'PWM'],
  ['receiver-crsf-full', {}, 'UART', 'CRSF'],
  ['receiver-settable', { output: 'sbus' }, 'SBUS', 'SBUS'],
  ['receiver-settable', { output: 'crsf' }, 'CRSF', 'CRSF'],
  ['receiver-settable', { output: 'ppm' }, 'PPM', 'PPM'],
  ['receiver-satellite', {}, 'SAT', 'satellite'],
  ['receiver-pwm-6', {}, 'ch1', 'PWM'],
  ['receiver-pwm-8-telemetry', {}, 'ch8', 'PWM'],
  ['receiver-ppm-8', {}, 'PPM', 'PPM'],
  ['encoder-pwm-to-ppm', {}, 'out', 'PPM'],
  ['handheld-air-unit', {}, 'RC', 'SBUS'],
];

/** What each input reads, likewise. A serial port of a controller is set to the format first. */
const INPUTS: readonly (readonly [part: string, endpoint: string, formats: readonly string[]])[] = [
  ['controller-8-bit-carrier', 'in1', ['PWM', 'PPM']],
  ['controller-8-bit-carrier', 'in2', ['PWM']],
  ['controller-8-bit-servo-fed', 'PPM', ['PPM']],
  ['controller-stabiliser-5', 'SAT', ['satellite']],
  ['controller-stabiliser-5', 'SBUS', ['SBUS']],
  ['controller-f4-wing', 'S2', ['SBUS', 'CRSF']],
  ['controller-h7-carrier', 'RC', ['SBUS', 'CRSF', 'satellite']],
  ['controller-f7-mini', 'RC', ['SBUS', 'CRSF', 'satellite']],
  ['encoder-pwm-to-ppm', 'in1', ['PWM']],
];

const PROTOCOLS: Readonly<Record<string, string>> = { SBUS: 'sbus', CRSF: 'crsf', satellite: 'satellite-frames' };

function pinOf(design: Design, ref: string, endpoint: string, way: 'out' | 'in') {
  const item = itemOf(design, ref);
  const found = design.parts.get(item.part)?.endpoints.find(({ id }) => id === endpoint);
  const pin = found === undefined ? undefined : pinAddress(found, way);
  if (found === undefined || pin === undefined) throw new Error(`There is no ${ref} ${endpoint}.`);
  return { endpoint: found, at: [ref, pin] as const };
}

function pinAddress(endpoint: Part['endpoints'][number], way: 'out' | 'in'): string | undefined {
  if (endpoint.is === 'uart') return way === 'out' ? endpoint.tx : endpoint.rx;
  return endpoint.is === 'rc-out' || endpoint.is === 'rc-in' ? endpoint.pin : undefined;
}

/** One wire from an output to an input, and nothing else. */
function wired(
  [part, settings, out]: (typeof SENDERS)[number],
  [board, input]: (typeof INPUTS)[number],
  protocol: string | undefined,
): Design {
  const bench = emptyBench();
  bench.add(part, 'sends', settings);
  bench.add(board, 'reads');
  const [from = '', to = ''] = Object.values(bench.design.aircraft.items).map((item) => item.ref);
  const a = pinOf(bench.design, from, out, 'out');
  const b = pinOf(bench.design, to, input, 'in');
  if (protocol !== undefined && b.endpoint.is === 'uart' && b.endpoint.speaks.length > 1) bench.setting(to, `${input}.protocol`, protocol);
  return oneWire(bench.design, a.at, b.at);
}

const MISREAD = ['rc.format-unsupported', 'link.protocol-mismatch'];

describe('every output of RC channels at every input', () => {
  const pairs = SENDERS.flatMap((sender) =>
    INPUTS.map((input) => [`${sender[0]} ${sender[2]}`, `${input[0]} ${input[1]}`, sender, input] as const),
  ).filter(([, , [part], [board]]) => part !== board);

  it.each(pairs)('%s at %s is read, or said not to be', (_, __, sender, input) => {
    const [, , , format] = sender;
    const isRead = input[2].includes(format);
    const design = wired(sender, input, isRead ? PROTOCOLS[format] : undefined);
    const hops = hopsOf(graphOf(design)).hops.filter(({ medium }) => medium === 'rc' || medium === 'serial');
    const said = findingsOf(design).filter(({ check }) => MISREAD.includes(check));
    if (isRead) {
      expect(hops.length).toBeGreaterThan(0);
      expect(said.map(({ what }) => what)).toEqual([]);
    } else expect(said.length).toBeGreaterThan(0);
  });
});

describe('how well a receiver hears', () => {
  const settable = (settings: Settings, endpoint: string, input: (typeof INPUTS)[number], protocol?: string): Design =>
    wired(['receiver-settable', settings, endpoint, ''], input, protocol);
  const servoFed: (typeof INPUTS)[number] = ['controller-8-bit-servo-fed', 'PPM', ['PPM']];
  const wing: (typeof INPUTS)[number] = ['controller-f4-wing', 'S2', ['SBUS', 'CRSF']];
  const reported = (design: Design) =>
    hopsOf(graphOf(design)).hops.flatMap(({ facets }) =>
      facets
        .filter(({ id }) => id === 'strength' || id === 'quality')
        .map(({ id, a, b, verdict }) => [id, ...[a.value, b.value].sort(), verdict]),
    );

  it('is told on a channel that arrives, or said not to arrive, and its remedies mend that', () => {
    expect(reported(settable({ output: 'ppm' }, 'PPM', servoFed))).toEqual([]);
    expect(reported(settable({ output: 'ppm', qualityChannel: 8 }, 'PPM', servoFed))).toEqual([
      ['quality', 'channels 1 to 8 arrive', 'link quality on channel 8', 'agree'],
    ]);
    const beyond = settable({ output: 'ppm', qualityChannel: 16 }, 'PPM', servoFed);
    expect(reported(beyond)).toEqual([['quality', 'channels 1 to 8 arrive', 'link quality on channel 16', 'differ']]);
    const [finding, ...others] = findingsOf(beyond).filter(({ check }) => check === 'rc.format-unsupported');
    expect(others).toEqual([]);
    const remedies = finding === undefined ? [] : remediesOf(beyond, finding);
    expect(remedies.map(({ label }) => label)).toEqual(['Set RX1 to none', 'Set RX1 to 8']);
    for (const { edit } of remedies)
      expect(findingsOf(made(beyond, edit)).filter(({ check }) => check === 'rc.format-unsupported')).toEqual([]);
    expect(reported(settable({ output: 'sbus', qualityChannel: 16 }, 'SBUS', wing, 'sbus'))[0]?.[3]).toBe('agree');
  });

  it('is read from the frames where they have room for it', () => {
    expect(reported(settable({ output: 'crsf' }, 'CRSF', wing, 'crsf'))).toEqual([
      ['strength', 'read from the frames', 'signal strength in the frames', 'agree'],
      ['quality', 'link quality in the frames', 'read from the frames', 'agree'],
    ]);
  });

  it('is not known as long as its output is joined to no input', () => {
    const bench = emptyBench();
    bench.add('receiver-sbus-rssi', 'ears');
    bench.add('controller-h7-wing', 'board');
    const sbus = oneWire(bench.design, ['RX1', 'SBUS.1'], ['FC1', 'R1.2']);
    expect(reported(sbus).map(([, at, , verdict]) => [at, verdict])).toEqual([['joined to no input', 'unknown']]);
    const both = oneWire(sbus, ['RX1', 'RSSI.1'], ['FC1', 'analog.2']);
    expect(reported(both).map(([, at, , verdict]) => [at, verdict])).toEqual([['read at rssi', 'agree']]);
  });
});
