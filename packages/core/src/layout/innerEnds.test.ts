import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit } from '../edits/applyEdit.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import { findingsOf, remediesOf } from '../checks/findingsOf.ts';
import type { Graph } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import { sheetModel } from '../harness/wiringSheet/sheetModel.ts';
import type { Cable } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import type { FramePlan, PointId, RouteId, Spot } from '../model/frame.ts';
import { asId, type CableId, type LegId, type NodeId } from '../model/ids.ts';
import { cableOf, made } from '../test/designs.ts';
import { placementCases } from '../test/checkCases/placement.ts';
import { endKey, withInnerEnds, type LegEnd } from './innerEnds.ts';
import { RouteNet } from './routeNet.ts';
import { legWays } from './ways.ts';

/** A straight spar of 1 m in four stretches; the airframe comes apart on the second and the fourth. */
const spar: FramePlan = {
  numbers: {},
  bays: {},
  points: Object.fromEntries(
    [0, 250, 500, 750, 1000].map((butt, i) => [asId<PointId>(`p${i}`), { title: `point ${i}`, at: [0, butt, 0] as Spot }]),
  ),
  routes: Object.fromEntries(
    [0, 1, 2, 3].map((i) => [
      asId<RouteId>(`r${i}`),
      { a: asId<PointId>(`p${i}`), b: asId<PointId>(`p${i + 1}`), diameterMm: 10, ...(i % 2 === 1 ? { joint: `joint ${i}` } : {}) },
    ]),
  ),
};

const pin = { family: 'pin-2.54', positions: 3, gender: 'socket' } as const;

/** A cable between nodes named by letters; `mate` names the cable and node that its last one is plugged into. */
function cable(id: string, legs: readonly (readonly [string, string])[], mate?: readonly [string, string]): Cable {
  const names = [...new Set(legs.flat())];
  const last = names.at(-1);
  return {
    id: asId<CableId>(id),
    tag: id,
    nodes: Object.fromEntries(
      names.map((name): [NodeId, Cable['nodes'][NodeId]] => {
        const node = asId<NodeId>(name);
        if (name.startsWith('s')) return [node, { id: node, is: 'splice' }];
        const at =
          mate === undefined || name !== last
            ? ({ is: 'free' } as const)
            : ({ is: 'mate', cable: asId<CableId>(mate[0]), node: asId<NodeId>(mate[1]) } as const);
        return [node, { id: node, is: 'end', at, connector: pin }];
      }),
    ),
    legs: Object.fromEntries(
      legs.map(([a, b], i) => [asId<LegId>(`l${i}`), { id: asId<LegId>(`l${i}`), a: asId<NodeId>(a), b: asId<NodeId>(b) }]),
    ),
    conductors: {},
  };
}

/** The same with a leg that is led by a point. */
function ledBy(one: Cable, id: string, point: string): Cable {
  const leg = one.legs[asId<LegId>(id)];
  if (leg === undefined) throw new Error(`There is no ${id}.`);
  return { ...one, legs: { ...one.legs, [leg.id]: { ...leg, via: asId<PointId>(point) } } };
}

const at = (butt: number): LegEnd => ({ spot: [0, butt, 0], bay: undefined });

function located(cables: readonly Cable[], ports: Readonly<Record<string, LegEnd>>): ReadonlyMap<string, LegEnd> {
  return withInnerEnds(cables, new Map(Object.entries(ports)), spar, new RouteNet(spar));
}

function key(name: string): string {
  const [id = '', node = ''] = name.split(' ');
  return endKey(asId<CableId>(id), asId<NodeId>(node));
}

describe('where plugs between cables lie', () => {
  it('is at the joints that they cross, in their order, from either end', () => {
    const cables = [cable('A', [['a', 'b']]), cable('B', [['c', 'b']], ['A', 'b']), cable('C', [['d', 'c']], ['B', 'c'])];
    const ends = located(cables, { [key('A a')]: at(10), [key('C d')]: at(990) });
    expect(ends.get(key('A b'))).toEqual({ spot: [0, 375, 0], bay: undefined, joint: 'r1' });
    expect(ends.get(key('B b'))).toEqual(ends.get(key('A b')));
    expect(ends.get(key('C c'))).toEqual({ spot: [0, 875, 0], bay: undefined, joint: 'r3' });
    expect(ends.get(key('B c'))).toEqual(ends.get(key('C c')));
  });

  it('is along their way where they cross no joint, and nowhere when the other cable has a loose end', () => {
    const pair = [cable('A', [['a', 'b']]), cable('B', [['c', 'b']], ['A', 'b'])];
    expect(located(pair, { [key('A a')]: at(20), [key('B c')]: at(220) }).get(key('A b'))?.spot).toEqual([0, 120, 0]);
    expect(located(pair, { [key('A a')]: at(20) }).get(key('A b'))).toBeUndefined();
  });

  it('is on the way by which one of them is led', () => {
    const led = [cable('A', [['a', 'b']]), ledBy(cable('B', [['c', 'b']], ['A', 'b']), 'l0', 'p4')];
    // From 10 to 220 by way of 1000: over the joint that the two would not cross else.
    expect(located(led, { [key('A a')]: at(10), [key('B c')]: at(220) }).get(key('A b'))).toEqual({
      spot: [0, 375, 0],
      bay: undefined,
      joint: 'r1',
    });
  });

  it('ends for cables that are plugged into each other in a ring', () => {
    const ring = [cable('A', [['a', 'b']], ['B', 'a']), cable('B', [['a', 'b']], ['A', 'a'])];
    expect([...located(ring, {}).keys()]).toEqual([]);
  });
});

