import type { Facet, FacetSide, Hop, HopEnd } from '../chains/hop.ts';
import { TRANSPORTS } from '../../model/socket.ts';
import { addressWords } from './addresses.ts';
import type { SocketEnd, SocketPair } from './socketPairs.ts';

/** Hops of the bytes that sockets carry, whatever network they go over. */
export function socketHops(pairs: readonly SocketPair[]): readonly Hop[] {
  return pairs.map((pair) => ({ medium: 'socket', a: hopEnd(pair.from), b: hopEnd(pair.to), facets: socketFacets(pair) }));
}

function hopEnd({ item, entry, endpoint }: SocketEnd): HopEnd {
  return { item, entry, signal: { is: 'endpoint', id: endpoint.id, endpoint } };
}

function socketFacets({ from, to, match }: SocketPair): readonly Facet[] {
  return [
    { id: 'transport', title: 'transport', a: transportSide(from), b: transportSide(to), verdict: verdict(match.transport) },
    ...pointing(from, to, match.address, match.port, false),
    ...(to.socket.remote === undefined || match.addressBack === undefined
      ? []
      : pointing(to, from, match.addressBack, match.portBack, true)),
    ...(match.subnet === undefined
      ? []
      : [{ id: 'subnet', title: 'subnet', a: ownSide(from), b: ownSide(to), verdict: verdict(match.subnet) } as const]),
  ];
}

/** Where one end sends to, against where the other is. @param isBack where the end that sends is the hop's `b` */
function pointing(from: SocketEnd, to: SocketEnd, address: boolean | undefined, port: boolean, isBack: boolean): Facet[] {
  const { remote } = from.socket;
  if (remote === undefined) return [];
  const facet = (id: 'address' | 'port', title: string, sends: FacetSide, has: FacetSide, fits: boolean | undefined): Facet => ({
    id,
    title,
    a: isBack ? has : sends,
    b: isBack ? sends : has,
    verdict: fits === undefined ? 'unknown' : verdict(fits),
  });
  return [
    facet('address', 'address', set(from, `sends to ${remote.address}`), ownSide(to), address),
    facet('port', 'port', set(from, `to port ${remote.port}`), set(to, `listens on port ${to.socket.localPort ?? '?'}`), port),
  ];
}

const verdict = (fits: boolean): Facet['verdict'] => (fits ? 'agree' : 'differ');

function set({ id }: SocketEnd, value: string): FacetSide {
  return { value, source: 'set', setting: undefined, socket: id };
}

function transportSide(end: SocketEnd): FacetSide {
  return set(end, TRANSPORTS[end.socket.transport]);
}

/** The addresses that an item has itself, by the setting of the first. */
function ownSide({ entry, addresses, endpoint }: SocketEnd): FacetSide {
  const [first] = addresses;
  const known = addresses.filter(({ address }) => address !== undefined);
  const setting = first === undefined ? undefined : `${first.endpoint}.ip`;
  if (known.length === 0) {
    const isInside = endpoint.is === 'network' && first === undefined;
    return { value: isInside ? 'the same item' : undefined, source: isInside ? 'fixed by the part' : 'not set', setting };
  }
  const isSet = setting !== undefined && entry.item.settings[setting] !== undefined;
  return { value: known.map(addressWords).join(', '), source: isSet ? 'set' : 'default', setting };
}
