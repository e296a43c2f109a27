import type { Cable, CableEnd, Conductor, Item } from '../model/aircraft.ts';
import type { Connector } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import type { CableId, ItemId, NodeId } from '../model/ids.ts';
import type { Mate } from '../model/mate.ts';
import type { CircuitElement, Pin, Port, ResolvedPart } from '../model/part.ts';
import { cableNodes, partNodes, pinAddress } from './numbering.ts';

/** An item with its part resolved. `part` is absent when the design does not hold the part that the item names. */
export interface GraphItem {
  readonly item: Item;
  readonly part: ResolvedPart | undefined;
}

/** A pin of an item, a node inside a part, a contact at the end of a cable, or the joint of a splice. */
export type GraphNode =
  | { readonly is: 'pin'; readonly item: number; readonly port: Port; readonly pin: Pin }
  | { readonly is: 'inner'; readonly item: number; readonly name: string }
  | { readonly is: 'contact'; readonly cable: number; readonly end: CableEnd; readonly n: number }
  | { readonly is: 'splice'; readonly cable: number; readonly node: NodeId };

/** What joins two nodes. A circuit element with more than two nodes stands in the item's part, not here. */
export type GraphEdge =
  | { readonly is: 'conductor'; readonly a: number; readonly b: number; readonly cable: number; readonly conductor: Conductor }
  | { readonly is: 'contact'; readonly a: number; readonly b: number; readonly cable: number; readonly end: CableEnd; readonly n: number }
  /** Pins of two ports that mate directly; `a` is of the mate's own port A. */
  | { readonly is: 'mate'; readonly a: number; readonly b: number; readonly mate: Mate; readonly connector: Connector }
  | { readonly is: 'element'; readonly a: number; readonly b: number; readonly item: number; readonly element: CircuitElement };

/** Groups of nodes: the group of each node, and the members of each group, both as flat arrays. */
export interface Partition {
  readonly groupOf: Int32Array;
  readonly count: number;
  /** Members of group g are `members[starts[g]] .. members[starts[g + 1] - 1]`, in rising order. */
  readonly starts: Int32Array;
  readonly members: Int32Array;
}

/**
 * A design seen as nodes and edges, with indexes for every question that is asked often. Items and cables are in natural
 * order of reference and tag, the members of each cable as `cableInOrder` has them, ports and pins in the order of the part: so is
 * everything that is derived from it, whatever the ids.
 */
export interface Graph {
  readonly design: Design;
  readonly items: readonly GraphItem[];
  readonly cables: readonly Cable[];
  readonly itemIx: ReadonlyMap<ItemId, number>;
  readonly cableIx: ReadonlyMap<CableId, number>;
  readonly nodes: readonly GraphNode[];
  readonly edges: readonly GraphEdge[];
  /**
   * Pins joined by copper outside the parts, which is conductors, contacts, splices and ports that mate, and by copper that leads from one
   * pin of a part straight to another: what a board passes on arrives where the next wire leads.
   */
  readonly wires: Partition;
  /** Nets: pins at one potential, which is `wires` and the 0 ohm links inside the parts. */
  readonly nets: Partition;
  /** The first node of each item, and of each cable, in the order of `partNodes` and `cableNodes`. */
  readonly itemStarts: Int32Array;
  readonly cableStarts: Int32Array;
  /** Cables with an end at each item, by the item's index, in natural order. */
  readonly cablesAtItem: readonly (readonly number[])[];
}

/** A name for an item's pin that no other pin has. */
export function pinKey(item: ItemId, port: string, n: number): string {
  return `p|${item}|${port}|${n}`;
}

/** The node of a pin, or undefined when the item or its part does not have it. */
export function pinNode(graph: Numbered, item: ItemId, port: string, n: number): number | undefined {
  const itemIx = graph.itemIx.get(item);
  return itemIx === undefined ? undefined : circuitNode(graph, itemIx, pinAddress(port, n));
}

/** What it takes to find a node by its name. */
export type Numbered = Pick<Graph, 'items' | 'itemIx' | 'itemStarts' | 'cables' | 'cableIx' | 'cableStarts'>;

/** The node that a circuit element of item `itemIx` names: `@inner` or `port.n`. */
export function circuitNode(
  { items, itemStarts }: Pick<Numbered, 'items' | 'itemStarts'>,
  itemIx: number,
  address: string,
): number | undefined {
  const part = items[itemIx]?.part;
  const place = part === undefined ? undefined : partNodes(part).placeOf.get(address);
  return place === undefined ? undefined : (itemStarts[itemIx] ?? 0) + place;
}

/** The node of the n-th contact of a cable's end, or of its splice; undefined when there is none. */
export function contactNode(
  { cables, cableStarts }: Pick<Numbered, 'cables' | 'cableStarts'>,
  cableIx: number,
  node: NodeId,
  n: number,
): number | undefined {
  const cable = cables[cableIx];
  const own = cable === undefined ? undefined : cableNodes(cable).firstOf.get(node);
  return own === undefined || !(n >= 1 && n <= own.count) ? undefined : (cableStarts[cableIx] ?? 0) + own.first + n - 1;
}

/** The nodes of one group. */
export function membersOf(partition: Partition, group: number): Int32Array {
  return partition.members.subarray(partition.starts[group] ?? 0, partition.starts[group + 1] ?? 0);
}

/** The group of a node. */
export function groupOf(partition: Partition, node: number): number {
  return partition.groupOf[node] ?? -1;
}

export type PinNode = Extract<GraphNode, { is: 'pin' }>;

/** The pins among the members of one group, with their node numbers, in natural order. */
export function pinsOf(graph: Graph, partition: Partition, group: number): { readonly node: number; readonly at: PinNode }[] {
  const found: { node: number; at: PinNode }[] = [];
  for (const node of membersOf(partition, group)) {
    const at = graph.nodes[node];
    if (at?.is === 'pin') found.push({ node, at });
  }
  return found;
}
