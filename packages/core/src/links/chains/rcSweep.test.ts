import { describe, expect, it } from '@jest/globals';
import { findingsOf, remediesOf } from '../../checks/findingsOf.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Part } from '../../model/part.ts';
import type { Design } from '../../model/design.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import type { ProtocolId } from '../../model/protocolIds.ts';
import type { Settings } from '../../model/resolvePart.ts';
import { emptyBench, itemOf, made } from '../../test/designs.ts';
import { oneWire } from '../../test/oneWire.ts';
import { hopsOf } from './hopsOf.ts';

/** What each output of the catalogue sends, by hand and by its data sheet: the part, its settings, the endpoint, the format. Of servo rows one. */
const SENDERS: readonly (readonly [part: string, settings: Settings, endpoint: string, format: string])[] = [
  ['receiver-sbus-16', {}, 'SBUS', 'SBUS'],
  ['receiver-sbus-telemetry', {}, 'SBUS', 'SBUS'],
  ['receiver-sbus-telemetry', {}, 'TAP', 'SBUS upright'],
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
  ['converter-sbus-to-ppm', {}, 'out', 'PPM'],
  ['handheld-air-unit', {}, 'RC', 'SBUS'],
  ['handheld-air-unit-5-way', {}, 'RC', 'SBUS'],
  ['head-tracker-ppm', {}, 'PPM', 'PPM'],
  ['stick-unit-16-bay', { 'bay-format': 'ppm' }, 'bay-ppm', 'PPM'],
  ['stick-unit-16-bay', { 'bay-format': 'sbus' }, 'bay-sbus', 'SBUS'],
];

type Input = readonly [part: string, endpoint: string, formats: readonly string[]];
const of = (part: string, formats: readonly string[], ...endpoints: readonly string[]): Input[] =>
  endpoints.map((endpoint) => [part, endpoint, formats]);

const UPRIGHT = ['CRSF', 'satellite', 'SBUS upright'];
const ANY = [...UPRIGHT, 'SBUS'];
const ROWS = ['in2', 'in3', 'in4', 'in5', 'in6', 'in7', 'in8'];

/** What each input reads, likewise. A serial port of a controller is set to the format first; one that does not invert reads no SBUS. */
const INPUTS: readonly Input[] = [
  ...of('controller-8-bit-carrier', ['PWM', 'PPM'], 'in1'),
  ...of('controller-8-bit-carrier', ['PWM'], ...ROWS),
  ...of('controller-8-bit-carrier', UPRIGHT, 'TEL', 'GPS'),
  ...of('controller-8-bit-servo-fed', ['PPM'], 'PPM'),
  ...of('controller-8-bit-servo-fed', UPRIGHT, 'TEL', 'POS'),
  ...of('controller-stabiliser-5', ['satellite'], 'SAT'),
  ...of('controller-stabiliser-5', ['SBUS', 'SBUS upright'], 'SBUS'),
  ...of('controller-f4-stack', UPRIGHT, 'U1', 'U3', 'U6'),
  ...of('controller-f4-stack', ANY, 'RC'),
  ...of('controller-f4-wing', UPRIGHT, 'S1', 'S3', 'S4', 'S5'),
  ...of('controller-f4-wing', ['SBUS', 'CRSF', 'SBUS upright'], 'S2'),
  ...of('controller-f7-mini', ANY, 'T1', 'T2', 'G1', 'G2', 'V1', 'RC'),
  ...of('controller-f7-rows', ANY, 'K1', 'K2', 'K3'),
  ...of('controller-h7-carrier', ANY, 'A', 'B', 'C', 'D', 'E', 'F', 'RC', 'H'),
  ...of('controller-h7-ethernet', ANY, 'P1', 'P2', 'L1', 'L2', 'L3', 'RC', 'X1'),
  ...of('controller-h7-wing', ANY, 'R1', 'R2', 'R3', 'R4', 'R5', 'R6', 'R7'),
  ...of('converter-sbus-to-ppm', ['SBUS', 'SBUS upright'], 'SBUS'),
  ...of('encoder-pwm-to-ppm', ['PWM'], 'in1', ...ROWS),
  // Which way up they read it is not stated.
  ...of('stick-module-24-fast', ['PPM', 'SBUS', 'SBUS upright'], 'bay'),
  ...of('stick-module-900', ['PPM', 'SBUS', 'SBUS upright'], 'bay'),
  ...of('stick-unit-16-bay', ['PPM'], 'trainer'),
];

