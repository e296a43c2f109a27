import type { Cable } from '../model/aircraft.ts';
import { mateOf } from '../model/connector.ts';
import { asId, type CableId, type LegId, type NodeId } from '../model/ids.ts';
import { nextTag } from '../edits/references.ts';
import type { SimpleEdit } from '../edits/registry.ts';
import type { PortAt } from '../graph/cableJoins.ts';
import type { Graph } from '../graph/graph.ts';
import { fitPinMap, type PinMap, type PinMapWish } from './fitPinMap.ts';
import { newConductor } from './newConductor.ts';

const nodeA = asId<NodeId>('a');
const nodeB = asId<NodeId>('b');
const onlyLeg = asId<LegId>('leg');

/** A cable between two ports, as the edit that makes it. The cable's id is the placeholder `?1` (see `withFreshIds`). */
export function proposeCable(graph: Graph, a: PortAt, b: PortAt, wish: PinMapWish): { readonly map: PinMap; readonly edit: SimpleEdit } {
  const map = fitPinMap(graph, a, b, wish);
  const conductors = map.pairs.map((pair, i) =>
    newConductor(graph, a, b, { id: `?${i + 2}`, leg: onlyLeg, nodeA, nodeB, a: pair.a, b: pair.b }),
  );
  const cable: Cable = {
    id: asId<CableId>('?1'),
    tag: nextTag(graph.design.aircraft),
    nodes: {
      [nodeA]: { id: nodeA, is: 'end', at: { is: 'port', item: a.itemId, port: a.port.id }, connector: mateOf(a.port.connector) },
      [nodeB]: { id: nodeB, is: 'end', at: { is: 'port', item: b.itemId, port: b.port.id }, connector: mateOf(b.port.connector) },
    },
    legs: { [onlyLeg]: { id: onlyLeg, a: nodeA, b: nodeB } },
    conductors: Object.fromEntries(conductors.map((conductor) => [conductor.id, conductor])),
  };
  return { map, edit: { kind: 'add-cable', cable } };
}
