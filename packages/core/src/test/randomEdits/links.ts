import type { SimpleEdit } from '../../edits/registry.ts';
import type { Design } from '../../model/design.ts';
import { asId, type BondId, type SocketId, type WishId } from '../../model/ids.ts';
import { linkKindIds, STREAM_IDS } from '../../model/linkIds.ts';
import { LINK_FLAGS, linkKey } from '../../model/linkWords.ts';
import type { Socket } from '../../model/socket.ts';
import { socketEndpoints } from '../../model/socketEndpoints.ts';
import { pick, type Draw } from './draw.ts';

/** Bonds two radios, also one with itself, or parts two. */
export function bond({ aircraft, parts }: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const there = pick(Object.values(aircraft.bonds), x);
  if (z % 3 === 0 && there !== undefined) return { kind: 'remove-bond', bond: there.id };
  const radios = Object.values(aircraft.items).flatMap(({ id, part }) =>
    (parts.get(part)?.radios ?? []).map((radio) => ({ item: id, radio: radio.id })),
  );
  const [a, b] = [pick(radios, x), pick(radios, y)];
  return a === undefined || b === undefined ? undefined : { kind: 'add-bond', bond: { id: asId<BondId>('?1'), a, b } };
}

/** Gives an item a socket, some of them impossible, changes one, or takes one away. */
export function socket({ aircraft, parts }: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const able = Object.values(aircraft.items).flatMap((item) => {
    const part = parts.get(item.part);
    const endpoints = part === undefined ? [] : socketEndpoints(part);
    return endpoints.map((endpoint) => ({ item, endpoint }));
  });
  const place = pick(able, x);
  if (place === undefined) return undefined;
  const sockets = Object.entries(place.item.sockets ?? {});
  const [key, was = null] = (z % 2 === 0 ? pick(sockets, y) : undefined) ?? [asId<SocketId>('?1')];
  const wanted: Socket = {
    endpoint: place.endpoint,
    transport: z % 4 === 0 ? 'tcp' : 'udp',
    role: pick(['client', 'server', 'peer'] as const, y) ?? 'client',
    ...(y % 3 === 0 ? {} : { localPort: 14_550 + (z % 5) }),
    ...(y % 3 === 1 ? {} : { remote: { address: `10.77.0.${z % 260}`, port: 14_550 + (x % 5) } }),
  };
  const isGone = was !== null && z % 3 === 0;
  return { kind: 'set-socket', item: place.item.id, id: asId<SocketId>(key), socket: isGone ? null : wanted, was: isStale ? wanted : was };
}

/** Says something about a link that exists by itself. */
export function linkWords({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const item = pick(Object.values(aircraft.items), x);
  const kind = pick(linkKindIds, y);
  if (item === undefined || kind === undefined) return undefined;
  const link = linkKey(kind, item.id);
  const now = aircraft.links[link];
  if (z % 2 === 0) {
    const flag = pick(LINK_FLAGS, x + y) ?? 'off';
    const isOn = now?.[flag] === true;
    return { kind: 'set-link-flag', link, flag, on: !isOn, was: isStale ? !isOn : isOn };
  }
  if (z % 5 === 1) {
    const wanted = pick(Object.values(aircraft.items), y);
    const before = now?.port ?? null;
    const port = wanted === undefined || z % 3 === 0 ? null : { item: wanted.id, endpoint: `S${z % 4}` };
    return { kind: 'set-link-port', link, port, was: isStale ? { item: item.id, endpoint: 'stale' } : before };
  }
  const stream = pick(STREAM_IDS, z) ?? 'heartbeat';
  const was = now?.streams?.[stream] ?? null;
  return { kind: 'set-stream', link, stream, hz: z % 3 === 0 ? null : z % 50, was: isStale ? 999 : was };
}

/** Wants a link between two items, or no longer. */
export function wish({ aircraft }: Design, { x, y, z }: Draw): SimpleEdit | undefined {
  const there = pick(Object.values(aircraft.wishes), x);
  if (z % 2 === 0 && there !== undefined) return { kind: 'remove-wish', wish: there.id };
  const [from, to] = [pick(Object.values(aircraft.items), x), pick(Object.values(aircraft.items), y)];
  if (from === undefined || to === undefined) return undefined;
  return { kind: 'add-wish', wish: { id: asId<WishId>('?1'), kind: pick(linkKindIds, z) ?? 'rc', from: from.id, to: to.id } };
}
