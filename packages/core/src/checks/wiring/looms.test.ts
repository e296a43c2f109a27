import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { graphOf } from '../../graph/graphOf.ts';
import type { PortAt } from '../../graph/cableJoins.ts';
import type { Cable, CableEnd, CableEndAt, CableNode, Conductor, Leg, NodePin } from '../../model/aircraft.ts';
import { mateOf } from '../../model/connector.ts';
import type { Design } from '../../model/design.ts';
import { asId, type CableId, type ConductorId, type LegId, type NodeId } from '../../model/ids.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { countingIds } from '../../test/designs.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { checks } from '../registry.ts';

/*
 * The same copper, once as a loom and once as cables with two ends each: what is wrong with it is the same, whichever way it was made.
 */

const base = withoutPlaces(saltmarsh(asId('saltmarsh'), countingIds()));
const ports: readonly PortAt[] = graphOf(base).items.flatMap(({ item, part }, ix) =>
  (part?.ports ?? []).map((port) => ({ item: ix, itemId: item.id, ref: item.ref, port })),
);

/** Not laid out, so that a cable of another form is not longer or shorter by it. */
function withoutPlaces({ aircraft, ...library }: Design): Design {
  const { frame: _frame, ...airframe } = aircraft.airframe;
  const items = Object.fromEntries(Object.entries(aircraft.items).map(([id, { place: _place, ...item }]) => [id, item]));
  return { ...library, aircraft: { ...aircraft, airframe, items } };
}

/** Copper between three ports: wires from P to Q and from P to R, and wires of P that are spliced to a pin of Q and one of R. */
interface Copper {
  readonly p: PortAt;
  readonly q: PortAt;
  readonly r: PortAt;
  readonly toQ: readonly (readonly [number, number])[];
  readonly toR: readonly (readonly [number, number])[];
  readonly spliced: readonly (readonly [number, number, number])[];
}

/** Three of the ports that have something to say to each other: the first is any, the others are likely to match it by their roles. */
const coppers: fc.Arbitrary<Copper> = fc
  .tuple(fc.nat(), fc.nat(), fc.nat(), fc.array(fc.nat(), { minLength: 18, maxLength: 18 }))
  .map(([x, y, z, draws]) => {
    const p = pick(ports, x);
    const others = ports.filter(({ item, port }) => item !== p.item && port.pins.some(({ role }) => sharesRole(p, role)));
    const q = pick(others.length === 0 ? ports.filter(({ item }) => item !== p.item) : others, y);
    const r = pick(
      ports.filter(({ item }) => item !== p.item && item !== q.item),
      z,
    );
    // Ends are read in the order of their parts: a cable from the later to the earlier says the same the other way round.
    if (r.item < q.item) return copperOf(p, r, q, draws);
    return copperOf(p, q, r, draws);
  });

function copperOf(p: PortAt, q: PortAt, r: PortAt, draws: readonly number[]): Copper {
  const n = (i: number, at: PortAt): number => 1 + ((draws[i] ?? 0) % at.port.connector.positions);
  const pairs = (from: number, to: PortAt) => [0, 2, 4].map((i) => [n(from + i, p), n(from + i + 1, to)] as const);
  return {
    p,
    q,
    r,
    toQ: distinct(pairs(0, q)),
    toR: distinct(pairs(6, r)),
    spliced: [12, 15].map((i) => [n(i, p), n(i + 1, q), n(i + 2, r)] as const).slice(0, (draws[0] ?? 0) % 3),
  };
}

function pick<T>(list: readonly T[], n: number): T {
  const one = list[n % list.length];
  if (one === undefined) throw new Error('There is nothing to pick from.');
  return one;
}

function distinct(pairs: readonly (readonly [number, number])[]): readonly (readonly [number, number])[] {
  return [...new Map(pairs.map((pair) => [pair.join(' '), pair])).values()];
}

function sharesRole(at: PortAt, role: string): boolean {
  return role !== 'nc' && at.port.pins.some((pin) => pin.role === role);
}

/** Makes a cable out of ends and wires; a leg for every two nodes that wires join. */
class CableMaker {
  readonly #nodes = new Map<NodeId, CableNode>();
  readonly #legs = new Map<string, Leg>();
  readonly #conductors: Conductor[] = [];

  constructor(private readonly tag: string) {}

  end(name: string, at: PortAt, place: CableEndAt = { is: 'port', item: at.itemId, port: at.port.id }): NodeId {
    const id = asId<NodeId>(name);
    const end: CableEnd = { id, is: 'end', at: place, connector: mateOf(at.port.connector) };
    this.#nodes.set(id, end);
    return id;
  }

  splice(name: string): NodePin {
    const id = asId<NodeId>(name);
    this.#nodes.set(id, { id, is: 'splice' });
    return { node: id, n: 1 };
  }

  wire(a: NodePin, b: NodePin): void {
    const key = `${a.node}-${b.node}`;
    const leg = this.#legs.get(key) ?? { id: asId<LegId>(key), a: a.node, b: b.node };
    this.#legs.set(key, leg);
    this.#conductors.push({ id: asId<ConductorId>(`c${this.#conductors.length}`), leg: leg.id, a, b, awg: 26, colour: 'white' });
  }

