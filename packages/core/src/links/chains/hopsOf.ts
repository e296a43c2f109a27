import type { Graph } from '../../graph/graph.ts';
import { onceBuilt } from '../../graph/onceBuilt.ts';
import { carriersOf, type Carriers } from '../networks/carriers.ts';
import { socketHops } from '../networks/socketHops.ts';
import { socketPairsOf, type SocketPairs } from '../networks/socketPairs.ts';
import { serialHops, type SerialEnd } from '../serialHops.ts';
import { airHops } from './airHops.ts';
import { copperHops } from './copperHops.ts';
import { endKey, type Hop, type HopEnd } from './hop.ts';
import { serialFacets } from './serialFacets.ts';

/** Everything that is joined to something, by the key of its end. */
export interface HopMap {
  readonly hops: readonly Hop[];
  /** The hops at an end. */
  readonly at: ReadonlyMap<string, readonly Hop[]>;
  /** What carries a network from item to item, and the sockets that meet over it. */
  readonly carriers: Carriers;
  readonly sockets: SocketPairs;
}

/** Every hop of an aircraft: over serial wires, other copper, through the air, and of sockets over a network. */
export const hopsOf = onceBuilt((graph): HopMap => {
  const carrying = [...wireHops(graph), ...copperHops(graph), ...airHops(graph)];
  const carriers = carriersOf(carrying);
  const sockets = socketPairsOf(graph, carriers);
  const hops = [...carrying, ...socketHops(sockets.pairs)];
  const at = new Map<string, Hop[]>();
  for (const hop of hops) {
    for (const end of [hop.a, hop.b]) {
      if (end === undefined) continue;
      const key = endKey(end);
      const there = at.get(key);
      if (there === undefined) at.set(key, [hop]);
      else there.push(hop);
    }
  }
  return { hops, at, carriers, sockets };
});

function wireHops(graph: Graph): Hop[] {
  return serialHops(graph).map((hop) => ({ medium: 'serial', a: serialEnd(hop.a), b: serialEnd(hop.b), facets: serialFacets(graph, hop) }));
}

function serialEnd({ item, entry, endpoint }: SerialEnd): HopEnd {
  return { item, entry, signal: { is: 'endpoint', id: endpoint.id, endpoint } };
}
