import type { Graph, PinAddress, PortAt } from '@wired-falcon/core';

/** The port that a pin belongs to, or undefined when it is gone. */
export function portOfPin(graph: Graph, pin: Pick<PinAddress, 'item' | 'port'>): PortAt | undefined {
  const item = graph.itemIx.get(pin.item);
  const entry = graph.items[item ?? -1];
  const port = entry?.part?.ports.find((candidate) => candidate.id === pin.port);
  if (item === undefined || entry === undefined || port === undefined) return undefined;
  return { item, itemId: pin.item, ref: entry.item.ref, port };
}
