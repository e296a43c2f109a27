import type { Graph, GraphItem } from '../../graph/graph.ts';
import { isJoined } from '../../graph/matesAt.ts';
import type { Endpoint } from '../../model/part.ts';
import { listed } from '../../text/lists.ts';
import { agrees, endKey, hopEndName, MEDIA, type Facet, type Hop, type HopEnd, type Signal } from './hop.ts';
import { farEnd, hopsOf, radioSignal, type HopMap } from './hopsOf.ts';
import { LINK_KINDS, type LinkKind } from './linkKinds.ts';

/** Where a chain stands. `begun` is false as long as nothing is joined to the item that it begins at. */
export type ChainState =
  | { readonly is: 'agrees' }
  /** The first hop at which the ends disagree. */
  | { readonly is: 'breaks'; readonly at: number; readonly facets: readonly Facet[] }
  /** Nothing disagrees, and an end of this hop is not set yet. */
  | { readonly is: 'open'; readonly at: number; readonly facets: readonly Facet[] }
  | { readonly is: 'not-joined'; readonly begun: boolean };

/** A link from end to end: what the pilot or the controller gets from an item, over every hop on the way. */
export interface Chain {
  /** The same for the same link, whatever else changes: the kind and the item that it begins at. */
  readonly key: string;
  readonly kind: LinkKind;
  /** Index of the item that the link begins at. */
  readonly item: number;
  /** From the far end in the air to the controller; each hop is turned so that `a` comes first on the way. */
  readonly hops: readonly Hop[];
  readonly state: ChainState;
}

const cache = new WeakMap<Graph, readonly Chain[]>();

/** Every link that exists by itself, with its chain, by kind and then in natural order of the items that they begin at. */
export function chainsOf(graph: Graph): readonly Chain[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const map = hopsOf(graph);
  const chains = LINK_KINDS.flatMap((kind) => {
    const goals = goalsOf(graph, kind);
    return graph.items.flatMap((entry, item) => chainOf(graph, map, kind, goals, entry, item));
  });
  cache.set(graph, chains);
  return chains;
}

function chainOf(graph: Graph, map: HopMap, kind: LinkKind, goals: readonly number[], entry: GraphItem, item: number): Chain[] {
  const { part } = entry;
  if (part === undefined || entry.item.where !== 'aircraft' || !goals.some((goal) => goal !== item)) return [];
  const starts = kind.starts(part);
  if (starts.length === 0) return [];
  const wired = wayFrom(map, kind, entry, item, starts);
  const hops = wired === undefined ? [] : [...throughAir(map, entry, item, wired.start), ...wired.hops];
  const key = `${kind.id} ${entry.item.id}`;
  return [{ key, kind, item, hops, state: wired === undefined ? { is: 'not-joined', begun: isJoined(graph, item) } : stateOf(hops) }];
}

/** What a link could reach: it is wanted only where there is something. */
function goalsOf(graph: Graph, kind: LinkKind): readonly number[] {
  return graph.items.flatMap(({ part, item }, ix) =>
    item.where === 'aircraft' && part !== undefined && kind.goals.includes(part.kind) ? [ix] : [],
  );
}

function stateOf(hops: readonly Hop[]): ChainState {
  const firstWith = (suits: (facet: Facet) => boolean): { readonly at: number; readonly facets: readonly Facet[] } | undefined => {
    const at = hops.findIndex(({ facets }) => facets.some(suits));
    return at < 0 ? undefined : { at, facets: (hops[at]?.facets ?? []).filter(suits) };
  };
  const broken = firstWith(({ verdict }) => verdict === 'differ');
  if (broken !== undefined) return { is: 'breaks', ...broken };
  const open = firstWith(
    ({ verdict, a, b }) => verdict === 'unknown' && [a, b].some(({ source, setting }) => source === 'not set' && setting !== undefined),
  );
  return open === undefined ? { is: 'agrees' } : { is: 'open', ...open };
}

interface Step {
  readonly end: HopEnd;
  readonly hops: readonly Hop[];
  readonly start: Endpoint;
}

