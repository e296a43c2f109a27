import type { Edit, SimpleEdit } from '../../edits/registry.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { PortAt } from '../../graph/cableJoins.ts';
import { PIN_MAP_PRESETS, type PinMapPreset } from '../../harness/fitPinMap.ts';
import { addBranch, clearContact, joinContacts, removeEnd } from '../../harness/looms/endEdits.ts';
import { planJoin } from '../../harness/looms/planJoin.ts';
import { proposeCable } from '../../harness/proposeCable.ts';
import { proposeMate } from '../../harness/proposeMate.ts';
import { isPinRow, mateOf } from '../../model/connector.ts';
import { AWG_SIZES, WIRE_COLOURS, type Cable } from '../../model/aircraft.ts';
import type { Design } from '../../model/design.ts';
import type { PointId } from '../../model/frame.ts';
import { asId, type ConductorId, type LegId, type MateId, type NodeId } from '../../model/ids.ts';
import { pick, type Draw } from './draw.ts';

const PRESETS: readonly PinMapPreset[] = ['meaning', 'straight', 'mirrored', 'supply-pulled', 'none'];
if (PRESETS.length !== Object.keys(PIN_MAP_PRESETS).length) throw new Error('A preset is missing from the random edits.');

/** Joins two ports whatever is in them: a cable, a branch, wires of a loom, or two cables made one. */
export function join(design: Design, { x, y, z }: Draw): Edit | undefined {
  const all = ports(design);
  const [a, b] = [pick(all, x), pick(all, y)];
  if (a === undefined || b === undefined || a.itemId === b.itemId) return undefined;
  return planJoin(graphOf(design), a, b, z % 3 === 0 ? { a: 1, b: 1 } : (pick(PRESETS, z) ?? 'meaning'));
}

const MOST_LOOKED_AT = 12;

/** Puts a port onto another without a cable, whether they go together or not, or parts two. */
export function mate(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const there = pick(Object.values(design.aircraft.mates), x);
  if (z % 2 === 0 && there !== undefined) return { kind: 'remove-mate', mate: there.id };
  const all = ports(design);
  const graph = graphOf(design);
  // Ports that go together are few: the first from a random one on that has a counterpart.
  for (let i = 0; i < Math.min(all.length, MOST_LOOKED_AT); i++) {
    const from = pick(all, x + i);
    const proposal =
      from === undefined
        ? undefined
        : pick(
            all.flatMap((b) => proposeMate(graph, from, b) ?? []),
            y,
          );
    if (proposal !== undefined) return { kind: 'add-mate', mate: proposal.mate };
  }
  const [a, b] = [pick(all, x), pick(all, y)];
  if (a === undefined || b === undefined) return undefined;
  const [placeA, placeB] = [a, b].map(({ itemId, port }) => ({ item: itemId, port: port.id }));
  return placeA === undefined || placeB === undefined
    ? undefined
    : { kind: 'add-mate', mate: { id: asId<MateId>('?1'), a: placeA, b: placeB } };
}

/** Takes an end off a loom, clears a contact or joins two, as a person does in the margin and the ladder. */
export function loomEnd(design: Design, { x, y, z }: Draw): Edit | undefined {
  const graph = graphOf(design);
  const looms = graph.cables.filter((each) => Object.keys(each.legs).length > 1);
  const cable = pick(looms.length > 0 ? looms : graph.cables, x);
  const [one, other] = [anyEnd(cable, y), anyEnd(cable, z)];
  if (cable === undefined || one === undefined || other === undefined) return undefined;
  if (z % 3 === 0) return removeEnd(graph, cable, one.id);
  if (z % 3 === 1) return clearContact(graph, cable, { node: one.id, n: 1 + (x % one.connector.positions) });
  return one === other ? addBranch(cable, one) : joinContacts(graph, cable, { end: one, n: 1 }, { end: other, n: 1 });
}

export function wire(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const all = ports(design);
  const [a, b] = [pick(all, x), pick(all, y)];
  if (a === undefined || b === undefined) return undefined;
  const { edit } = proposeCable(graphOf(design), a, b, pick(PRESETS, z) ?? 'meaning');
  return edit;
}

function ports(design: Design): PortAt[] {
  return graphOf(design).items.flatMap(({ item, part }, ix) =>
    (part?.ports ?? []).map((port) => ({ item: ix, itemId: item.id, ref: item.ref, port })),
  );
}

function anyCable(design: Design, n: number): Cable | undefined {
  return pick(graphOf(design).cables, n);
}

export function conductor(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const only = pick(Object.values(cable?.legs ?? {}), y + z);
  if (cable === undefined || only === undefined) return undefined;
  const held = Object.values(cable.conductors);
  const one = pick(held, y);
  if (one !== undefined && z % 3 === 0) return { kind: 'remove-conductor', cable: cable.id, conductor: one.id };
  if (one !== undefined && z % 3 === 1) {
    return { kind: 'move-conductor', cable: cable.id, conductor: one.id, end: 'b', to: { node: one.b.node, n: 1 + (y % 5) }, was: one.b };
  }
  return {
    kind: 'add-conductor',
    cable: cable.id,
    conductor: {
      id: asId<ConductorId>('?1'),
      leg: only.id,
      a: { node: only.a, n: cable.nodes[only.a]?.is === 'splice' ? 1 : 1 + (y % 4) },
      b: { node: only.b, n: cable.nodes[only.b]?.is === 'splice' ? 1 : 1 + (z % 4) },
      awg: 26,
      colour: 'pink',
    },
  };
}

