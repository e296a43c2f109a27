import type { ItemId } from '../model/ids.ts';
import type { Mate } from '../model/mate.ts';
import type { Graph } from './graph.ts';
import { cablesAtPort } from './cableJoins.ts';

const cache = new WeakMap<Graph, ReadonlyMap<ItemId, readonly Mate[]>>();

/** The mates of an item: what it is put on, and what is put on it. */
export function matesOf(graph: Graph, item: ItemId): readonly Mate[] {
  const known = cache.get(graph) ?? byItem(graph);
  cache.set(graph, known);
  return known.get(item) ?? [];
}

/** The mates of one port of an item. A row of pins can have several. */
export function matesAtPort(graph: Graph, item: ItemId, port: string): readonly Mate[] {
  return matesOf(graph, item).filter(({ a, b }) => [a, b].some((place) => place.item === item && place.port === port));
}

/** True for an item that a cable is at, or that mates with another. */
export function isJoined(graph: Graph, itemIx: number): boolean {
  const id = graph.items[itemIx]?.item.id;
  return (graph.cablesAtItem[itemIx] ?? []).length > 0 || (id !== undefined && matesOf(graph, id).length > 0);
}

/** True for a port that a cable is at, or that mates with another. */
export function isPortJoined(graph: Graph, item: ItemId, port: string): boolean {
  return cablesAtPort(graph, item, port).length > 0 || matesAtPort(graph, item, port).length > 0;
}

function byItem({ design }: Graph): ReadonlyMap<ItemId, readonly Mate[]> {
  const found = new Map<ItemId, readonly Mate[]>();
  for (const mate of Object.values(design.aircraft.mates))
    for (const { item } of [mate.a, mate.b]) found.set(item, [...(found.get(item) ?? []), mate]);
  return found;
}
