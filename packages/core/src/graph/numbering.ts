import type { Cable, CableNode } from '../model/aircraft.ts';
import type { NodeId } from '../model/ids.ts';
import type { CircuitElement, Pin, Port, ResolvedPart } from '../model/part.ts';

/** A pin of a part, or a node inside it. */
export type PartNode = { readonly is: 'pin'; readonly port: Port; readonly pin: Pin } | { readonly is: 'inner'; readonly name: string };

/** The nodes of a part in the order of the part, and the place of each by its address: `port.n` or `@inner`. */
export interface PartNodes {
  readonly nodes: readonly PartNode[];
  readonly placeOf: ReadonlyMap<string, number>;
}

const partCache = new WeakMap<ResolvedPart, PartNodes>();

/** Numbers the nodes of a part, once for all items and versions that have it. */
export function partNodes(part: ResolvedPart): PartNodes {
  const known = partCache.get(part);
  if (known !== undefined) return known;
  const nodes: PartNode[] = [];
  const placeOf = new Map<string, number>();
  const add = (address: string, node: PartNode): void => {
    if (placeOf.has(address)) return;
    placeOf.set(address, nodes.length);
    nodes.push(node);
  };
  for (const port of part.ports) for (const pin of port.pins) add(pinAddress(port.id, pin.n), { is: 'pin', port, pin });
  for (const element of part.circuit) {
    for (const address of addressesOf(element)) if (address.startsWith('@')) add(address, { is: 'inner', name: address });
  }
  const numbered = { nodes, placeOf };
  partCache.set(part, numbered);
  return numbered;
}

/** The address of a pin inside its part. */
export function pinAddress(port: string, n: number): string {
  return `${port}.${n}`;
}

/** The contacts and splices of a cable in the order of its nodes, and where those of each end begin. */
export interface CableNodes {
  readonly count: number;
  readonly nodes: readonly CableNode[];
  readonly firstOf: ReadonlyMap<NodeId, { readonly first: number; readonly count: number }>;
}

const cableCache = new WeakMap<Cable, CableNodes>();

/** Numbers the contacts of a cable, once as long as nobody edits it. */
export function cableNodes(cable: Cable): CableNodes {
  const known = cableCache.get(cable);
  if (known !== undefined) return known;
  const nodes = Object.values(cable.nodes);
  const firstOf = new Map<NodeId, { readonly first: number; readonly count: number }>();
  let count = 0;
  for (const node of nodes) {
    const own = node.is === 'splice' ? 1 : node.connector.positions;
    firstOf.set(node.id, { first: count, count: own });
    count += own;
  }
  const numbered = { count, nodes, firstOf };
  cableCache.set(cable, numbered);
  return numbered;
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
