import { agrees, endKey, farEnd, turned, type Hop, type HopEnd, type Medium, type Signal } from './hop.ts';
import { radioSignal } from './airHops.ts';
import type { RadioTraits } from '../../model/radio.ts';
import { carriesSockets } from '../../model/socketEndpoints.ts';
import { wayBetween } from '../networks/carriers.ts';
import type { HopMap } from './hopsOf.ts';

/** A way over hops, each turned so that `a` comes first on it. */
export interface Way {
  /** The end that it leaves from, of those that it could. */
  readonly start: HopEnd;
  readonly end: HopEnd;
  readonly hops: readonly Hop[];
}

/** What a search looks for, and where it may go. */
export interface Search {
  readonly isGoal: (end: HopEnd) => boolean;
  /** Over what it may go. */
  readonly media: (medium: Medium, isFirst: boolean) => boolean;
  /** An item that it does not come back to. */
  readonly notBackTo?: number;
}

/** The way of fewest hops from some ends to what is looked for; among those, one on which the ends agree. */
export function findWay(map: HopMap, starts: readonly HopEnd[], { isGoal, media, notBackTo }: Search): Way | undefined {
  const seen = new Set(starts.map(endKey));
  let layer: readonly Way[] = starts.map((end) => ({ start: end, end, hops: [] }));
  while (layer.length > 0) {
    const next: Way[] = [];
    const arrived: Way[] = [];
    for (const way of layer) {
      for (const hop of leaving(map, way)) {
        // 1. Over the hop, where the search may go that way and has not been there.
        const to = media(hop.medium, way.hops.length === 0) ? farEnd(hop, endKey(way.end)) : undefined;
        if (to === undefined || to.item === notBackTo || seen.has(endKey(to))) continue;
        seen.add(endKey(to));
        const there = { ...way, end: to, hops: [...way.hops, turned(hop, way.end)] };
        if (isGoal(to)) {
          arrived.push(there);
          continue;
        }
        // 2. Through the part that it arrives at.
        if (isCarried(to)) next.push(there);
        for (const signal of passedOn(to)) {
          const end: HopEnd = { ...to, signal };
          if (seen.has(endKey(end))) continue;
          seen.add(endKey(end));
          (isGoal(end) ? arrived : next).push({ ...there, end });
        }
      }
    }
    const best = arrived.find(({ hops }) => hops.every(agrees)) ?? arrived[0];
    if (best !== undefined) return best;
    layer = next;
  }
  return undefined;
}

/** The hops by which a way can go on. What came to a serial port from its wire goes on by its sockets, and the other way round. */
export function leaving(map: HopMap, { end, hops }: Pick<Way, 'end' | 'hops'>): readonly Hop[] {
  const all = map.at.get(endKey(end)) ?? [];
  const last = hops.at(-1);
  if (last?.b === undefined || endKey(last.b) !== endKey(end)) return all;
  return all.filter(({ medium }) => (medium === 'socket') !== (last.medium === 'socket'));
}

/** True for a serial port whose bytes sockets carry over a network. */
export function isCarried({ entry: { part }, signal }: HopEnd): boolean {
  return signal.is === 'endpoint' && signal.endpoint.is === 'uart' && part !== undefined && carriesSockets(part, signal.id);
}

/** Where a part passes on what comes in at a signal: a bridge, an encoder, a radio; a router in it leads on to all that is routed to it. */
export function passedOn({ entry: { part }, signal }: HopEnd): readonly Signal[] {
  const found = new Map<string, Signal>();
  const queue = [signal.id];
  for (let from = queue.shift(); from !== undefined; from = queue.shift()) {
    for (const route of part?.routes ?? []) {
      const other = route.from === from ? route.to : route.to === from ? route.from : undefined;
      if (other === undefined || other === signal.id || found.has(other)) continue;
      const radio = part?.radios?.find(({ id }) => id === other);
      const endpoint = part?.endpoints.find(({ id }) => id === other);
      if (radio !== undefined) found.set(other, radioSignal(radio));
      else if (endpoint !== undefined) found.set(other, { is: 'endpoint', id: other, endpoint });
      if (endpoint?.is === 'network' && endpoint.roles.includes('router')) queue.push(other);
    }
  }
  return [...found.values()];
}

/** The radios by which a part sends what comes in at an end; also those that carry the network that it goes into. */
export function radiosBehind({ entry: { part }, signal }: HopEnd): readonly RadioTraits[] {
  const behind = (from: string): readonly string[] =>
    (part?.routes ?? []).flatMap((route) => (route.from === from ? [route.to] : route.to === from ? [route.from] : []));
  const near = behind(signal.id);
  const networks = near.filter((id) => part?.endpoints.find((endpoint) => endpoint.id === id)?.is === 'network');
  const ids = new Set([...near, ...networks.flatMap(behind)]);
  return (part?.radios ?? []).filter(({ id }) => ids.has(id));
}

/** A way with what carries each of its sockets put before it: cables and bonds of the network that it goes over, each once. */
export function withCarriers(map: HopMap, hops: readonly Hop[]): readonly Hop[] {
  const named = new Set(hops.map(hopKey));
  return hops.flatMap((hop) => {
    if (hop.medium !== 'socket' || hop.b === undefined) return [hop];
    const way = (wayBetween(map.carriers, hop.a.item, hop.b.item) ?? []).filter((carrier) => !named.has(hopKey(carrier)));
    for (const carrier of way) named.add(hopKey(carrier));
    return [...way, hop];
  });
}

/** A name for a hop, whichever way round. */
function hopKey({ a, b }: Hop): string {
  return [a, ...(b === undefined ? [] : [b])].map(endKey).sort().join(' ');
}
