import { describe, expect, it } from '@jest/globals';
import { findingsOf, remediesOf } from '../../checks/findingsOf.ts';
import type { Bench } from '../../demo/bench.ts';
import type { Finding } from '../../checks/finding.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { Part } from '../../model/part.ts';
import { sampleParts } from '../../parts/catalogue.ts';
import { set } from '../../test/checkCases/build.ts';
import { emptyBench, made } from '../../test/designs.ts';
import { oneWire } from '../../test/oneWire.ts';
import { agrees, hopEndName, type FacetId, type Hop, type Medium } from './hop.ts';
import { hopsOf } from './hopsOf.ts';

type RawEndpoint = Part['endpoints'][number];
type Kind = RawEndpoint['is'];
type OfKind<K extends Kind> = Extract<RawEndpoint, { is: K }>;

/** Every part of the catalogue with an endpoint of a kind, by its first. */
function partsWith<K extends Kind>(kind: K): readonly { readonly part: Part; readonly endpoint: OfKind<K> }[] {
  return sampleParts.flatMap((part) => {
    const endpoint = part.endpoints.find((candidate): candidate is OfKind<K> => candidate.is === kind);
    return endpoint === undefined ? [] : [{ part, endpoint }];
  });
}
const isDevice = ({ part }: { readonly part: Part }): boolean => part.kind !== 'controller';
const portOfPin = (pin: string): string => pin.slice(0, pin.lastIndexOf('.'));
const i2cParts = partsWith('i2c-device').map(({ part, endpoint }) => ({
  part,
  endpoint,
  port: portOfPin(endpoint.sda),
  addresses: endpoint.addresses,
}));
const canParts = partsWith('can')
  .filter(isDevice)
  .map(({ part, endpoint }) => ({ part, endpoint, port: portOfPin(endpoint.high) }));
const analogOut = partsWith('analog-out');
const analogIn = partsWith('analog-sense');
const voltsOf = ({ fullScaleV }: OfKind<'analog-out'> | OfKind<'analog-sense'>): number => {
  if (typeof fullScaleV !== 'number') throw new Error('A scale that a setting decides: the sweep has to set it.');
  return fullScaleV;
};

const hopsBy = (design: Design, medium: Medium): readonly Hop[] => hopsOf(graphOf(design)).hops.filter((hop) => hop.medium === medium);
const named = ({ a, b }: Hop): string => `${hopEndName(a)} - ${b === undefined ? '' : hopEndName(b)}`;
/** The hops of a medium whose ends disagree; none of another medium may. */
function apart(design: Design, medium: Medium): readonly string[] {
  const all = hopsOf(graphOf(design)).hops.filter((hop) => !agrees(hop));
  expect(all.filter((hop) => hop.medium !== medium).map(named)).toEqual([]);
  return all.map(named);
}
const facetsApart = (design: Design, medium: Medium): readonly FacetId[] =>
  hopsBy(design, medium).flatMap(({ facets }) => facets.filter(({ verdict }) => verdict === 'differ').map(({ id }) => id));
const touching = (design: Design, medium: Medium, refs: readonly string[]): readonly string[] =>
  hopsBy(design, medium)
    .filter(({ a, b }) => [a, b].some((end) => end !== undefined && refs.includes(end.entry.item.ref)))
    .map(named);
const saidBy = (design: Design, check: string): readonly Finding[] =>
  findingsOf(design).filter((finding) => finding.check === check && finding.severity !== 'note');

interface OnBoard {
  readonly board: string;
  readonly port: string;
  readonly hub: string;
  /** What the sockets of the hub are called, before their number. */
  readonly socket: string;
}
const BOARD_I2C: OnBoard = { board: 'controller-f4-wing', port: 'I2C', hub: 'splitter-i2c-4', socket: 'i' };
const BOARD_CAN: OnBoard = { board: 'controller-h7-carrier', port: 'CAN1', hub: 'hub-can-6', socket: 'c' };

function added(bench: Bench, part: Part): string {
  const before = new Set(Object.keys(bench.design.aircraft.items));
  bench.add(part.id, 'one of the sweep');
  const item = Object.values(bench.design.aircraft.items).find(({ id }) => !before.has(id));
  if (item === undefined) throw new Error('Nothing was added.');
  return item.ref;
}

