import { offsetOf, type Cable } from '../model/aircraft.ts';
import { unbuiltChanges } from '../model/builtAlike.ts';
import type { Design } from '../model/design.ts';
import type { CableId, ItemId } from '../model/ids.ts';
import { mateOffset, type Mate, type PortPlace } from '../model/mate.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { CircuitElement } from '../model/part.ts';
import { resolvePart } from '../model/resolvePart.ts';
import {
  circuitNode,
  contactNode,
  pinNode,
  type Graph,
  type GraphEdge,
  type GraphItem,
  type GraphNode,
  type Numbered,
  type Partition,
} from './graph.ts';
import { cableInOrder } from './cableInOrder.ts';
import { addressesOf, cableNodes, partNodes } from './numbering.ts';
import { Grouping } from './partition.ts';
import { isPassage } from './passedOn.ts';

const cache = new WeakMap<Design, Graph>();
/** The one that was asked for last, most often of the version before. */
let last: Graph | undefined;

/**
 * The graph of a design, once per version. Unknown parts, dangling ends and half-done cables are left out of it. A version that is
 * built like the one before shares all but the design with it.
 */
export function graphOf(design: Design): Graph {
  const known = cache.get(design);
  if (known !== undefined) return known;
  const isAlike = last !== undefined && unbuiltChanges(last.design, design) !== undefined;
  const graph: Graph = last !== undefined && isAlike ? { ...last, design } : build(design);
  cache.set(design, graph);
  last = graph;
  return graph;
}

function build(design: Design): Graph {
  const items = Object.values(design.aircraft.items)
    .sort(byNatural((item) => item.ref))
    .map((item): GraphItem => {
      const part = design.parts.get(item.part);
      return { item, part: part === undefined ? undefined : resolvePart(part, item.settings) };
    });
  const cables = Object.values(design.aircraft.cables)
    .sort(byNatural((cable) => cable.tag))
    .map((cable) => cableInOrder(design.aircraft, cable));
  const itemIx = new Map<ItemId, number>(items.map(({ item }, i) => [item.id, i]));
  const cableIx = new Map<CableId, number>(cables.map((cable, i) => [cable.id, i]));
  const nodes: GraphNode[] = [];
  const itemStarts = Int32Array.from(items, (entry, i) => addItemNodes(entry, i, nodes));
  const cableStarts = Int32Array.from(cables, (cable, i) => addCableNodes(cable, i, nodes));
  const numbered: Numbered = { items, itemIx, itemStarts, cables, cableIx, cableStarts };
  const edges: GraphEdge[] = [];
  items.forEach((_, item) => addElementEdges(numbered, item, edges));
  cables.forEach((_, cable) => addCableEdges(numbered, cable, edges));
  for (const mate of matesInOrder(design, itemIx)) addMateEdges(numbered, mate, edges);
  return {
    design,
    ...numbered,
    nodes,
    edges,
    wires: joinedBy(nodes.length, edges, (edge) => edge.is !== 'element' || isPassage(edge.element)),
    nets: joinedBy(nodes.length, edges, (edge) => edge.is !== 'element' || isCopper(edge.element)),
    cablesAtItem: cablesAtItems(items.length, cables, itemIx),
  };
}

function isCopper(element: CircuitElement): boolean {
  return element.is === 'link' && element.ohm === 0;
}

function joinedBy(count: number, edges: readonly GraphEdge[], joins: (edge: GraphEdge) => boolean): Partition {
  const grouping = new Grouping(count);
  for (const edge of edges) if (joins(edge)) grouping.join(edge.a, edge.b);
  return grouping.partition();
}

/** @returns the first of the item's nodes */
function addItemNodes({ part }: GraphItem, item: number, nodes: GraphNode[]): number {
  const first = nodes.length;
  if (part === undefined) return first;
  for (const node of partNodes(part).nodes) {
    nodes.push(node.is === 'pin' ? { is: 'pin', item, port: node.port, pin: node.pin } : { is: 'inner', item, name: node.name });
  }
  return first;
}

