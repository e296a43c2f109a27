import type { Cable } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import type { CableId, ItemId } from '../model/ids.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { CircuitElement } from '../model/part.ts';
import { resolvePart } from '../model/resolvePart.ts';
import { cableNodeKey, circuitNodeKey, innerKey, pinKey, type Graph, type GraphEdge, type GraphItem, type GraphNode } from './graph.ts';
import { partitionOf } from './partition.ts';

const cache = new WeakMap<Design, Graph>();

/** The graph of a design, built once per version. Unknown parts, dangling ends and half-done cables are left out of it. */
export function graphOf(design: Design): Graph {
  const known = cache.get(design);
  if (known !== undefined) return known;
  const graph = build(design);
  cache.set(design, graph);
  return graph;
}

function build(design: Design): Graph {
  const items = Object.values(design.aircraft.items)
    .sort(byNatural((item) => item.ref))
    .map((item): GraphItem => {
      const part = design.parts.get(item.part);
      return { item, part: part === undefined ? undefined : resolvePart(part, item.settings) };
    });
  const cables = Object.values(design.aircraft.cables).sort(byNatural((cable) => cable.tag));
  const itemIx = new Map<ItemId, number>(items.map(({ item }, i) => [item.id, i]));
  const cableIx = new Map<CableId, number>(cables.map((cable, i) => [cable.id, i]));
  const nodes: GraphNode[] = [];
  const nodeIx = new Map<string, number>();
  const add = (key: string, node: GraphNode): void => {
    if (nodeIx.has(key)) return;
    nodeIx.set(key, nodes.length);
    nodes.push(node);
  };
  items.forEach((entry, i) => addItemNodes(entry, i, add));
  cables.forEach((cable, i) => addCableNodes(cable, i, add));
  const edges = [
    ...items.flatMap((entry, i) => elementEdges(entry, i, nodeIx)),
    ...cables.flatMap((cable, i) => cableEdges(cable, i, design, nodeIx)),
  ];
  return {
    design,
    items,
    cables,
    itemIx,
    cableIx,
    nodes,
    edges,
    nodeIx,
    wires: partitionOf(
      nodes.length,
      joints(edges, (edge) => edge.is !== 'element'),
    ),
    nets: partitionOf(
      nodes.length,
      joints(edges, (edge) => edge.is !== 'element' || isCopper(edge.element)),
    ),
    cablesAtItem: cablesAtItems(items.length, cables, itemIx),
  };
}

function isCopper(element: CircuitElement): boolean {
  return element.is === 'link' && element.ohm === 0;
}

function* joints(edges: readonly GraphEdge[], joins: (edge: GraphEdge) => boolean): Iterable<readonly [number, number]> {
  for (const edge of edges) if (joins(edge)) yield [edge.a, edge.b];
}

function addItemNodes(entry: GraphItem, item: number, add: (key: string, node: GraphNode) => void): void {
  const id = entry.item.id;
  for (const port of entry.part?.ports ?? []) {
    for (const pin of port.pins) add(pinKey(id, port.id, pin.n), { is: 'pin', item, port, pin });
  }
  for (const element of entry.part?.circuit ?? []) {
    for (const address of addressesOf(element)) {
      if (address.startsWith('@')) add(innerKey(id, address), { is: 'inner', item, name: address });
    }
  }
}

function addCableNodes(cable: Cable, ix: number, add: (key: string, node: GraphNode) => void): void {
  const nodes = Object.values(cable.nodes).sort(byNatural((node) => node.id));
  for (const node of nodes) {
    if (node.is === 'splice') {
      add(cableNodeKey(cable.id, node.id, 1), { is: 'splice', cable: ix, node: node.id });
      continue;
    }
    for (let n = 1; n <= node.connector.positions; n++) {
      add(cableNodeKey(cable.id, node.id, n), { is: 'contact', cable: ix, end: node, n });
    }
  }
}

/** Every node that a circuit element names. */
export function addressesOf(element: CircuitElement): readonly string[] {
  switch (element.is) {
    case 'source':
    case 'battery':
      return [element.plus, element.minus];
    case 'link':
    case 'switch':
    case 'sense':
      return [element.a, element.b];
    case 'regulator':
      return [element.in, element.out, element.gnd];
    case 'selector':
      return [...element.inputs.map((input) => input.node), element.out];
    case 'diode':
      return [element.from, element.to];
    case 'limiter':
      return [element.in, element.out];
    case 'load':
      return [element.supply, element.gnd];
    case 'drive':
      return [element.plus, element.minus, ...element.phases];
    case 'motor':
      return element.phases;
    case 'clamp':
    case 'capacitor':
      return [element.a, element.gnd];
  }
}

function elementEdges(entry: GraphItem, item: number, nodeIx: ReadonlyMap<string, number>): GraphEdge[] {
  const edges: GraphEdge[] = [];
  for (const element of entry.part?.circuit ?? []) {
    const addresses = addressesOf(element);
    if (addresses.length !== 2) continue;
    const [a, b] = addresses.map((address) => nodeIx.get(circuitNodeKey(entry.item.id, address)));
    if (a !== undefined && b !== undefined) edges.push({ is: 'element', a, b, item, element });
  }
  return edges;
}

function cableEdges(cable: Cable, ix: number, design: Design, nodeIx: ReadonlyMap<string, number>): GraphEdge[] {
  const edges: GraphEdge[] = [];
  for (const conductor of Object.values(cable.conductors)) {
    const a = nodeIx.get(cableNodeKey(cable.id, conductor.a.node, conductor.a.n));
    const b = nodeIx.get(cableNodeKey(cable.id, conductor.b.node, conductor.b.n));
    if (a !== undefined && b !== undefined) edges.push({ is: 'conductor', a, b, cable: ix, conductor });
  }
  for (const node of Object.values(cable.nodes)) {
    if (node.is !== 'end' || node.at.is === 'free') continue;
    for (let n = 1; n <= node.connector.positions; n++) {
      if (node.absent?.includes(n) === true) continue;
      const a = nodeIx.get(cableNodeKey(cable.id, node.id, n));
      const b = nodeIx.get(counterpartKey(node.at, n));
      if (a === undefined || b === undefined || isPulled(node.at, n, design)) continue;
      edges.push({ is: 'contact', a, b, cable: ix, end: node, n });
    }
  }
  return edges;
}

type Attached = Exclude<Extract<Cable['nodes'][keyof Cable['nodes']], { is: 'end' }>['at'], { is: 'free' }>;

function counterpartKey(at: Attached, n: number): string {
  return at.is === 'port' ? pinKey(at.item, at.port, n) : cableNodeKey(at.cable, at.node, n);
}

/** True when the other cable's end has this contact pulled from its shell. */
function isPulled(at: Attached, n: number, design: Design): boolean {
  if (at.is !== 'mate') return false;
  const other = design.aircraft.cables[at.cable]?.nodes[at.node];
  return other?.is === 'end' && other.absent?.includes(n) === true;
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
