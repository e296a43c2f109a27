import type { Edit, SimpleEdit } from '../../edits/registry.ts';
import { placeAt, type PortAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { mateOf, wiresPerContact } from '../../model/connector.ts';
import type { LegId, NodeId } from '../../model/ids.ts';
import { DraftEdits } from '../draftEdits.ts';
import { fitPinMap, type PinMap, type PinMapWish } from '../fitPinMap.ts';
import { newConductor } from '../newConductor.ts';
import { cableFor } from '../proposeCable.ts';
import { joinWay, loomOf, type JoinWay, type PluggedEnd } from './joinWay.ts';
import { legBetween, type DirectedLeg } from './legBetween.ts';
import { contactJoins } from './loomJoins.ts';
import { seated } from './seats.ts';
import { spliceCrowded, wiresAt } from './spliceContact.ts';
import { takeOver } from './takeOver.ts';

/** The pins that would be joined. A branch leaves out what is one net already, a loom what its wires join. */
export function joinMap(graph: Graph, a: PortAt, b: PortAt, wish: PinMapWish): PinMap {
  return seated(graph, a, b, wish, (x, y, own) => {
    const way = joinWay(graph, x, y);
    const joined = way.is === 'inside' ? contactJoins(way.a.cable, way.a.end, way.b.end) : [];
    return fitPinMap(graph, x, y, own, { isBranch: way.is !== 'cable', joined });
  });
}

/** The contacts of plugs that are there already in which a wire more finds no room: so many splices will be made. */
export function splicesFor(graph: Graph, { a, b, pairs }: PinMap): number {
  const way = joinWay(graph, a, b);
  const ends: readonly (readonly [PluggedEnd, readonly number[]])[] =
    way.is === 'cable' || way.is === 'mated'
      ? []
      : way.is === 'branch'
        ? [[way.of, pairs.map((pair) => (way.isAtA ? pair.a : pair.b))]]
        : [
            [way.a, pairs.map((pair) => pair.a)],
            [way.b, pairs.map((pair) => pair.b)],
          ];
  return ends.reduce((sum, [{ cable, end }, contacts]) => {
    const most = wiresPerContact(end.connector);
    const added = (n: number): number => contacts.filter((other) => other === n).length;
    return sum + [...new Set(contacts)].filter((n) => wiresAt(cable, { node: end.id, n }).length + added(n) > most).length;
  }, 0);
}

/**
 * The edit that joins two ports, with placeholders for ids: a new cable, a branch, wires in a loom, or two cables made one. Where a
 * contact would hold more wires than it takes they are spliced.
 * @returns undefined when the document does not allow it, or there is nothing to do
 */
export function planJoin(graph: Graph, a: PortAt, b: PortAt, wish: PinMapWish): Edit | undefined {
  const map = joinMap(graph, a, b, wish);
  const way = joinWay(graph, map.a, map.b);
  if (way.is === 'cable') return cableFor(graph, map);
  if (way.is === 'mated') return undefined;
  const draft = new DraftEdits(graph.design);
  const isDone = joinedIn(graph, draft, way, map);
  return isDone && !draft.isEmpty
    ? draft.edit(`Connect ${a.ref} ${a.port.label} and ${b.ref} ${b.port.label} in ${loomOf(way).tag}`)
    : undefined;
}

function joinedIn(graph: Graph, draft: DraftEdits, way: Exclude<JoinWay, { is: 'cable' | 'mated' }>, { a, b, pairs }: PinMap): boolean {
  const loom = loomOf(way);
  if (way.is === 'inside' && pairs.length === 0) return false;
  const leg = legFor(draft, way, a, b);
  if (leg === undefined) return false;
  for (const pair of pairs) {
    const conductor = newConductor(graph, a, b, { id: draft.newId(), ...leg, a: pair.a, b: pair.b });
    if (!draft.make(inLegOrder({ kind: 'add-conductor', cable: loom.id, conductor }, leg))) return false;
  }
  return spliceCrowded(draft, loom.id, [leg.nodeA, leg.nodeB]);
}

function legFor(draft: DraftEdits, way: Exclude<JoinWay, { is: 'cable' | 'mated' }>, a: PortAt, b: PortAt): DirectedLeg | undefined {
  switch (way.is) {
    case 'branch': {
      const leg = draft.newId<LegId>();
      const { cable, end } = way.of;
      const to = way.isAtA ? b : a;
      const node = draft.newId<NodeId>();
      const isMade = draft.make({
        kind: 'add-leg',
        cable: cable.id,
        leg: { id: leg, a: end.id, b: node },
        node: { id: node, is: 'end', at: placeAt(to), connector: mateOf(to.port.connector) },
      });
      const [nodeA, nodeB] = way.isAtA ? [end.id, node] : [node, end.id];
      return isMade ? { leg, nodeA, nodeB, isTurned: !way.isAtA } : undefined;
    }
    case 'inside':
      return legBetween(draft, way.a.cable, way.a.end.id, way.b.end.id);
    case 'merge': {
      const nodeA = way.a.end.id;
      const taken = takeOver(draft, { cable: way.a.cable.id, node: nodeA }, way.b.cable, way.b.end);
      return taken === undefined ? undefined : { leg: taken.leg, nodeA, nodeB: taken.node, isTurned: false };
    }
  }
}

type AddConductor = Extract<SimpleEdit, { kind: 'add-conductor' }>;

/** A wire is written in the direction of its leg. */
function inLegOrder(edit: AddConductor, { isTurned }: DirectedLeg): AddConductor {
  const { a, b } = edit.conductor;
  return isTurned ? { ...edit, conductor: { ...edit.conductor, a: b, b: a } } : edit;
}
