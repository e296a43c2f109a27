import { grouped } from '../../text/grouped.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { asId, type SocketId } from '../../model/ids.ts';
import { isBroadcast, LOOPBACK } from '../../model/ipv4.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import type { Endpoint } from '../../model/part.ts';
import type { Socket } from '../../model/socket.ts';
import { addressesOf, isOneSubnet, type OwnAddress } from './addresses.ts';
import { networksOf, type Carriers } from './carriers.ts';

/** A socket of an item, with the endpoint whose bytes it carries and the addresses that the item has. */
export interface SocketEnd {
  readonly item: number;
  readonly entry: GraphItem;
  readonly id: SocketId;
  readonly socket: Socket;
  readonly endpoint: Endpoint;
  readonly addresses: readonly OwnAddress[];
}

/** A socket that sends, the one that it is meant for, and whether the two point at each other. */
export interface SocketPair {
  readonly from: SocketEnd;
  readonly to: SocketEnd;
  readonly match: Match;
}

/** What of two sockets fits; undefined for what is not known yet. */
export interface Match {
  readonly transport: boolean;
  /** That the address that one sends to is the other's. */
  readonly address: boolean | undefined;
  readonly port: boolean;
  /** The same the other way, where the other end sends to a fixed place too. */
  readonly addressBack: boolean | undefined;
  readonly portBack: boolean;
  readonly subnet: boolean | undefined;
}

/** The sockets of an aircraft, joined in pairs. */
export interface SocketPairs {
  readonly sockets: readonly SocketEnd[];
  readonly pairs: readonly SocketPair[];
  /** Sockets that send to where nobody could be meant. */
  readonly astray: readonly SocketEnd[];
}

/** Every socket of every item, in natural order of the items and then of what the sockets say. */
function socketsOf(graph: Graph): SocketEnd[] {
  return graph.items.flatMap((entry, item) => {
    const addresses = addressesOf(entry, graph.design.parts.get(entry.item.part));
    return Object.entries(entry.item.sockets ?? {})
      .flatMap(([id, socket]): SocketEnd[] => {
        const endpoint = entry.part?.endpoints.find((candidate) => candidate.id === socket.endpoint);
        return endpoint === undefined ? [] : [{ item, entry, id: asId<SocketId>(id), socket, endpoint, addresses }];
      })
      .sort((a, b) => naturalOrder(orderOf(a), orderOf(b)));
  });
}

function orderOf({ socket: { endpoint, transport, role, localPort, remote } }: SocketEnd): string {
  return [endpoint, transport, role, localPort ?? 0, remote?.address ?? '', remote?.port ?? 0].join(' ');
}

/**
 * Joins each socket that sends with the one that it reaches. Where it reaches none, with the one that it is most likely meant for: of
 * those in its network that nobody reaches, the one that fits best.
 */
export function socketPairsOf(graph: Graph, carriers: Carriers): SocketPairs {
  const sockets = socketsOf(graph);
  const networks = networksOf(graph, carriers);
  const senders = sockets.filter(({ socket }) => socket.remote !== undefined);
  const listeners = sockets.filter(({ socket }) => socket.role !== 'client' && socket.localPort !== undefined);
  const byPort = grouped(listeners, ({ item, socket }) => `${networks[item] ?? item} ${socket.localPort ?? ''}`);
  const pairs: SocketPair[] = [];
  const reached = new Set<SocketEnd>();
  const settled = new Set<SocketEnd>();
  const join = (from: SocketEnd, to: SocketEnd, match: Match): void => {
    pairs.push({ from, to, match });
    settled.add(from);
    reached.add(to);
    // Of two peers, one pair tells both ways.
    if (to.socket.role === 'peer' && from.socket.role === 'peer') {
      settled.add(to);
      reached.add(from);
    }
  };
  // 1. What points at each other.
  for (const from of senders) {
    if (settled.has(from)) continue;
    const network = networks[from.item] ?? from.item;
    const to = (byPort.get(`${network} ${from.socket.remote?.port ?? ''}`) ?? []).find(
      (other) => other !== from && isRight(matchOf(from, other)),
    );
    if (to !== undefined) join(from, to, matchOf(from, to));
  }
  // 2. What is left: the best of those that nobody reaches.
  const unreached = listeners.filter((one) => !reached.has(one));
  const byNetwork = grouped(unreached, ({ item }) => `${networks[item] ?? item}`);
  const free = new Map([...byNetwork].map(([network, ends]) => [network, new Set(ends)]));
  const astray: SocketEnd[] = [];
  for (const from of senders) {
    if (settled.has(from)) continue;
    const there = free.get(`${networks[from.item] ?? from.item}`) ?? new Set<SocketEnd>();
    const best = bestFor(from, there);
    if (best === undefined) astray.push(from);
    else {
      join(from, best.to, best.match);
      there.delete(best.to);
      there.delete(from);
    }
  }
  return { sockets, pairs, astray };
}