/** @returns the first of the cable's nodes */
function addCableNodes(cable: Cable, ix: number, nodes: GraphNode[]): number {
  const first = nodes.length;
  for (const node of cableNodes(cable).nodes) {
    if (node.is === 'splice') nodes.push({ is: 'splice', cable: ix, node: node.id });
    else for (let n = 1; n <= node.connector.positions; n++) nodes.push({ is: 'contact', cable: ix, end: node, n });
  }
  return first;
}

function addElementEdges(graph: Numbered, item: number, edges: GraphEdge[]): void {
  for (const element of graph.items[item]?.part?.circuit ?? []) {
    const [one, other, ...more] = addressesOf(element);
    if (one === undefined || other === undefined || more.length > 0) continue;
    const [a, b] = [circuitNode(graph, item, one), circuitNode(graph, item, other)];
    if (a !== undefined && b !== undefined) edges.push({ is: 'element', a, b, item, element });
  }
}

function addCableEdges(graph: Numbered, ix: number, edges: GraphEdge[]): void {
  const cable = graph.cables[ix];
  if (cable === undefined) return;
  for (const conductor of Object.values(cable.conductors)) {
    const a = contactNode(graph, ix, conductor.a.node, conductor.a.n);
    const b = contactNode(graph, ix, conductor.b.node, conductor.b.n);
    if (a !== undefined && b !== undefined) edges.push({ is: 'conductor', a, b, cable: ix, conductor });
  }
  for (const node of Object.values(cable.nodes)) {
    if (node.is !== 'end' || node.at.is === 'free') continue;
    for (let n = 1; n <= node.connector.positions; n++) {
      if (node.absent?.includes(n) === true) continue;
      const a = contactNode(graph, ix, node.id, n);
      const b = counterpart(graph, node.at, n);
      if (a !== undefined && b !== undefined) edges.push({ is: 'contact', a, b, cable: ix, end: node, n });
    }
  }
}

/** By the items that they join, whatever their ids. */
function matesInOrder({ aircraft }: Design, itemIx: ReadonlyMap<ItemId, number>): readonly Mate[] {
  const place = ({ item, port }: PortPlace): string => `${String(itemIx.get(item) ?? -1).padStart(5, '0')} ${port}`;
  const key = ({ a, b }: Mate): string => `${place(a)} ${place(b)}`;
  return Object.values(aircraft.mates).sort(byNatural(key));
}

function addMateEdges(graph: Numbered, mate: Mate, edges: GraphEdge[]): void {
  const part = graph.items[graph.itemIx.get(mate.a.item) ?? -1]?.part;
  const port = part?.ports.find(({ id }) => id === mate.a.port);
  for (const { n } of port?.pins ?? []) {
    const a = pinNode(graph, mate.a.item, mate.a.port, n);
    const b = pinNode(graph, mate.b.item, mate.b.port, n + mateOffset(mate));
    if (port !== undefined && a !== undefined && b !== undefined) edges.push({ is: 'mate', a, b, mate, connector: port.connector });
  }
}

type Attached = Exclude<Extract<Cable['nodes'][keyof Cable['nodes']], { is: 'end' }>['at'], { is: 'free' }>;

/** The pin, or the contact of another cable, that a contact meets; undefined where there is none, or it is pulled from its shell. */
function counterpart(graph: Numbered, at: Attached, n: number): number | undefined {
  if (at.is === 'port') return pinNode(graph, at.item, at.port, n + offsetOf(at));
  const cableIx = graph.cableIx.get(at.cable) ?? -1;
  const other = graph.cables[cableIx]?.nodes[at.node];
  return other?.is === 'end' && other.absent?.includes(n) === true ? undefined : contactNode(graph, cableIx, at.node, n);
}

function cablesAtItems(count: number, cables: readonly Cable[], itemIx: ReadonlyMap<ItemId, number>): number[][] {
  const found: number[][] = Array.from({ length: count }, () => []);
  cables.forEach((cable, ix) => {
    for (const node of Object.values(cable.nodes)) {
      if (node.is !== 'end' || node.at.is !== 'port') continue;
      const list = found[itemIx.get(node.at.item) ?? -1];
      if (list !== undefined && !list.includes(ix)) list.push(ix);
    }
  });
  return found;
}
