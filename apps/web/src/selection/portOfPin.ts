import { portIn, type Graph, type PinAddress, type PortAt } from '@wired-falcon/core';

/** The port that a pin belongs to, or undefined when it is gone. */
export function portOfPin(graph: Graph, pin: Pick<PinAddress, 'item' | 'port'>): PortAt | undefined {
  return portIn(graph, graph.itemIx.get(pin.item) ?? -1, pin.port);
}