/** The listener that a socket fits best, of the first that nobody reaches. */
function bestFor(from: SocketEnd, free: ReadonlySet<SocketEnd>): Pick<SocketPair, 'to' | 'match'> | undefined {
  let best: Pick<SocketPair, 'to' | 'match'> | undefined;
  let looked = 0;
  for (const to of free) {
    if (to === from) continue;
    if (++looked > MOST_LOOKED_AT) break;
    const match = matchOf(from, to);
    if (best === undefined || fitOf(match) > fitOf(best.match)) best = { to, match };
  }
  return best;
}

/** Of so many free listeners the best is told; a guess is no better among thousands. */
const MOST_LOOKED_AT = 100;

/** True where nothing that is known parts the two. */
export function isRight(match: Match): boolean {
  return Object.values(match).every((fits) => fits !== false);
}

function fitOf(match: Match): number {
  return Object.values(match).filter((fits) => fits === true).length;
}

export function matchOf(from: SocketEnd, to: SocketEnd): Match {
  const back = to.socket.role === 'peer' && from.socket.role === 'peer';
  return {
    transport: from.socket.transport === to.socket.transport,
    address: pointsAt(from, to),
    port: from.socket.remote?.port === to.socket.localPort,
    addressBack: back ? pointsAt(to, from) : undefined,
    portBack: !back || to.socket.remote?.port === from.socket.localPort,
    subnet: from.item === to.item ? undefined : inOneSubnet(from, to),
  };
}

/** True where the address that a socket sends to is one of the other item's; undefined where that has none yet. */
function pointsAt(from: SocketEnd, to: SocketEnd): boolean | undefined {
  const { remote, transport } = from.socket;
  if (remote === undefined) return undefined;
  if (remote.address === LOOPBACK) return from.item === to.item;
  const isToAll = (own: OwnAddress): boolean => own.address !== undefined && isBroadcast(remote.address, own.address, own.prefix);
  if (transport === 'udp' && from.addresses.some(isToAll)) return true;
  if (to.addresses.some(({ address }) => address === remote.address)) return true;
  return to.addresses.some(({ address }) => address !== undefined) ? false : undefined;
}

/** True where some address of one lies in the subnet of some address of the other; undefined where that is not known. */
function inOneSubnet(from: SocketEnd, to: SocketEnd): boolean | undefined {
  const verdicts = from.addresses.flatMap((a) => to.addresses.map((b) => isOneSubnet(a, b)));
  if (verdicts.includes(true)) return true;
  return verdicts.length === 0 || verdicts.includes(undefined) ? undefined : false;
}

/** Sockets of one item that listen on one port by one transport: only one of them gets what arrives. */
export function sharedPorts(sockets: readonly SocketEnd[]): readonly (readonly SocketEnd[])[] {
  const listening = sockets.filter(({ socket }) => socket.localPort !== undefined);
  const groups = grouped(listening, ({ item, socket }) => `${item} ${socket.transport} ${socket.localPort ?? ''}`);
  return [...groups.values()].filter((group) => group.length > 1);
}
