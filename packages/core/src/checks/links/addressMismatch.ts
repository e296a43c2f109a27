import { grouped } from '../../text/grouped.ts';
import type { Graph } from '../../graph/graph.ts';
import { signalTitle } from '../../links/chains/hop.ts';
import { hopsOf } from '../../links/chains/hopsOf.ts';
import { addressesOf, addressWords } from '../../links/networks/addresses.ts';
import { networksOf } from '../../links/networks/carriers.ts';
import { isRight, sharedPorts, type Match, type SocketEnd, type SocketPair } from '../../links/networks/socketPairs.ts';
import { isIpv4, LOOPBACK } from '../../model/ipv4.ts';
import { socketProblem, socketWords, TRANSPORTS, type Socket } from '../../model/socket.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Evidence, Remedy, Saying, Subject } from '../finding.ts';

/** Sockets that do not point at each other, two that listen on one port, and two items with one address. */
export const addressMismatch: Check = {
  id: 'link.address-mismatch',
  stage: 'links',
  title: 'Network address or port',
  run: ({ graph }) => {
    const { pairs, astray, sockets } = hopsOf(graph).sockets;
    return [
      ...pairs.flatMap((pair) => (isRight(pair.match) ? [] : [pastEachOther(pair)])),
      ...astray.map((from) => nobodyThere(from, sockets)),
      ...sharedPorts(sockets).map((group) => oneOfThem(group, sockets)),
      ...sameAddress(graph),
    ];
  },
};

const itemOf = ({ entry }: SocketEnd): Subject => ({ is: 'item', item: entry.item.id });
const nameOf = ({ entry, endpoint }: SocketEnd): string =>
  `${entry.item.ref} ${entry.part === undefined ? endpoint.id : signalTitle(entry.part, endpoint.id)}`;
const ownWords = ({ addresses }: SocketEnd): string => (addresses.length === 0 ? 'no address' : listed(addresses.map(addressWords)));

function pastEachOther({ from, to, match }: SocketPair): Saying {
  return {
    severity: 'mend',
    where: [itemOf(from), itemOf(to)],
    what: `${nameOf(from)} cannot reach ${nameOf(to)}: ${listed(wrongOf(from, to, match))}.`,
    evidence: [evidence(from), evidence(to), { label: `${to.entry.item.ref}, address`, value: ownWords(to) }],
    why: 'Its packets are lost without any error.',
    discriminator: `${from.id} ${to.id}`,
    remedies: () => mendPair(from, to, match),
  };
}

function evidence(end: SocketEnd): Evidence {
  return { label: nameOf(end), value: socketWords(end.socket) };
}

function wrongOf(from: SocketEnd, to: SocketEnd, match: Match): string[] {
  return [
    ...(match.transport ? [] : [`one uses ${TRANSPORTS[from.socket.transport]}, the other ${TRANSPORTS[to.socket.transport]}`]),
    ...(match.address === false ? [`it sends to ${from.socket.remote?.address ?? '?'}, and the other has ${ownWords(to)}`] : []),
    ...(match.port ? [] : [`it sends to port ${from.socket.remote?.port ?? '?'}, and the other listens on ${to.socket.localPort ?? '?'}`]),
    ...(match.addressBack === false
      ? [`the other answers to ${to.socket.remote?.address ?? '?'}, and this one has ${ownWords(from)}`]
      : []),
    ...(match.portBack
      ? []
      : [`the other answers to port ${to.socket.remote?.port ?? '?'}, and this one listens on ${from.socket.localPort ?? '?'}`]),
    ...(match.subnet === false ? [`${ownWords(from)} and ${ownWords(to)} are on different subnets`] : []),
  ];
}

/** Points each of the two at the other, as far as that is one socket each. */
function mendPair(from: SocketEnd, to: SocketEnd, match: Match): Remedy[] {
  const pointed = (end: SocketEnd, other: SocketEnd, fits: { readonly address: boolean | undefined; readonly port: boolean }): Remedy[] => {
    const { remote } = end.socket;
    if (remote === undefined || (fits.address !== false && fits.port && match.transport)) return [];
    const own = end.item === other.item ? LOOPBACK : other.addresses.find(({ address }) => address !== undefined)?.address;
    const address = fits.address === false ? own : remote.address;
    const port = other.socket.localPort;
    if (address === undefined || port === undefined) return [];
    const socket: Socket = { ...end.socket, transport: other.socket.transport, remote: { address, port } };
    return socketProblem(socket) === undefined ? [changed(end, socket, `Point ${end.entry.item.ref} to ${other.entry.item.ref}`)] : [];
  };
  return [
    ...pointed(from, to, match),
    ...(to.socket.role === 'peer' && from.socket.role === 'peer'
      ? pointed(to, from, { address: match.addressBack, port: match.portBack })
      : []),
  ];
}

