import type { Cable } from '../model/aircraft.ts';
import { mateOf } from '../model/connector.ts';
import { asId, type CableId, type LegId, type NodeId } from '../model/ids.ts';
import { nextTag } from '../edits/references.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import { placeAt, type PortAt } from '../graph/cableJoins.ts';
import type { Graph } from '../graph/graph.ts';
import { fitPinMap, type PinMap, type PinMapWish } from './fitPinMap.ts';
import { seated } from './looms/seats.ts';
import { newConductor } from './newConductor.ts';

const nodeA = asId<NodeId>('a');
const nodeB = asId<NodeId>('b');
const onlyLeg = asId<LegId>('leg');

/** A cable between two ports, as the edit that makes it. The cable's id is the placeholder `?1` (see `withFreshIds`). */
export function proposeCable(graph: Graph, a: PortAt, b: PortAt, wish: PinMapWish): { readonly map: PinMap; readonly edit: SimpleEdit } {
  const map = seated(graph, a, b, wish, (x, y, own) => fitPinMap(graph, x, y, own));
  return { map, edit: cableFor(graph, map) };
}

/** The edit that makes the cable of a pin map. The cable's id is the placeholder `?1`. */
export function cableFor(graph: Graph, { a, b, pairs }: PinMap): SimpleEdit {
  const conductors = pairs.map((pair, i) =>
    newConductor(graph, a, b, { id: `?${i + 2}`, leg: onlyLeg, nodeA, nodeB, a: pair.a, b: pair.b }),
  );
  const cable: Cable = {
    id: asId<CableId>('?1'),
    tag: nextTag(graph.design.aircraft),
    nodes: {
      [nodeA]: { id: nodeA, is: 'end', at: placeAt(a), connector: mateOf(a.port.connector) },
      [nodeB]: { id: nodeB, is: 'end', at: placeAt(b), connector: mateOf(b.port.connector) },
    },
    legs: { [onlyLeg]: { id: onlyLeg, a: nodeA, b: nodeB } },
    conductors: Object.fromEntries(conductors.map((conductor) => [conductor.id, conductor])),
  };
  return { kind: 'add-cable', cable };
}