describe('the two ways of cables that meet', () => {
  it('are together as long as the way of one cable, wherever on the spar they begin and end', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 0, max: 60 }),
        (from, to, aside) => {
          const pair = [cable('A', [['a', 'b']]), cable('B', [['c', 'b']], ['A', 'b'])];
          const [start, end]: readonly LegEnd[] = [{ spot: [aside, from, 0], bay: undefined }, at(to)];
          if (start === undefined || end === undefined) throw new Error('Both ends are there.');
          const middle = located(pair, { [key('A a')]: start, [key('B c')]: end }).get(key('A b'));
          const net = new RouteNet(spar);
          const whole = net.between(start, end);
          if (middle === undefined || whole === undefined) throw new Error('They have a way.');
          const [one, other] = [net.between(start, middle), net.between(middle, end)];
          // Where the joint is between them; beside it the plugs are led to it and back.
          const isBetween = Math.min(from, to) <= middle.spot[1] && middle.spot[1] <= Math.max(from, to);
          const sum = (one?.lengthMm ?? NaN) + (other?.lengthMm ?? NaN);
          if (isBetween && aside === 0) expect(sum).toBeCloseTo(whole.lengthMm, 6);
          else expect(sum).toBeGreaterThanOrEqual(whole.lengthMm - 1e-6);
          if (middle.joint !== undefined) expect([375, 875]).toContain(middle.spot[1]);
        },
      ),
    );
  });
});

describe('where a splice lies', () => {
  it('is the point of the routes from which its ends are nearest', () => {
    const tree = cable('A', [
      ['a', 's'],
      ['b', 's'],
      ['c', 's'],
    ]);
    const ends = located([tree], { [key('A a')]: at(0), [key('A b')]: at(260), [key('A c')]: at(1000) });
    expect(ends.get(key('A s'))?.spot).toEqual([0, 250, 0]);
    // The leg to the first goes by the far end: from there on it is the same way for all.
    const led = located([ledBy(tree, 'l0', 'p4')], { [key('A a')]: at(0), [key('A b')]: at(260), [key('A c')]: at(1000) });
    expect(led.get(key('A s'))?.spot).toEqual([0, 1000, 0]);
  });
});

/** The pins that are joined with each other, net by net. */
function joinedPins(graph: Graph): readonly string[] {
  const sets = new Map<number, string[]>();
  graph.nodes.forEach((node, i) => {
    if (node.is !== 'pin') return;
    const net = graph.nets.groupOf[i] ?? -1;
    sets.set(net, [...(sets.get(net) ?? []), `${graph.items[node.item]?.item.ref} ${node.port.id} ${node.pin.n}`]);
  });
  return [...sets.values()]
    .filter(({ length }) => length > 1)
    .map((set) => set.join(' = '))
    .sort();
}