/** The way of fewest hops from an item to what its link has to reach; among those, the one on which the ends agree. */
function wayFrom(map: HopMap, kind: LinkKind, entry: GraphItem, item: number, starts: readonly Endpoint[]): Step | undefined {
  const first = starts.map((endpoint): Step => ({
    end: { item, entry, signal: { is: 'endpoint', id: endpoint.id, endpoint } },
    hops: [],
    start: endpoint,
  }));
  const seen = new Set(first.map(({ end }) => endKey(end)));
  let layer: readonly Step[] = first;
  while (layer.length > 0) {
    const next: Step[] = [];
    const arrived: Step[] = [];
    for (const step of layer) {
      for (const hop of map.at.get(endKey(step.end)) ?? []) {
        const to = hop.medium === 'air' ? undefined : farEnd(hop, endKey(step.end));
        if (to === undefined || to.item === item || seen.has(endKey(to))) continue;
        const hops = [...step.hops, turned(hop, step.end)];
        if (to.entry.part !== undefined && kind.goals.includes(to.entry.part.kind)) {
          arrived.push({ ...step, end: to, hops });
          continue;
        }
        seen.add(endKey(to));
        for (const signal of passedOnBy(to)) {
          const end: HopEnd = { ...to, signal };
          if (seen.has(endKey(end))) continue;
          seen.add(endKey(end));
          next.push({ ...step, end, hops });
        }
      }
    }
    const best = arrived.find(({ hops }) => hops.every(agrees)) ?? arrived[0];
    if (best !== undefined) return best;
    layer = next;
  }
  return undefined;
}

/** The hop as it is seen from an end. */
function turned(hop: Hop, from: HopEnd): Hop {
  if (hop.b === undefined || endKey(hop.a) === endKey(from)) return hop;
  return { ...hop, a: hop.b, b: hop.a, facets: hop.facets.map((facet) => ({ ...facet, a: facet.b, b: facet.a })) };
}

/** Where a part passes on what comes in at a signal: a bridge, an encoder, a radio. */
function passedOnBy({ entry: { part }, signal }: HopEnd): readonly Signal[] {
  return (part?.routes ?? []).flatMap((route): Signal[] => {
    const other = route.from === signal.id ? route.to : route.to === signal.id ? route.from : undefined;
    const endpoint = part?.endpoints.find(({ id }) => id === other);
    const radio = part?.radios?.find(({ id }) => id === other);
    if (radio !== undefined) return [radioSignal(radio)];
    return endpoint === undefined ? [] : [{ is: 'endpoint', id: endpoint.id, endpoint }];
  });
}

/** The hop through the air behind the endpoint that a link begins at. */
function throughAir(map: HopMap, entry: GraphItem, item: number, start: Endpoint): readonly Hop[] {
  const signals = passedOnBy({ item, entry, signal: { is: 'endpoint', id: start.id, endpoint: start } });
  const hops = signals.flatMap((signal) => map.at.get(endKey({ item, signal })) ?? []);
  return hops.filter(({ medium }) => medium === 'air').slice(0, 1);
}

/** A chain in a sentence: what is wrong first. */
export function chainWords(graph: Graph, { state, hops, item, kind }: Chain): string {
  const name = graph.items[item]?.item.ref ?? '?';
  switch (state.is) {
    case 'agrees':
      return `${name} ${kind.title}: every hop agrees.`;
    case 'not-joined':
      return state.begun ? `${name} is wired, and its ${kind.title} reaches nothing.` : `${name} is not wired yet.`;
    case 'open': {
      const hop = hops[state.at];
      const unset = hop === undefined ? [] : openEnds(hop, state.facets);
      return `${listed(unset)} ${unset.length === 1 ? 'is' : 'are'} not set yet: ${state.facets.map(({ id }) => id).join(', ')}.`;
    }
    case 'breaks': {
      const hop = hops[state.at];
      const ends = hop?.b === undefined ? '' : ` between ${hopEndName(hop.a)} and ${hopEndName(hop.b)}`;
      return `Breaks at the ${hop === undefined ? 'hop' : MEDIA[hop.medium]}${ends}: ${state.facets.map(facetWords).join('; ')}.`;
    }
  }
}

function facetWords({ title, a, b }: Facet): string {
  return `${title}: ${a.value ?? 'not set'} against ${b.value ?? 'not set'}`;
}

/** The ends of a hop at which one of the facets is not set. */
function openEnds({ a, b }: Hop, facets: readonly Facet[]): string[] {
  return [
    ...(facets.some((facet) => facet.a.source === 'not set') ? [hopEndName(a)] : []),
    ...(b !== undefined && facets.some((facet) => facet.b.source === 'not set') ? [hopEndName(b)] : []),
  ];
}