export function colour(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const one = pick(Object.values(cable?.conductors ?? {}), y);
  if (cable === undefined || one === undefined) return undefined;
  return {
    kind: 'set-conductor-colour',
    cable: cable.id,
    conductor: one.id,
    colour: pick(WIRE_COLOURS, z) ?? 'red',
    was: isStale ? 'pink' : one.colour,
  };
}

export function gauge(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const one = pick(Object.values(cable?.conductors ?? {}), y);
  if (cable === undefined || one === undefined) return undefined;
  return { kind: 'set-conductor-gauge', cable: cable.id, conductor: one.id, awg: pick(AWG_SIZES, z) ?? 26, was: one.awg };
}

function anyEnd(cable: Cable | undefined, n: number) {
  return pick(
    Object.values(cable?.nodes ?? {}).filter((node) => node.is === 'end'),
    n,
  );
}

export function absent(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const node = anyEnd(cable, y);
  if (cable === undefined || node === undefined) return undefined;
  const wanted = z % 4 === 0 ? [] : [1 + (z % 4)];
  return { kind: 'set-absent-contacts', cable: cable.id, node: node.id, absent: wanted, was: isStale ? [9] : [...(node.absent ?? [])] };
}

export function end(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const node = anyEnd(cable, y);
  const port = pick(ports(design), z);
  const other = anyCable(design, z);
  const otherEnd = anyEnd(other, z);
  if (cable === undefined || node === undefined || port === undefined) return undefined;
  const was = isStale ? { is: 'free' as const } : node.at;
  if (z % 5 === 0) return { kind: 'set-cable-end', cable: cable.id, node: node.id, at: { is: 'free' }, was };
  if (z % 5 === 1 && other !== undefined && otherEnd !== undefined) {
    return { kind: 'set-cable-end', cable: cable.id, node: node.id, at: { is: 'mate', cable: other.id, node: otherEnd.id }, was };
  }
  // Of a row of pins, any: what hangs over its end is refused.
  const { connector } = port.port;
  const offset = isPinRow(connector) && z % 3 > 0 ? { offset: 1 + (y % connector.positions) } : {};
  return {
    kind: 'set-cable-end',
    cable: cable.id,
    node: node.id,
    at: { is: 'port', item: port.itemId, port: port.port.id, ...offset },
    was,
  };
}

export function plug(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const node = anyEnd(cable, y);
  if (cable === undefined || node === undefined) return undefined;
  const connector = { ...node.connector, positions: 1 + (z % 8) };
  return { kind: 'set-end-connector', cable: cable.id, node: node.id, connector, was: isStale ? connector : node.connector };
}

export function length(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  const [only] = Object.values(cable?.legs ?? {});
  if (cable === undefined || only === undefined) return undefined;
  if (z % 5 === 1) {
    return { kind: 'set-leg-twist', cable: cable.id, leg: only.id, twistMm: z % 2 === 0 ? null : 20 + (z % 40), was: only.twistMm ?? null };
  }
  const [point] = Object.keys(design.aircraft.airframe.frame?.points ?? {});
  if (z % 7 === 2 && point !== undefined) {
    return {
      kind: 'set-leg-via',
      cable: cable.id,
      leg: only.id,
      via: only.via === undefined ? asId<PointId>(point) : null,
      was: only.via ?? null,
    };
  }
  return {
    kind: 'set-leg-length',
    cable: cable.id,
    leg: only.id,
    lengthMm: z % 4 === 0 ? null : 10 + (z % 900),
    was: only.typedLengthMm ?? null,
  };
}

export function text(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  if (cable === undefined) return undefined;
  const field = z % 2 === 0 ? 'label' : 'note';
  return { kind: 'set-cable-text', cable: cable.id, field, value: z % 3 === 0 ? '' : `text ${z}`, was: cable[field] ?? '' };
}

export function removeCable(design: Design, { x }: Draw): SimpleEdit | undefined {
  const cable = anyCable(design, x);
  return cable === undefined ? undefined : { kind: 'remove-cable', cable: cable.id };
}

export function leg(design: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const loose = graphOf(design).cables.filter((each) => Object.keys(each.legs).length > 1);
  const cable = z % 2 === 0 && loose.length > 0 ? pick(loose, x) : anyCable(design, x);
  const from = pick(Object.values(cable?.nodes ?? {}), y);
  if (cable === undefined || from === undefined) return undefined;
  const legs = Object.values(cable.legs);
  const empty = legs.filter((each) => !Object.values(cable.conductors).some((held) => held.leg === each.id));
  const one = pick(z % 3 === 0 || empty.length === 0 ? legs : empty, z);
  if (z % 2 === 0 && one !== undefined) return { kind: 'remove-leg', cable: cable.id, leg: one.id };
  const node = asId<NodeId>('?2');
  const id = asId<LegId>('?1');
  const other = pick(Object.values(cable.nodes), z);
  if (z % 5 === 1 && other !== undefined) return { kind: 'add-leg', cable: cable.id, leg: { id, a: from.id, b: other.id } };
  const port = pick(ports(design), x + z);
  const isEnd = z % 5 > 2 && port !== undefined;
  const at = isEnd && z % 2 === 1 ? ({ is: 'port', item: port.itemId, port: port.port.id } as const) : ({ is: 'free' } as const);
  return {
    kind: 'add-leg',
    cable: cable.id,
    leg: { id, a: from.id, b: node },
    node: isEnd ? { id: node, is: 'end', at, connector: mateOf(port.port.connector) } : { id: node, is: 'splice' },
  };
}
