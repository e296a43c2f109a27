import type { Graph } from '../../graph/graph.ts';
import type { RadioTraits } from '../../model/radio.ts';
import { serialHops, type SerialEnd } from '../serialHops.ts';
import { copperHops } from './copperHops.ts';
import { endKey, type Hop, type HopEnd, type Signal } from './hop.ts';
import { serialFacets } from './serialFacets.ts';

/** Everything that is joined to something, by the key of its end. */
export interface HopMap {
  readonly hops: readonly Hop[];
  /** The hops at an end. */
  readonly at: ReadonlyMap<string, readonly Hop[]>;
}

const cache = new WeakMap<Graph, HopMap>();

/** Every hop of an aircraft: over serial wires, other copper, and through the air to what a part states on the other side. */
export function hopsOf(graph: Graph): HopMap {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const hops = [...wireHops(graph), ...copperHops(graph), ...airHops(graph)];
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
  const map = { hops, at };
  cache.set(graph, map);
  return map;
}

function wireHops(graph: Graph): Hop[] {
  return serialHops(graph).map((hop) => ({ medium: 'serial', a: serialEnd(hop.a), b: serialEnd(hop.b), facets: serialFacets(graph, hop) }));
}

function serialEnd({ item, entry, endpoint }: SerialEnd): HopEnd {
  return { item, entry, signal: { is: 'endpoint', id: endpoint.id, endpoint } };
}

/** The radios of what flies whose other end is on the ground, as their parts state it. */
function airHops(graph: Graph): Hop[] {
  return graph.items.flatMap((entry, item): Hop[] =>
    entry.item.where !== 'aircraft'
      ? []
      : (entry.part?.radios ?? [])
          .filter(({ otherEnd, diversityOf }) => otherEnd !== undefined && diversityOf === undefined)
          .map((radio) => ({ medium: 'air', a: { item, entry, signal: radioSignal(radio) }, b: undefined, facets: [] })),
  );
}

export function radioSignal(radio: RadioTraits): Signal {
  return { is: 'radio', id: radio.id, radio };
}

/** The far end of a hop; undefined for one whose far end is no item. */
export function farEnd(hop: Hop, from: string): HopEnd | undefined {
  return endKey(hop.a) === from ? hop.b : hop.a;
}
