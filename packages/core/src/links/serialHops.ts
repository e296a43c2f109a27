import { circuitNode, groupOf, pinsOf, type Graph, type GraphItem } from '../graph/graph.ts';
import type { UartEndpoint } from '../model/part.ts';

/** One end of a serial hop. */
export interface SerialEnd {
  readonly item: number;
  readonly entry: GraphItem;
  readonly endpoint: UartEndpoint;
}

/** A stretch on which one end talks and the other hears it. */
export interface Hearing {
  readonly from: SerialEnd;
  readonly to: SerialEnd;
  /** How many inverters stand in the way. */
  readonly inversions: number;
}

/** Two serial ends that are joined, with what each hears of the other. At least one direction is there. */
export interface SerialHop {
  readonly a: SerialEnd;
  readonly b: SerialEnd;
  readonly aToB: Hearing | undefined;
  readonly bToA: Hearing | undefined;
}

const cache = new WeakMap<Graph, readonly SerialHop[]>();

/**
 * Every pair of serial endpoints of which one hears the other, each pair once, in natural order. Parts that only pass a
 * signal on (a level converter, an inverter) are looked through; a bridge, which has a set-up of its own, is an end.
 */
export function serialHops(graph: Graph): readonly SerialHop[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const hops = new Map<string, SerialHop>();
  for (const from of serialEnds(graph)) {
    if (isPassing(from)) continue;
    for (const hearing of hearingsFrom(graph, from)) addHearing(hops, hearing);
  }
  const all = [...hops.values()];
  cache.set(graph, all);
  return all;
}

/** Every serial endpoint of every item, in natural order. */
export function serialEnds(graph: Graph): SerialEnd[] {
  return graph.items.flatMap((entry, item) =>
    (entry.part?.endpoints ?? []).flatMap((endpoint) => (endpoint.is === 'uart' ? [{ item, entry, endpoint }] : [])),
  );
}

/** The ends as people name them: `GNSS1 UART`. */
export function endName({ entry, endpoint }: SerialEnd): string {
  return `${entry.item.ref} ${endpoint.names.label}`;
}

/** The port that a serial end's signals are on. */
export function portOfEnd({ endpoint }: SerialEnd): string {
  const pin = endpoint.rx ?? endpoint.tx ?? '';
  return pin.slice(0, pin.lastIndexOf('.'));
}

function addHearing(hops: Map<string, SerialHop>, hearing: Hearing): void {
  const { from, to } = hearing;
  const isForward = from.item < to.item || (from.item === to.item && from.endpoint.id < to.endpoint.id);
  const [a, b] = isForward ? [from, to] : [to, from];
  const key = `${a.item} ${a.endpoint.id} ${b.item} ${b.endpoint.id}`;
  const known = hops.get(key) ?? { a, b, aToB: undefined, bToA: undefined };
  hops.set(key, isForward ? { ...known, aToB: hearing } : { ...known, bToA: hearing });
}

/** True when the endpoint is one side of a part that passes the signal on as it is, or upside down. */
function isPassing({ entry, endpoint }: SerialEnd): boolean {
  return routesOf(entry, endpoint).length > 0;
}

function routesOf({ part }: GraphItem, endpoint: UartEndpoint): { readonly other: string; readonly inverts: boolean }[] {
  return (part?.routes ?? []).flatMap((route) => {
    if (route.transform !== 'none' && route.transform !== 'invert') return [];
    const other = route.from === endpoint.id ? route.to : route.to === endpoint.id ? route.from : undefined;
    return other === undefined ? [] : [{ other, inverts: route.transform === 'invert' }];
  });
}

function hearingsFrom(graph: Graph, from: SerialEnd): Hearing[] {
  const found: Hearing[] = [];
  const seen = new Set<string>([`${from.item} ${from.endpoint.id}`]);
  const queue: { readonly at: SerialEnd; readonly inversions: number }[] = [{ at: from, inversions: 0 }];
  for (let next = queue.shift(); next !== undefined; next = queue.shift()) {
    for (const to of listenersOf(graph, next.at)) {
      const name = `${to.item} ${to.endpoint.id}`;
      if (seen.has(name)) continue;
      seen.add(name);
      if (!isPassing(to)) {
        found.push({ from, to, inversions: next.inversions });
        continue;
      }
      for (const { other, inverts } of routesOf(to.entry, to.endpoint)) {
        const endpoint = to.entry.part?.endpoints.find((candidate) => candidate.id === other);
        if (endpoint?.is !== 'uart' || seen.has(`${to.item} ${other}`)) continue;
        seen.add(`${to.item} ${other}`);
        queue.push({ at: { ...to, endpoint }, inversions: next.inversions + (inverts ? 1 : 0) });
      }
    }
  }
  return found;
}

/** Who is on the copper that an end talks on. On a single wire both sides talk and hear. */
function listenersOf(graph: Graph, { item, endpoint }: SerialEnd): SerialEnd[] {
  const node = endpoint.tx === undefined ? undefined : circuitNode(graph, item, endpoint.tx);
  if (node === undefined) return [];
  return pinsOf(graph, graph.wires, groupOf(graph.wires, node)).flatMap(({ at }): SerialEnd[] => {
    const entry = graph.items[at.item];
    if (entry === undefined || at.item === item) return [];
    const name = `${at.port.id}.${at.pin.n}`;
    return (entry.part?.endpoints ?? []).flatMap((other) =>
      other.is === 'uart' && hears(endpoint, other, name) ? [{ item: at.item, entry, endpoint: other }] : [],
    );
  });
}

function hears(talker: UartEndpoint, other: UartEndpoint, pin: string): boolean {
  if (other.rx === pin) return true;
  return other.tx === pin && (talker.duplex === 'single-wire' || other.duplex === 'single-wire');
}
