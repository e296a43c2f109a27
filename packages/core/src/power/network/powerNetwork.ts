import { groupOf, type Graph, type Partition } from '../../graph/graph.ts';
import { Grouping } from '../../graph/partition.ts';
import type { CircuitShape } from '../solve/circuit.ts';
import { devicesOf, type PlacedDevice } from './devicesOf.ts';
import { reduceCopper, type CopperEdge, type Reduced } from './reduceCopper.ts';
import { sharedShape } from './sharedShape.ts';
import { conductorOhm, contactOhm } from './wireOhm.ts';

/** The direct-current network of an aircraft: its wiring reduced to what carries current, and its devices. */
export interface PowerNetwork {
  readonly graph: Graph;
  readonly shape: CircuitShape;
  /** Of each resistor of the circuit, when everything is whole. */
  readonly ohms: Float64Array;
  readonly devices: readonly PlacedDevice[];
  readonly copper: Reduced;
  /** The piece of 0 ohm copper that each node of the graph is in. */
  readonly pieceOf: Int32Array;
}

const cache = new WeakMap<Graph, PowerNetwork>();

/** The network of a graph, built once per version. */
export function powerNetwork(graph: Graph): PowerNetwork {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const network = build(graph);
  cache.set(graph, network);
  return network;
}

function build(graph: Graph): PowerNetwork {
  const pieces = piecesOf(graph);
  const devices = devicesOf(graph);
  const pieceAt = (node: number): number => groupOf(pieces, node);
  const edges = graph.edges.flatMap((edge, i): CopperEdge[] => {
    const ohm = ohmOf(graph, edge);
    const [a, b] = [pieceAt(edge.a), pieceAt(edge.b)];
    return ohm === undefined || a === b ? [] : [{ edge: i, a, b, ohm }];
  });
  const isTerminal = new Uint8Array(pieces.count);
  for (const { nodes } of devices) for (const node of nodes) isTerminal[pieceAt(node)] = 1;
  const copper = reduceCopper(pieces.count, edges, isTerminal);
  const nodeAt = (node: number): number => copper.nodeOf[pieceAt(node)] ?? 0;
  return {
    graph,
    devices,
    copper,
    pieceOf: pieces.groupOf,
    ohms: Float64Array.from(copper.branches, ({ ohm }) => ohm),
    shape: sharedShape({
      nodeCount: copper.nodeCount,
      resistorA: Int32Array.from(copper.branches, ({ a }) => a),
      resistorB: Int32Array.from(copper.branches, ({ b }) => b),
      devices: devices.map(({ kind, nodes }) => ({ kind, nodes: nodes.map(nodeAt) })),
    }),
  };
}

/** Copper without resistance: links of 0 ohm and closed switches. */
function piecesOf({ nodes, edges }: Graph): Partition {
  const grouping = new Grouping(nodes.length);
  for (const edge of edges) {
    if (edge.is !== 'element') continue;
    const { a, b, element } = edge;
    if ((element.is === 'link' && element.ohm === 0) || (element.is === 'switch' && element.closed)) grouping.join(a, b);
  }
  return grouping.partition();
}

/** The resistance of an edge of the graph; undefined for one that is no resistance. */
function ohmOf(graph: Graph, edge: Graph['edges'][number]): number | undefined {
  switch (edge.is) {
    case 'contact':
      return contactOhm(edge.end.connector);
    case 'mate':
      return contactOhm(edge.connector);
    case 'conductor': {
      const cable = graph.cables[edge.cable];
      return cable === undefined ? undefined : conductorOhm(graph, cable, edge.conductor);
    }
    case 'element':
      return edge.element.is === 'link' && edge.element.ohm > 0 ? edge.element.ohm : undefined;
  }
}