  get cable(): Cable {
    const byId = <T extends { readonly id: string }>(list: readonly T[]) => Object.fromEntries(list.map((one) => [one.id, one]));
    return {
      id: asId<CableId>(this.tag),
      tag: this.tag,
      nodes: byId([...this.#nodes.values()]),
      legs: byId([...this.#legs.values()]),
      conductors: byId(this.#conductors),
    };
  }
}

function asLoom({ p, q, r, toQ, toR, spliced }: Copper): Cable[] {
  const loom = new CableMaker('W91');
  const [atP, atQ, atR] = [loom.end('p', p), loom.end('q', q), loom.end('r', r)];
  for (const [n, m] of toQ) loom.wire({ node: atP, n }, { node: atQ, n: m });
  for (const [n, m] of toR) loom.wire({ node: atP, n }, { node: atR, n: m });
  spliced.forEach(([n, m, k], i) => {
    const joint = loom.splice(`s${i}`);
    loom.wire({ node: atP, n }, joint);
    loom.wire(joint, { node: atQ, n: m });
    loom.wire(joint, { node: atR, n: k });
  });
  return [loom.cable];
}

function asTwoEnded({ p, q, r, toQ, toR, spliced }: Copper): Cable[] {
  const between = (tag: string, from: PortAt, to: PortAt, pairs: readonly (readonly [number, number])[]): Cable[] => {
    const cable = new CableMaker(tag);
    const [a, b] = [cable.end('a', from), cable.end('b', to)];
    for (const [n, m] of distinct(pairs)) cable.wire({ node: a, n }, { node: b, n: m });
    return pairs.length === 0 ? [] : [cable.cable];
  };
  return [
    ...between('W91', p, q, [...toQ, ...spliced.map(([n, m]) => [n, m] as const)]),
    ...between('W92', p, r, [...toR, ...spliced.map(([n, , k]) => [n, k] as const)]),
    ...between(
      'W93',
      q,
      r,
      spliced.map(([, m, k]) => [m, k] as const),
    ),
  ];
}

/** The wires from P to Q by way of an extension: two cables, plug to plug. */
function asExtension({ p, q, toQ }: Copper): Cable[] {
  const [lead, extension] = [new CableMaker('W91'), new CableMaker('W92')];
  const [a, plug] = [lead.end('a', p), lead.end('x', q, { is: 'free' })];
  const [socket, b] = [extension.end('y', q, { is: 'mate', cable: asId<CableId>('W91'), node: plug }), extension.end('b', q)];
  // Each contact of the plug between takes one wire: two in it would be joined there, as in a splice.
  for (const [n, m] of toQ) lead.wire({ node: a, n }, { node: plug, n: m });
  for (let n = 1; n <= q.port.connector.positions; n++) extension.wire({ node: socket, n }, { node: b, n });
  return [lead.cable, extension.cable];
}

/** What is about the plugs and lengths of cables, or has numbers in it that hang on how many contacts a current goes through. */
const ABOUT_CABLES = ['wire.connector-mate', 'wire.look-alike', 'wire.crowded-contact', 'wire.not-wired', 'wire.ground-shift'];
const POWER_BY_COPPER = ['power.reversed', 'power.parallel-regulators', 'power.parallel-batteries'];

const ofCopper = checks.filter(
  ({ id, stage }) => (['wiring', 'links', 'outputs'].includes(stage) && !ABOUT_CABLES.includes(id)) || POWER_BY_COPPER.includes(id),
);

/** What is said, with every cable under one name. */
function said(cables: readonly Cable[]): readonly string[] {
  const all = { ...base.aircraft.cables, ...Object.fromEntries(cables.map((cable) => [cable.id, cable])) };
  const graph = graphOf({ ...base, aircraft: { ...base.aircraft, cables: all } });
  const texts = ofCopper.flatMap(({ id, run }) =>
    run({ graph }).map(({ severity, what, evidence = [] }) =>
      withPlainSpaces([id, severity, what, ...evidence.map((fact) => `${fact.label}: ${fact.value}`)].join(' | ')),
    ),
  );
  return [...new Set(texts.map((text) => text.replaceAll(/W9\d((, | and )W9\d)*/g, 'the cable')))].sort();
}

const without = new Set(said([]));

describe('wiring checks', () => {
  it('say of a loom what they say of the same copper in cables with two ends', () => {
    let found = 0;
    fc.assert(
      fc.property(coppers, (copper) => {
        const ofLoom = said(asLoom(copper));
        found += ofLoom.filter((text) => !without.has(text)).length;
        expect(ofLoom).toEqual(said(asTwoEnded(copper)));
      }),
      { numRuns: 30, endOnFailure: true },
    );
    expect(found).toBeGreaterThan(30);
  });

  it('say of an extension, plug to plug, what they say of one cable', () => {
    let found = 0;
    fc.assert(
      fc.property(coppers, (copper) => {
        const toQ = copper.toQ.filter(([, m], i) => copper.toQ.findIndex((other) => other[1] === m) === i);
        const direct = said(asTwoEnded({ ...copper, toQ, toR: [], spliced: [] }));
        found += direct.filter((text) => !without.has(text)).length;
        expect(said(asExtension({ ...copper, toQ }))).toEqual(direct);
      }),
      { numRuns: 20, endOnFailure: true },
    );
    expect(found).toBeGreaterThan(10);
  });
});