/** A controller, a hub on its bus, and parts on the hub. */
function onHub({ board, port, hub, socket }: OnBoard, parts: readonly { readonly part: Part; readonly port: string }[], lengthMm = 100) {
  const bench = emptyBench();
  bench.add(board, 'board');
  bench.add(hub, 'hub');
  bench.wire(`FC1 ${port}`, `HUB1 ${socket}1`, 'meaning', lengthMm);
  const refs = parts.map((device, i) => {
    const ref = added(bench, device.part);
    bench.wire(`${ref} ${device.port}`, `HUB1 ${socket}${i + 2}`, 'meaning', lengthMm);
    return ref;
  });
  return { design: bench.design, refs };
}

/** The device at one of the addresses that it can have. */
function addressed(design: Design, ref: string, { endpoint, addresses }: (typeof i2cParts)[number], address: number): Design {
  return addresses.length < 2 ? design : set(design, ref, `${endpoint.id}.address`, address);
}

/** The device with its termination as it should be, where it leaves a choice. */
function terminated(design: Design, ref: string, { endpoint }: (typeof canParts)[number], on: boolean): Design {
  return endpoint.switchable === true ? set(design, ref, `${endpoint.id}.terminated`, on) : design;
}

/** The setting is made, and the remedies of what is said by a check make that check silent again. */
function expectMended(design: Design, check: string): void {
  const said = saidBy(design, check);
  expect(said).toHaveLength(1);
  for (const finding of said) for (const { edit } of remediesOf(design, finding)) expect(saidBy(made(design, edit), check)).toEqual([]);
}

describe('devices on an I2C bus', () => {
  const pairs = i2cParts.flatMap((a, i) => i2cParts.slice(i).map((b) => [`${a.part.id} and ${b.part.id}`, a, b] as const));

  it.each(pairs)('%s part where they have one address, at both and at no other, and nowhere else', (_, a, b) => {
    const { design, refs } = onHub(BOARD_I2C, [a, b]);
    const all = touching(design, 'i2c', refs);
    expect(all).toHaveLength(2);
    for (const first of a.addresses) {
      for (const second of b.addresses) {
        const [x = '', y = ''] = refs;
        const both = addressed(addressed(design, x, a, first), y, b, second);
        expect([first, second, apart(both, 'i2c')]).toEqual([first, second, first === second ? all : []]);
        expect(saidBy(both, 'wire.i2c-address')).toHaveLength(first === second ? 1 : 0);
        if (first === second) expectMended(both, 'wire.i2c-address');
      }
    }
  });

  it('part where the edges rise too slowly for the clock of the host, until it is slowed', () => {
    const slow = onHub(BOARD_I2C, i2cParts.slice(0, 1), 1200);
    expect(facetsApart(slow.design, 'i2c')).toEqual(['rise']);
    const slowed = set(slow.design, 'FC1', 'I2C.clock', 100);
    expect(facetsApart(slowed, 'i2c')).toEqual([]);
    expect(saidBy(slow.design, 'wire.i2c-bus').length - saidBy(slowed, 'wire.i2c-bus').length).toBe(1);
  });

  it('part where so many pull-ups are in parallel that a device cannot bring the wire low', () => {
    const strong = compassesOn(3);
    expect(facetsApart(strong, 'i2c')).toEqual(['pull-ups', 'pull-ups', 'pull-ups']);
    expect(facetsApart(compassesOn(1), 'i2c')).toEqual([]);
  });
});

/** So many compasses at addresses of their own. */
function compassesOn(count: number): Design {
  const [compass] = i2cParts.filter(({ addresses }) => addresses.length >= count && addresses.length > 3 && addresses[0] === 12);
  if (compass === undefined) throw new Error('The catalogue has no such compass.');
  const { design, refs } = onHub(
    BOARD_I2C,
    Array.from({ length: count }, () => compass),
  );
  return refs.reduce((made, ref, i) => addressed(made, ref, compass, compass.addresses[i] ?? 0), design);
}

