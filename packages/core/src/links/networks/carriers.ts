import type { Graph } from '../../graph/graph.ts';
import { turned, type Hop, type HopEnd } from '../chains/hop.ts';

/** What carries a network from item to item: cables, USB of a modem or an adapter, and bonds of radios that carry one. */
export interface Carriers {
  /** The hops that leave each item, each turned so that `a` is at that item. */
  readonly from: ReadonlyMap<number, readonly Hop[]>;
}

/** @param hops every hop over copper and through the air */
export function carriersOf(hops: readonly Hop[]): Carriers {
  const from = new Map<number, Hop[]>();
  for (const hop of hops) {
    const { a, b } = hop;
    if (b === undefined || !carriesNetwork(hop)) continue;
    for (const end of [a, b]) {
      const there = from.get(end.item);
      const own = turned(hop, end);
      if (there === undefined) from.set(end.item, [own]);
      else there.push(own);
    }
  }
  return { from };
}

function carriesNetwork({ medium, a, b }: Hop): boolean {
  if (b === undefined) return false;
  switch (medium) {
    case 'network':
      return true;
    // Of USB, the device says whether it is a network to its host.
    case 'usb':
      return isRoutedToNetwork(a) || isRoutedToNetwork(b);
    case 'air':
      return isRoutedToNetwork(a) && isRoutedToNetwork(b);
    default:
      return false;
  }
}

/** True where what comes in at an end goes out at a network of the same part. */
export function isRoutedToNetwork({ entry: { part }, signal }: HopEnd): boolean {
  return (part?.routes ?? []).some(({ from, to }) => {
    const other = from === signal.id ? to : to === signal.id ? from : undefined;
    const endpoint = part?.endpoints.find(({ id }) => id === other);
    return endpoint?.is === 'network' && !endpoint.roles.includes('program');
  });
}

/** The way of fewest hops from one item to another over a network; empty within an item, undefined where there is none. */
export function wayBetween({ from }: Carriers, start: number, goal: number): readonly Hop[] | undefined {
  if (start === goal) return [];
  const seen = new Set([start]);
  let layer: readonly { readonly item: number; readonly hops: readonly Hop[] }[] = [{ item: start, hops: [] }];
  while (layer.length > 0) {
    const next: { readonly item: number; readonly hops: readonly Hop[] }[] = [];
    for (const { item, hops } of layer) {
      for (const hop of from.get(item) ?? []) {
        const to = hop.b?.item;
        if (to === undefined || seen.has(to)) continue;
        if (to === goal) return [...hops, hop];
        seen.add(to);
        next.push({ item: to, hops: [...hops, hop] });
      }
    }
    layer = next;
  }
  return undefined;
}

/** The items that are in one network, by the least index among them; an item in no network is alone. */
export function networksOf(graph: Graph, { from }: Carriers): readonly number[] {
  const of = graph.items.map((_, item) => item);
  for (const start of of.keys()) {
    if (of[start] !== start) continue;
    const queue = [start];
    for (let item = queue.pop(); item !== undefined; item = queue.pop()) {
      for (const { b } of from.get(item) ?? []) {
        if (b === undefined || of[b.item] === start || b.item === start) continue;
        of[b.item] = start;
        queue.push(b.item);
      }
    }
  }
  return of;
}