const PROTOCOLS: Readonly<Record<string, ProtocolId>> = {
  SBUS: 'sbus',
  'SBUS upright': 'sbus',
  CRSF: 'crsf',
  satellite: 'satellite-frames',
};

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
function wired([part, settings, out]: (typeof SENDERS)[number], [board, input]: Input, protocol: string | undefined): Design {
  const bench = emptyBench();
  bench.add(part, 'sends', settings);
  bench.add(board, 'reads');
  const [from = '', to = ''] = Object.values(bench.design.aircraft.items).map((item) => item.ref);
  const a = pinOf(bench.design, from, out, 'out');
  const b = pinOf(bench.design, to, input, 'in');
  if (
    protocol !== undefined &&
    b.endpoint.is === 'uart' &&
    b.endpoint.speaks.length > 1 &&
    b.endpoint.speaks.some((offer) => offer.protocol === protocol)
  )
    bench.setting(to, `${input}.protocol`, protocol);
  return oneWire(bench.design, a.at, b.at);
}

/** What is said where nothing can be read. A port that only receives is told of besides, and reads all the same. */
const MISREAD = ['rc.format-unsupported', 'link.protocol-mismatch'];
const UPSIDE_DOWN = ['link.inversion-mismatch', 'link.port-unsuitable'];

describe('every output of RC channels at every input', () => {
  const pairs = SENDERS.map((sender) => [`${sender[0]} ${sender[2]}`, sender] as const);

  it.each(pairs)('%s is read, or said not to be', (_, sender) => {
    const [part, , , format] = sender;
    for (const input of INPUTS.filter(([board]) => board !== part)) {
      const [board, endpoint, formats] = input;
      const isRead = formats.includes(format);
      const design = wired(sender, input, PROTOCOLS[format]);
      const hops = hopsOf(graphOf(design)).hops.filter(({ medium }) => medium === 'rc' || medium === 'serial');
      const checks = findingsOf(design).map(({ check }) => check);
      const about = (names: readonly string[]): readonly string[] => checks.filter((check) => names.includes(check));
      if (isRead)
        expect([board, endpoint, hops.length > 0, about([...MISREAD, 'link.inversion-mismatch'])]).toEqual([board, endpoint, true, []]);
      else expect([board, endpoint, about([...MISREAD, ...UPSIDE_DOWN]).length > 0]).toEqual([board, endpoint, true]);
    }
  });

  it('leaves nothing of the catalogue out', () => {
    const channelled = Object.values(PROTOCOLS);
    const senders = new Set(SENDERS.map(([part, , endpoint]) => `${part} ${endpoint}`));
    const inputs = new Set(INPUTS.map(([part, endpoint]) => `${part} ${endpoint}`));
    const isTried = (part: Part, endpoint: Part['endpoints'][number]): boolean => {
      if (endpoint.is === 'rc-in')
        return part.endpoints.some((one) => pinAddress(one, 'in') === endpoint.pin && inputs.has(`${part.id} ${one.id}`));
      if (endpoint.is === 'uart' && part.kind === 'controller')
        return (
          endpoint.rx === undefined ||
          !endpoint.speaks.some(({ protocol }) => channelled.includes(protocol)) ||
          inputs.has(`${part.id} ${endpoint.id}`)
        );
      if (endpoint.is !== 'rc-out') return true;
      // One of many servo rows stands for all.
      if (endpoint.formats.includes('pwm')) return [...senders].some((name) => name.startsWith(`${part.id} ch`));
      return part.endpoints.some((one) => pinAddress(one, 'out') === endpoint.pin && senders.has(`${part.id} ${one.id}`));
    };
    const untried = sampleParts.flatMap((part) => part.endpoints.filter((one) => !isTried(part, one)).map(({ id }) => `${part.id} ${id}`));
    expect(untried).toEqual([]);
  });
});

describe('how well a receiver hears', () => {
  const settable = (settings: Settings, endpoint: string, input: Input, protocol?: string): Design =>
    wired(['receiver-settable', settings, endpoint, ''], input, protocol);
  const servoFed: Input = ['controller-8-bit-servo-fed', 'PPM', ['PPM']];
  const wing: Input = ['controller-f4-wing', 'S2', ['SBUS', 'CRSF']];
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

  it('is not known as long as its output is not connected to an input', () => {
    const bench = emptyBench();
    bench.add('receiver-sbus-rssi', 'ears');
    bench.add('controller-h7-wing', 'board');
    const sbus = oneWire(bench.design, ['RX1', 'SBUS.1'], ['FC1', 'R1.2']);
    expect(reported(sbus).map(([, at, , verdict]) => [at, verdict])).toEqual([['not connected to an input', 'unknown']]);
    const both = oneWire(sbus, ['RX1', 'RSSI.1'], ['FC1', 'analog.2']);
    expect(reported(both).map(([, at, , verdict]) => [at, verdict])).toEqual([['read at rssi', 'agree']]);
  });
});
