import { cablesAtPort } from '../graph/cableJoins.ts';
import { circuitNode, groupOf, type Graph, type GraphItem } from '../graph/graph.ts';
import { chainsOf, type Chain } from '../links/chains/chainsOf.ts';
import { chainName } from '../links/chains/chainWords.ts';
import type { HopEnd } from '../links/chains/hop.ts';
import { endpointPins, portOfEndpoint } from '../model/endpointPins.ts';
import type { LinkKindId } from '../model/linkIds.ts';
import type { Endpoint } from '../model/part.ts';

/** A link, or several over one wire, that wants a port of a controller. */
export interface LinkSeeker {
  /** The keys of its links. */
  readonly keys: readonly string[];
  readonly kinds: readonly [LinkKindId, ...LinkKindId[]];
  readonly item: number;
  readonly entry: GraphItem;
  /** As people name it: `GNSS1 position`. */
  readonly title: string;
  /** True where an item that reaches nothing does not do its job. */
  readonly isNeeded: boolean;
  /** The endpoints of the item that it can leave by. */
  readonly endpoints: readonly [Endpoint, ...Endpoint[]];
  /** Where it arrives now; undefined as long as it arrives nowhere. */
  readonly now: ArrivesAt | undefined;
  /** The ports of controllers that a cable leads to from where it leaves, each as `item port`: also where nothing arrives by it. */
  readonly cabledTo: ReadonlySet<string>;
}

/** A controller and an endpoint of it, at which a link arrives. */
export interface ArrivesAt {
  readonly item: number;
  readonly endpoint: string;
  /** The endpoint of the device by which it leaves. */
  readonly from: string;
  /** True where a part in between changes the signal: an inverter, a level shifter. */
  readonly isConverted: boolean;
}

/** Every link that wants a port of a controller, by kind and then in natural order of items. What is wired to something else, or left out, wants none. */
export function linkSeekers(graph: Graph): readonly LinkSeeker[] {
  const seekers: LinkSeeker[] = [];
  for (const chain of chainsOf(graph)) {
    const one = seekerOf(graph, chain);
    if (one === undefined) continue;
    const at = seekers.findIndex(
      ({ item, endpoints }) => item === one.item && endpoints.some((endpoint) => one.endpoints.some((other) => isOneWire(endpoint, other))),
    );
    const known = seekers[at];
    if (known === undefined) seekers.push(one);
    else seekers[at] = together(known, one);
  }
  return seekers;
}

/** Kinds of link that end at a controller by a wire. */
function seekerOf(graph: Graph, chain: Chain): LinkSeeker | undefined {
  const { kind, state, item, key, wish } = chain;
  const entry = graph.items[item];
  const part = entry?.part;
  if (entry === undefined || part === undefined || wish !== undefined || state.is === 'off' || kind.goals[0] !== 'controller')
    return undefined;
  const [first, ...others] = kind.starts(part).filter(({ is }) => WIRED.includes(is));
  const now = arrivalOf(graph, chain);
  if (first === undefined || (state.is !== 'not-joined' && now === undefined)) return undefined;
  return {
    keys: [key],
    kinds: [kind.id],
    item,
    entry,
    title: chainName(graph, chain),
    isNeeded: kind.isNeeded,
    endpoints: [first, ...others],
    now,
    cabledTo: cabledPorts(graph, entry, [first, ...others]),
  };
}

const WIRED: readonly Endpoint['is'][] = ['uart', 'rc-out', 'can', 'i2c-device', 'analog-out'];

function arrivalOf(graph: Graph, { hops, item }: Chain): ArrivesAt | undefined {
  const ends = hops.flatMap(({ a, b }) => (b === undefined ? [a] : [a, b]));
  const at = ends.findIndex(({ entry }) => entry.part?.kind === 'controller');
  const from = ends.slice(0, Math.max(0, at)).findLast((end) => end.item === item);
  const there = ends[at];
  if (there === undefined || from === undefined) return undefined;
  const isConverted =
    from.signal.is === 'endpoint' &&
    there.signal.is === 'endpoint' &&
    !isOneWireAt(graph, from, from.signal.endpoint, there, there.signal.endpoint);
  return { item: there.item, endpoint: there.signal.id, from: from.signal.id, isConverted };
}

/** True where some copper leads from the one to the other, with nothing that changes the signal in between. */
function isOneWireAt(graph: Graph, a: HopEnd, from: Endpoint, b: HopEnd, to: Endpoint): boolean {
  const groups = (end: HopEnd, endpoint: Endpoint): readonly number[] =>
    endpointPins(endpoint).flatMap((pin) => {
      const node = circuitNode(graph, end.item, pin);
      return node === undefined ? [] : [groupOf(graph.wires, node)];
    });
  const there = groups(b, to);
  return groups(a, from).some((group) => there.includes(group));
}

/** Ports of controllers at the other ends of the cables at a port. */
function cabledPorts(graph: Graph, { item: { id } }: GraphItem, endpoints: readonly Endpoint[]): ReadonlySet<string> {
  const ports = new Set(endpoints.map(portOfEndpoint));
  const cables = [...ports].flatMap((port) => (port === undefined ? [] : cablesAtPort(graph, id, port)));
  return new Set(
    cables.flatMap(({ nodes }) =>
      Object.values(nodes).flatMap((node) => {
        if (node.is !== 'end' || node.at.is !== 'port') return [];
        const other = graph.items[graph.itemIx.get(node.at.item) ?? -1];
        return other?.part?.kind === 'controller' ? [`${node.at.item} ${node.at.port}`] : [];
      }),
    ),
  );
}

/** True for what leaves by the same pins. */
function isOneWire(a: Endpoint, b: Endpoint): boolean {
  return (
    a.id === b.id || (a.is === 'uart' && b.is === 'rc-out' && a.tx === b.pin) || (a.is === 'rc-out' && b.is === 'uart' && a.pin === b.tx)
  );
}

function together(a: LinkSeeker, b: LinkSeeker): LinkSeeker {
  const both = a.endpoints.filter((endpoint) => b.endpoints.some((other) => isOneWire(endpoint, other)));
  const [first = a.endpoints[0], ...others] = both;
  return {
    ...a,
    keys: [...a.keys, ...b.keys],
    kinds: [...a.kinds, ...b.kinds],
    title: `${a.title} and ${b.title.slice(b.title.indexOf(' ') + 1)}`,
    isNeeded: a.isNeeded || b.isNeeded,
    endpoints: [first, ...others],
    now: a.now ?? b.now,
    cabledTo: new Set([...a.cabledTo, ...b.cabledTo]),
  };
}
