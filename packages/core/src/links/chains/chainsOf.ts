import type { Graph, GraphItem } from '../../graph/graph.ts';
import { isJoined } from '../../graph/matesAt.ts';
import { onceBuilt } from '../../graph/onceBuilt.ts';
import type { WishId } from '../../model/ids.ts';
import type { PartKind } from '../../model/partKinds.ts';
import { linkKey, type Wish } from '../../model/linkWords.ts';
import { byNatural } from '../../model/naturalOrder.ts';
import { farSideOf } from './farSide.ts';
import { turned, type Facet, type Hop, type HopEnd } from './hop.ts';
import { hopsOf, type HopMap } from './hopsOf.ts';
import { LINK_KINDS, type LinkKind } from './linkKinds.ts';
import { radioSignal } from './airHops.ts';
import { findWay, withCarriers, type Way } from './ways.ts';

/** Where a chain stands. `begun` is false as long as nothing is joined to the item that it begins at. */
export type ChainState =
  | { readonly is: 'agrees' }
  /** The first hop at which the ends disagree. */
  | { readonly is: 'breaks'; readonly at: number; readonly facets: readonly Facet[] }
  /** Nothing disagrees, and an end of this hop is not set yet. */
  | { readonly is: 'open'; readonly at: number; readonly facets: readonly Facet[] }
  /** It gets through the air to an item that leads it no further. */
  | { readonly is: 'short'; readonly end: HopEnd }
  | { readonly is: 'not-joined'; readonly begun: boolean }
  /** A person does not want it. */
  | { readonly is: 'off' };

/** A link from end to end: what the pilot or the controller gets from an item, over every hop on the way. */
export interface Chain {
  /** The same for the same link, whatever else changes: that of the link, or of the wish. */
  readonly key: string;
  readonly kind: LinkKind;
  /** Index of the item that the link begins at. */
  readonly item: number;
  /** The wish that it fulfils, for a link that a person wants beyond those that exist by themselves. */
  readonly wish: WishId | undefined;
  /** From the far end in the air to the controller, of a picture from the camera to the far end; each hop is turned so that `a` comes first on the way. */
  readonly hops: readonly Hop[];
  readonly state: ChainState;
}

/** Every link that exists by itself with its chain, by kind and then in natural order of the items that they begin at; then the wishes. */
export const chainsOf = onceBuilt((graph): readonly Chain[] => {
  const map = hopsOf(graph);
  const byThemselves = LINK_KINDS.flatMap((kind) => {
    const goals = goalsOf(graph, kind);
    return graph.items.flatMap((entry, item) => chainOf(graph, map, kind, goals, entry, item));
  });
  const wished = Object.values(graph.design.aircraft.wishes).flatMap((wish) => wishedChain(graph, map, wish));
  return [...byThemselves, ...wished.sort(byNatural(({ item, kind }) => `${graph.items[item]?.item.ref ?? ''} ${kind.id}`))];
});

function chainOf(graph: Graph, map: HopMap, kind: LinkKind, goals: readonly number[], entry: GraphItem, item: number): Chain[] {
  const { part } = entry;
  if (part === undefined || entry.item.where !== 'aircraft' || !goals.some((goal) => goal !== item)) return [];
  const starts = kind.starts(part).map((endpoint): HopEnd => ({ item, entry, signal: { is: 'endpoint', id: endpoint.id, endpoint } }));
  if (starts.length === 0) return [];
  const shared = { key: linkKey(kind.id, entry.item.id), kind, item, wish: undefined };
  if (graph.design.aircraft.links[shared.key]?.off === true) return [{ ...shared, hops: [], state: { is: 'off' } }];
  const way = wayInAircraft(map, kind, starts, item);
  if (way === undefined) return [{ ...shared, hops: [], state: { is: 'not-joined', begun: isJoined(graph, item) } }];
  const far = farSideOf(map, kind, item, way);
  // In the order of what is told: a picture leaves the aircraft, everything else is seen from the far end.
  const hops = withCarriers(map, kind.airIs === 'at-start' ? [...backwards(far.hops), ...way.hops] : [...way.hops, ...far.hops]);
  return [{ ...shared, hops, state: stateOf(hops, far.endsAt) }];
}

/** What a link could reach: it is wanted only where there is something. */
function goalsOf(graph: Graph, kind: LinkKind): readonly number[] {
  return graph.items.flatMap(({ part, item }, ix) =>
    item.where === 'aircraft' && part !== undefined && kind.goals.includes(part.kind) ? [ix] : [],
  );
}

/** The way to the first kind of goal that can be reached, over what is wired in the aircraft. */
function wayInAircraft(map: HopMap, kind: LinkKind, starts: readonly HopEnd[], item: number): Way | undefined {
  const to = (goal: PartKind): Way | undefined =>
    findWay(map, starts, {
      isGoal: ({ entry }) => entry.part?.kind === goal && entry.item.where === 'aircraft',
      media: (medium) => medium !== 'air' && medium !== 'socket',
      notBackTo: item,
    });
  for (const goal of kind.goals) {
    const way = to(goal);
    if (way !== undefined) return way;
  }
  return undefined;
}

/** A link that a person wants, over whatever leads there. */
function wishedChain(graph: Graph, map: HopMap, wish: Wish): Chain[] {
  const [item, goal] = [graph.itemIx.get(wish.from), graph.itemIx.get(wish.to)];
  const entry = item === undefined ? undefined : graph.items[item];
  const kind = LINK_KINDS.find(({ id }) => id === wish.kind);
  if (item === undefined || entry === undefined || goal === undefined || kind === undefined) return [];
  const signals = [
    ...(entry.part?.endpoints ?? []).map((endpoint) => ({ is: 'endpoint', id: endpoint.id, endpoint }) as const),
    ...(entry.part?.radios ?? []).map(radioSignal),
  ];
  const way = findWay(
    map,
    signals.map((signal) => ({ item, entry, signal })),
    { isGoal: (end) => end.item === goal, media: () => true, notBackTo: item },
  );
  const shared = { key: `wish.${wish.id}`, kind, item, wish: wish.id };
  if (way === undefined) return [{ ...shared, hops: [], state: { is: 'not-joined', begun: isJoined(graph, item) } }];
  const hops = withCarriers(map, way.hops);
  return [{ ...shared, hops, state: stateOf(hops, undefined) }];
}

function backwards(hops: readonly Hop[]): readonly Hop[] {
  return [...hops].reverse().map((hop) => (hop.b === undefined ? hop : turned(hop, hop.b)));
}

function stateOf(hops: readonly Hop[], endsAt: HopEnd | undefined): ChainState {
  const firstWith = (suits: (facet: Facet) => boolean): { readonly at: number; readonly facets: readonly Facet[] } | undefined => {
    const at = hops.findIndex(({ facets }) => facets.some(suits));
    return at < 0 ? undefined : { at, facets: (hops[at]?.facets ?? []).filter(suits) };
  };
  const broken = firstWith(({ verdict }) => verdict === 'differ');
  if (broken !== undefined) return { is: 'breaks', ...broken };
  const open = firstWith(
    ({ verdict, a, b }) => verdict === 'unknown' && [a, b].some(({ source, setting }) => source === 'not set' && setting !== undefined),
  );
  if (open !== undefined) return { is: 'open', ...open };
  return endsAt === undefined ? { is: 'agrees' } : { is: 'short', end: endsAt };
}
