import { endpointPins } from '../model/endpointPins.ts';
import type { Endpoint } from '../model/part.ts';
import { circuitNode, groupOf, pinsOf, type Graph, type PinNode } from './graph.ts';

/** What happens to a signal on its way: the transforms of the routes it passes, in order. */
export type Transform = 'invert' | 'encode' | 'bridge' | 'overlay';

/** An endpoint of another item that a signal reaches. */
export interface Counterpart {
  readonly item: number;
  readonly endpoint: Endpoint;
  readonly transforms: readonly Transform[];
}

/**
 * The endpoints at the other end of an endpoint's wires, and those behind the signal routes of the parts on the way
 * (inverters, bridges, an overlay), with what they do to the signal. In natural order; each endpoint once.
 */
export function counterpartsOf(graph: Graph, item: number, endpoint: Endpoint): Counterpart[] {
  const found: Counterpart[] = [];
  const seen = new Set<string>([`${item}|${endpoint.id}`]);
  const queue: Counterpart[] = [{ item, endpoint, transforms: [] }];
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const next of wiredTo(graph, at.item, at.endpoint)) {
      const name = `${next.item}|${next.endpoint.id}`;
      if (seen.has(name)) continue;
      seen.add(name);
      found.push({ ...next, transforms: at.transforms });
      queue.push(...throughRoutes(graph, { ...next, transforms: at.transforms }, seen));
    }
  }
  return found;
}

function wiredTo(graph: Graph, item: number, endpoint: Endpoint): { item: number; endpoint: Endpoint }[] {
  const found = new Map<string, { item: number; endpoint: Endpoint }>();
  for (const address of endpointPins(endpoint)) {
    const node = circuitNode(graph, item, address);
    if (node === undefined) continue;
    for (const at of pinsAlong(graph, node)) {
      if (at.item === item) continue;
      const name = `${at.port.id}.${at.pin.n}`;
      for (const other of graph.items[at.item]?.part?.endpoints ?? []) {
        if (endpointPins(other).includes(name)) found.set(`${at.item}|${other.id}`, { item: at.item, endpoint: other });
      }
    }
  }
  return [...found.values()];
}

/** The pins on the copper of a node, and on that behind boards which only pass a signal on from pin to pin. */
function pinsAlong(graph: Graph, start: number): readonly PinNode[] {
  const found: PinNode[] = [];
  const seen = new Set<number>();
  const queue = [start];
  for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
    const group = groupOf(graph.wires, node);
    if (seen.has(group)) continue;
    seen.add(group);
    for (const { at } of pinsOf(graph, graph.wires, group)) {
      found.push(at);
      queue.push(...passedOn(graph, at));
    }
  }
  return found;
}

/** Where the board of a signal pin passes the signal on: the other ends of its links. */
function passedOn(graph: Graph, { item, port, pin }: PinNode): readonly number[] {
  if (pin.role === 'gnd' || pin.role.startsWith('supply')) return [];
  const address = `${port.id}.${pin.n}`;
  return (graph.items[item]?.part?.circuit ?? []).flatMap((element) => {
    if (element.is !== 'link' || (element.a !== address && element.b !== address)) return [];
    return circuitNode(graph, item, element.a === address ? element.b : element.a) ?? [];
  });
}

function throughRoutes(graph: Graph, at: Counterpart, seen: Set<string>): Counterpart[] {
  const part = graph.items[at.item]?.part;
  const on: Counterpart[] = [];
  for (const route of part?.routes ?? []) {
    const other = route.from === at.endpoint.id ? route.to : route.to === at.endpoint.id ? route.from : undefined;
    const endpoint = part?.endpoints.find((candidate) => candidate.id === other);
    if (endpoint === undefined || seen.has(`${at.item}|${endpoint.id}`)) continue;
    seen.add(`${at.item}|${endpoint.id}`);
    const transforms = route.transform === 'none' ? at.transforms : [...at.transforms, route.transform];
    on.push({ item: at.item, endpoint, transforms });
  }
  return on;
}