describe('members of a CAN bus', () => {
  const pairs = canParts.flatMap((a, i) => canParts.slice(i).map((b) => [`${a.part.id} and ${b.part.id}`, a, b] as const));

  it.each(pairs)('%s part where two have one node id or the bus is not terminated at two ends, and nowhere else', (_, a, b) => {
    const made = onHub(BOARD_CAN, [a, b]);
    const [x = '', y = ''] = made.refs;
    // The board is one end of the bus, the last device the other.
    const design = terminated(terminated(made.design, x, a, false), y, b, true);
    expect(apart(design, 'can')).toEqual([]);
    expect(saidBy(design, 'wire.can-bus')).toEqual([]);
    const [idX, idY] = [`${a.endpoint.id}.node`, `${b.endpoint.id}.node`];
    const different = set(set(design, x, idX, 11), y, idY, 12);
    expect(apart(different, 'can')).toEqual([]);
    expect(apart(set(set(design, x, idX, 0), y, idY, 0), 'can')).toEqual([]);
    const same = set(different, y, idY, 11);
    expect(apart(same, 'can')).toEqual(touching(same, 'can', [x, y]));
    expectMended(same, 'wire.can-bus');
    const withBoard = set(set(design, x, idX, 9), 'FC1', 'CAN1.node', 9);
    expect(apart(withBoard, 'can')).toEqual(touching(design, 'can', [x, 'FC1']));
    const three = terminated(design, x, a, true);
    expect(apart(three, 'can')).toEqual(touching(design, 'can', ['FC1', x, y]));
    expectMended(three, 'wire.can-bus');
  });
});

describe('a bus as a whole', () => {
  it('of CAN works with one termination as long as it is short', () => {
    const [device] = canParts;
    if (device === undefined) throw new Error('The catalogue has nothing on CAN.');
    const open = (lengthMm: number): Design => {
      const { design, refs } = onHub(BOARD_CAN, [device], lengthMm);
      return refs.reduce((made, ref) => terminated(made, ref, device, false), design);
    };
    expect([facetsApart(open(900), 'can'), saidBy(open(900), 'wire.can-bus')]).toEqual([[], []]);
    expect(facetsApart(open(1100), 'can')).toEqual(['termination']);
    expect(saidBy(open(1100), 'wire.can-bus')).toHaveLength(1);
  });

  it('of I2C parts where nothing pulls its lines up', () => {
    const { design } = onHub(BOARD_I2C, i2cParts.slice(0, 1));
    const parts = new Map(
      [...design.parts].map(([key, part]) => [
        key,
        { ...part, endpoints: part.endpoints.map((one) => (one.is === 'i2c-host' ? withoutPullUp(one) : one)) },
      ]),
    );
    expect(facetsApart({ ...design, parts }, 'i2c')).toEqual(['pull-ups']);
    expect(saidBy({ ...design, parts }, 'wire.i2c-bus').map(({ what }) => what)).toEqual(['The I2C bus of FC1 and PM1 has no pull-up.']);
  });
});

function withoutPullUp({ pullUpOhm: _none, ...host }: OfKind<'i2c-host'>): OfKind<'i2c-host'> {
  return host;
}

describe('an analog wire', () => {
  it('parts where an output goes higher than its input reads, and is silent where it does not', () => {
    let wired = 0;
    for (const gives of analogOut) {
      for (const reads of analogIn) {
        const bench = emptyBench();
        const [to, from] = [added(bench, reads.part), added(bench, gives.part)];
        const design = oneWire(bench.design, [from, gives.endpoint.pin], [to, reads.endpoint.pin]);
        const goesHigher = voltsOf(gives.endpoint) > voltsOf(reads.endpoint);
        const purposes = [gives.endpoint.purpose, reads.endpoint.purpose];
        const isOther = purposes.every((purpose) => purpose.startsWith('battery')) && purposes[0] !== purposes[1];
        wired += 1;
        expect([gives.part.id, reads.part.id, facetsApart(design, 'analog')]).toEqual([
          gives.part.id,
          reads.part.id,
          [...(isOther ? ['reading'] : []), ...(goesHigher ? ['range'] : [])],
        ]);
        expect(saidBy(design, 'link.wrong-reading')).toHaveLength(isOther ? 1 : 0);
        expect(saidBy(design, 'power.sense-scale')).toHaveLength(goesHigher ? 1 : 0);
      }
    }
    expect(wired).toBeGreaterThan(30);
  });
});