function changed({ entry: { item }, id, socket: was }: SocketEnd, socket: Socket, label: string): Remedy {
  return {
    label,
    sentence: `${item.ref}: ${socketWords(socket)} instead of ${socketWords(was)}.`,
    edit: { kind: 'set-socket', item: item.id, id, socket, was },
  };
}

/** Nobody in its network listens for what it sends. */
function nobodyThere(from: SocketEnd, all: readonly SocketEnd[]): Saying {
  const { remote, transport } = from.socket;
  const there = all.find(({ addresses }) => addresses.some(({ address }) => address === remote?.address));
  return {
    severity: 'mend',
    where: [itemOf(from), ...(there === undefined || there.item === from.item ? [] : [itemOf(there)])],
    what: `${nameOf(from)} sends to ${remote?.address ?? '?'}:${remote?.port ?? '?'}, where nothing listens.`,
    evidence: [evidence(from), { label: 'sockets of the aircraft and the ground', value: String(all.length) }],
    why: `What is sent over ${TRANSPORTS[transport]} is lost. Add a listening socket at the other end, or remove this one.`,
    discriminator: from.id,
    remedies: () => [
      {
        label: 'Remove the socket',
        sentence: `Remove ${socketWords(from.socket)} of ${from.entry.item.ref}.`,
        edit: { kind: 'set-socket', item: from.entry.item.id, id: from.id, socket: null, was: from.socket },
      },
    ],
  };
}

const MOST_PORT = 65_535;

/** Two sockets of one item on one port. */
function oneOfThem(group: readonly SocketEnd[], all: readonly SocketEnd[]): Saying {
  const [first] = group;
  const last = group.at(-1);
  if (first === undefined || last === undefined) throw new Error('A group of sockets on one port is empty.');
  const { localPort, transport } = first.socket;
  return {
    severity: 'mend',
    where: [itemOf(first)],
    what: `${group.length} sockets of ${first.entry.item.ref} use ${TRANSPORTS[transport]} port ${localPort ?? '?'}.`,
    evidence: group.map(evidence),
    why: 'The first to open the port gets everything; the other gets nothing, or an error.',
    discriminator: `port ${transport} ${localPort ?? ''}`,
    remedies: () => {
      const taken = new Set(all.filter(({ item }) => item === last.item).map(({ socket }) => socket.localPort));
      let port = (localPort ?? 0) + 1;
      while (taken.has(port)) port += 1;
      return port > MOST_PORT ? [] : [changed(last, { ...last.socket, localPort: port }, `Listen on ${port}`)];
    },
  };
}

/** Items of one network that have one address. */
function sameAddress(graph: Graph): Saying[] {
  const networks = networksOf(graph, hopsOf(graph).carriers);
  const all = graph.items.flatMap((entry, item) =>
    addressesOf(entry, graph.design.parts.get(entry.item.part)).flatMap(({ address, endpoint, prefix }) =>
      address === undefined ? [] : [{ item, endpoint, prefix, address }],
    ),
  );
  const groups = grouped(all, ({ item, address }) => `${networks[item] ?? item} ${address}`);
  return [...groups.values()].flatMap((group): Saying[] => {
    const [{ address }] = group;
    const items = new Set(group.map(({ item }) => item));
    if (items.size < 2) return [];
    const named = [...items].flatMap((item) => graph.items[item]?.item ?? []);
    return [
      {
        severity: 'mend',
        where: named.map(({ id }): Subject => ({ is: 'item', item: id })),
        what: `${listed(named.map(({ ref }) => ref))} have the same address, ${address}, in one network.`,
        evidence: named.map(({ ref }) => ({ label: ref, value: address })),
        why: 'Packets to it reach one or the other at random.',
        discriminator: address,
        remedies: () => otherAddress(graph, group.at(-1), address),
      },
    ];
  });
}

/** The next address of the subnet that nobody has. */
function otherAddress(graph: Graph, last: { readonly item: number; readonly endpoint: string } | undefined, address: string): Remedy[] {
  const item = last === undefined ? undefined : graph.items[last.item]?.item;
  if (last === undefined || item === undefined) return [];
  const taken = new Set(
    graph.items.flatMap((entry) => addressesOf(entry, graph.design.parts.get(entry.item.part)).map((own) => own.address)),
  );
  const [a, b, c] = address.split('.');
  const free = Array.from({ length: 254 }, (_, i) => `${a ?? ''}.${b ?? ''}.${c ?? ''}.${i + 1}`).find(
    (one) => isIpv4(one) && !taken.has(one),
  );
  if (free === undefined) return [];
  const setting = `${last.endpoint}.ip`;
  return [
    {
      label: `Give ${item.ref} ${free}`,
      sentence: `Set the address of ${item.ref} to ${free}.`,
      edit: { kind: 'set-item-setting', item: item.id, setting, value: free, was: item.settings[setting] ?? null },
    },
  ];
}
