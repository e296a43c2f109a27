import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../../checks/findingsOf.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { asId, type CableId, type ConductorId, type LegId, type NodeId } from '../../model/ids.ts';
import { endpointPins } from '../../model/endpointPins.ts';
import { mateOf } from '../../model/connector.ts';
import type { Endpoint } from '../../model/part.ts';
import type { Design } from '../../model/design.ts';
import type { Settings } from '../../model/resolvePart.ts';
import { emptyBench, itemOf, made } from '../../test/designs.ts';
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
  const graph = graphOf(design);
  const entry = graph.items.find(({ item }) => item.ref === ref);
  const found = entry?.part?.endpoints.find(({ id }) => id === endpoint);
  const address = found === undefined ? undefined : pinAddress(found, way);
  const port = entry?.part?.ports.find(({ id }) => address?.startsWith(`${id}.`) === true);
  if (entry === undefined || address === undefined || port === undefined) throw new Error(`There is no ${ref} ${endpoint}.`);
  return { item: entry.item.id, port, n: Number(address.slice(port.id.length + 1)), endpoint: found };
}

function pinAddress(endpoint: Endpoint, way: 'out' | 'in'): string | undefined {
  if (endpoint.is === 'uart') return way === 'out' ? endpoint.tx : endpoint.rx;
  return endpointPins(endpoint)[0];
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
  const refs = Object.values(bench.design.aircraft.items).map((item) => item.ref);
  const [from = '', to = ''] = refs;
  const a = pinOf(bench.design, from, out, 'out');
  const b = pinOf(bench.design, to, input, 'in');
  const isSet = protocol !== undefined && b.endpoint?.is === 'uart' && b.endpoint.speaks.length > 1;
  if (isSet) {
    const item = itemOf(bench.design, to);
    bench.make({ kind: 'set-item-setting', item: item.id, setting: `${input}.protocol`, value: protocol, was: null });
  }
  const end = (id: NodeId, at: typeof a) => ({
    id,
    is: 'end' as const,
    at: { is: 'port' as const, item: at.item, port: at.port.id },
    connector: mateOf(at.port.connector),
  });
  const [nodeA, nodeB, leg] = [asId<NodeId>('a'), asId<NodeId>('b'), asId<LegId>('l')];
  const conductor = {
    id: asId<ConductorId>('c'),
    leg,
    a: { node: nodeA, n: a.n },
    b: { node: nodeB, n: b.n },
    awg: 26,
    colour: 'white' as const,
  };
  return made(bench.design, {
    kind: 'add-cable',
    cable: {
      id: asId<CableId>('w'),
      tag: 'W01',
      nodes: { [nodeA]: end(nodeA, a), [nodeB]: end(nodeB, b) },
      legs: { [leg]: { id: leg, a: nodeA, b: nodeB } },
      conductors: { [conductor.id]: conductor },
    },
  });
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