describe('a cable that is split at a joint', () => {
  const whole = placementCases['place.joint-unbroken']?.wrong();
  if (whole === undefined) throw new Error('There is no case of a joint.');
  const finding = findingsOf(whole).find(({ check }) => check === 'place.joint-unbroken');
  const [remedy] = finding === undefined ? [] : remediesOf(whole, finding);
  if (remedy === undefined) throw new Error('There is no remedy.');
  const split: Design = made(whole, remedy.edit);
  const [before, after] = [graphOf(whole), graphOf(split)];

  it('has two ways that meet there and together are as long', () => {
    const [old] = [...legWays(before).values()].filter(({ cable: { tag } }) => tag === 'W02');
    const parts = [...legWays(after).values()].filter(({ cable: { tag } }) => tag === 'W02' || tag === 'W03');
    expect(old?.joints.length).toBe(1);
    expect(parts.map(({ joints }) => joints)).toEqual([[], []]);
    expect(parts[0]?.way.lengthMm).toBeGreaterThan(50);
    expect((parts[0]?.way.lengthMm ?? 0) + (parts[1]?.way.lengthMm ?? 0)).toBeCloseTo(old?.way.lengthMm ?? 0, 6);
    const spots = new Set(parts.flatMap(({ way }) => [way.spots[0], way.spots.at(-1)]).map((spot) => JSON.stringify(spot)));
    expect(spots.size).toBe(3);
  });

  it('joins the same pins as before, each half with the same gauge and colour, the live half in a socket', () => {
    expect(joinedPins(after)).toEqual(joinedPins(before));
    const half = (tag: string): Cable | undefined => after.cables.find((one) => one.tag === tag);
    const look = (tag: string): string[] => Object.values(half(tag)?.conductors ?? {}).map(({ awg, colour }) => `${awg} ${colour}`);
    expect(look('W03').sort()).toEqual(look('W02').sort());
    const genders = [...Object.values(half('W02')?.nodes ?? {}), ...Object.values(half('W03')?.nodes ?? {})].flatMap((node) =>
      node.is === 'end' && (node.at.is === 'free' || node.at.is === 'mate') ? [`${node.connector.gender} of ${node.at.is}`] : [],
    );
    // The controller feeds the receiver: it is at the far end of the old cable, so that the old half is the one that is dead.
    expect(genders).toEqual(['plug of free', 'socket of mate']);
  });

  it('is drawn through its plugs on the wiring sheet, each wire once', () => {
    const drawn = (graph: typeof after): string[] => sheetModel(graph).wires.map(({ from, to, colour }) => `${from} ${colour} ${to}`);
    expect(drawn(before).length).toBeGreaterThan(3);
    expect(drawn(after).sort()).toEqual(drawn(before).sort());
  });

  /** The same with a loose branch at so many ends of the cable. */
  function loomWith(branches: number): Design {
    const { id, nodes } = cableOf(whole ?? split, 'W02');
    return Object.values(nodes)
      .slice(0, branches)
      .reduce((design, from, i) => {
        const node = { id: asId<NodeId>(`branch${i}`), is: 'end', at: { is: 'free' }, connector: pin } as const;
        return made(design, { kind: 'add-leg', cable: id, leg: { id: asId<LegId>(`more${i}`), a: from.id, b: node.id }, node });
      }, whole ?? split);
  }

  it('may be a loom: the branch is cut off at the end that only it leads to, and all pins stay joined', () => {
    const loom = loomWith(1);
    const found = findingsOf(loom).find(({ check }) => check === 'place.joint-unbroken');
    const [cut] = found === undefined ? [] : remediesOf(loom, found);
    if (cut === undefined) throw new Error('There is no remedy for the loom.');
    const parted = made(loom, cut.edit);
    expect(findingsOf(parted).filter(({ check }) => check === 'place.joint-unbroken')).toEqual([]);
    expect(joinedPins(graphOf(parted))).toEqual(joinedPins(graphOf(loom)));
    expect(Object.keys(cableOf(parted, 'W02').legs)).toHaveLength(2);
  });

  it('is left to a person where the loom branches at both ends of the leg', () => {
    const loom = loomWith(2);
    const found = findingsOf(loom).find(({ check }) => check === 'place.joint-unbroken');
    expect(found).toBeDefined();
    expect(found === undefined ? [] : remediesOf(loom, found)).toEqual([]);
  });
});

describe('a cable that is led by way of a point', () => {
  const whole = placementCases['place.joint-unbroken']?.right();
  if (whole === undefined) throw new Error('There is no case of a wing.');
  const { id, legs } = cableOf(whole, 'W02');
  const [leg] = Object.values(legs);
  if (leg === undefined) throw new Error('The cable has no leg.');
  const lead = (via: string | null, was: string | null = null): SimpleEdit => ({
    kind: 'set-leg-via',
    cable: id,
    leg: leg.id,
    via: via === null ? null : asId<PointId>(via),
    was: was === null ? null : asId<PointId>(was),
  });
  const wayOf = (design: Design) => [...legWays(graphOf(design)).values()].find(({ cable: { tag } }) => tag === 'W02')?.way;
  const points = whole.aircraft.airframe.frame?.points ?? {};
  const [short, far] = [wayOf(whole), points[asId<PointId>('right-root')]];

  it('passes that point, and is as long as the two parts', () => {
    const way = wayOf(made(whole, lead('right-root')));
    expect(way?.spots).toContainEqual(far?.at);
    expect(way?.lengthMm).toBeGreaterThan((short?.lengthMm ?? 0) + 20);
    expect(way?.spots[0]).toEqual(short?.spots[0]);
    expect(way?.spots.at(-1)).toEqual(short?.spots.at(-1));
    expect(wayOf(made(made(whole, lead('right-root')), lead(null, 'right-root')))).toEqual(short);
  });

  it('is refused where there is no such point, and holds the point that it needs', () => {
    const refusal = (design: Design, edit: SimpleEdit): string => {
      const result = applyEdit(design, edit);
      return 'refused' in result ? result.refused.sentence : '';
    };
    expect(refusal(whole, lead('nowhere'))).toBe('The airframe has no point "nowhere" to route W02 via.');
    const tip = asId<PointId>('mast');
    const mast = { title: 'mast', at: [400, 0, 80] as Spot };
    const added = made(whole, { kind: 'set-frame-point', id: tip, point: mast, was: null });
    // No route leads to it yet: the cable keeps its way.
    const led = made(added, lead('mast'));
    expect(wayOf(led)?.lengthMm).toBeGreaterThanOrEqual(short?.lengthMm ?? 0);
    const gone: SimpleEdit = { kind: 'set-frame-point', id: tip, point: null, was: mast };
    expect(refusal(led, gone)).toBe('W02 is routed via this point. Reroute it first.');
    expect(refusal(made(led, lead(null, 'mast')), gone)).toBe('');
  });
});
