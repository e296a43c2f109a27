import { onceBuilt } from '../graph/onceBuilt.ts';
import { endKey, farEnd, turned, type Hop, type HopEnd } from '../links/chains/hop.ts';
import { hopsOf, type HopMap } from '../links/chains/hopsOf.ts';
import { isCarried, leaving, passedOn } from '../links/chains/ways.ts';
import { RC_FORMATS, type RcOut } from '../links/rcFormats.ts';
import { offersInForce, serialSetup } from '../links/serialSetup.ts';
import type { Endpoint } from '../model/part.ts';
import type { PartKind } from '../model/partKinds.ts';

/** A channel of a controller with the channel of the source that it comes from. */
export interface FedChannel {
  readonly at: number;
  readonly of: number;
}

/** Channels that arrive at an input of a controller. */
export interface RcFeed {
  /** The input of the controller. */
  readonly input: HopEnd;
  /** The form in which they arrive there. */
  readonly format: string;
  /** What hears the pilot, with the output that the channels leave by. */
  readonly source: HopEnd;
  /** From the source to the controller, each turned so that `a` sends. */
  readonly hops: readonly Hop[];
  /** In rising order of the controller's channels. */
  readonly channels: readonly FedChannel[];
}

/** What hears a pilot. */
const SOURCES: readonly PartKind[] = ['rc-receiver', 'handheld-link'];

/** Everything by which channels arrive at controllers of the aircraft, in the order of controllers and of their inputs. */
export const rcFeedsOf = onceBuilt((graph): readonly RcFeed[] => {
  const map = hopsOf(graph);
  return graph.items.flatMap((entry, item): RcFeed[] => {
    if (entry.part?.kind !== 'controller' || entry.item.where !== 'aircraft') return [];
    return entry.part.endpoints.flatMap((endpoint): RcFeed[] => {
      const input: HopEnd = { item, entry, signal: { is: 'endpoint', id: endpoint.id, endpoint } };
      if (!readsChannels(map, input, endpoint)) return [];
      return tracesTo(map, input, new Set()).map((trace) => ({ input, ...trace }));
    });
  });
});

/** True for an input for channels, and for a serial port that is set to one of their protocols or gets channels all the same. */
function readsChannels(map: HopMap, input: HopEnd, endpoint: Endpoint): boolean {
  if (endpoint.is === 'rc-in') return true;
  if (endpoint.is !== 'uart') return false;
  if ((map.at.get(endKey(input)) ?? []).some(({ medium }) => medium === 'rc')) return true;
  // One that is not set yet may still become one.
  const spoken = offersInForce(input.entry.item, endpoint).map(({ protocol }) => protocol);
  return Object.values(RC_FORMATS).some(({ protocol }) => protocol !== undefined && spoken.includes(protocol));
}

type Trace = Omit<RcFeed, 'input'>;

/** The ways by which channels come to an end, from what hears them; several where an encoder gathers them. */
function tracesTo(map: HopMap, listener: HopEnd, seen: ReadonlySet<string>): readonly Trace[] {
  for (const hop of map.at.get(endKey(listener)) ?? []) {
    if (hop.medium !== 'rc' && hop.medium !== 'serial' && hop.medium !== 'socket') continue;
    const traces = tracesOver(map, hop, listener, seen);
    if (traces.length > 0) return traces;
  }
  return [];
}

function tracesOver(map: HopMap, hop: Hop, listener: HopEnd, seen: ReadonlySet<string>): readonly Trace[] {
  const talker = farEnd(hop, endKey(listener));
  if (talker === undefined || seen.has(endKey(talker)) || talker.item === listener.item) return [];
  const visited = new Set([...seen, endKey(listener), endKey(talker)]);
  const last = turned(hop, talker);
  const format = formatOver(last);
  // 1. What hears the pilot: here the way begins.
  const { part } = talker.entry;
  if (part !== undefined && SOURCES.includes(part.kind)) {
    // A port for reports sends no channels.
    return format === undefined ? [] : [{ format, source: talker, hops: [last], channels: channelsFrom(talker, listener, format) }];
  }
  // 2. An encoder: each of its inputs is a channel of its train.
  const gathered = inputsOf(talker);
  if (gathered.length > 0) {
    return gathered.flatMap((input) =>
      tracesTo(map, input, visited).map((trace): Trace => ({
        ...trace,
        format: format ?? trace.format,
        hops: [...trace.hops, last],
        channels: renumbered(trace.channels, numberOf(input.signal.id)),
      })),
    );
  }
  // 3. A part that passes on what comes in elsewhere, or a serial port whose bytes come over a network.
  const before: readonly HopEnd[] = isCarried(talker) ? [talker] : passedOn(talker).map((signal): HopEnd => ({ ...talker, signal }));
  for (const end of before) {
    if (end !== talker && visited.has(endKey(end))) continue;
    const inner = end === talker ? overSockets(map, last, talker, visited) : tracesTo(map, end, visited);
    if (inner.length > 0) {
      const most = roomOf(talker, format);
      return inner.map((trace): Trace => ({
        ...trace,
        format: format ?? trace.format,
        hops: [...trace.hops, last],
        channels: trace.channels.filter(({ at }) => at <= most),
      }));
    }
  }
  return [];
}

/** What came over the network to a serial port. */
function overSockets(map: HopMap, hop: Hop, talker: HopEnd, seen: ReadonlySet<string>): readonly Trace[] {
  const without = new Set([...seen].filter((key) => key !== endKey(talker)));
  return leaving(map, { end: talker, hops: [turned(hop, hop.a), { ...hop, b: talker }] })
    .filter(({ medium }) => medium === 'socket')
    .flatMap((socket) => {
      const far = farEnd(socket, endKey(talker));
      if (far === undefined) return [];
      return tracesTo(map, far, without).map((trace): Trace => ({ ...trace, hops: [...trace.hops, turned(socket, far)] }));
    });
}

/** The inputs of an encoder behind its output. */
function inputsOf({ item, entry, signal }: HopEnd): readonly HopEnd[] {
  return (entry.part?.routes ?? []).flatMap(({ from, to, transform }) => {
    const endpoint = to === signal.id && transform === 'encode' ? entry.part?.endpoints.find(({ id }) => id === from) : undefined;
    return endpoint === undefined ? [] : [{ item, entry, signal: { is: 'endpoint' as const, id: endpoint.id, endpoint } }];
  });
}

function renumbered(channels: readonly FedChannel[], at: number): readonly FedChannel[] {
  return channels.slice(0, 1).map(({ of }) => ({ at, of }));
}

/** The number at the end of a name: of `ch3` and `in3` three; 1 where there is none. */
function numberOf(id: string): number {
  const digits = /(\d+)$/.exec(id)?.[1];
  return digits === undefined ? 1 : Number(digits);
}

/** The form of the channels on a wire, as far as its ends agree on one. */
function formatOver({ a, b }: Hop): string | undefined {
  const sent = sentBy(a);
  const read = b === undefined ? undefined : readAt(b);
  return sent.find((format) => read === undefined || read.includes(format)) ?? sent[0];
}

/** The output for channels that an end is, or whose pin it shares. */
export function rcOutOf({ entry, signal }: HopEnd): RcOut | undefined {
  if (signal.is !== 'endpoint') return undefined;
  if (signal.endpoint.is === 'rc-out') return signal.endpoint;
  const { endpoint } = signal;
  if (endpoint.is !== 'uart' || endpoint.tx === undefined) return undefined;
  return entry.part?.endpoints.find((one): one is RcOut => one.is === 'rc-out' && one.pin === endpoint.tx);
}

function sentBy(end: HopEnd): readonly string[] {
  return rcOutOf(end)?.formats ?? serialFormats(end);
}

function readAt({ entry, signal }: HopEnd): readonly string[] | undefined {
  if (signal.is !== 'endpoint') return undefined;
  return signal.endpoint.is === 'rc-in' ? signal.endpoint.formats : serialFormats({ entry, signal });
}

function serialFormats({ entry, signal }: Pick<HopEnd, 'entry' | 'signal'>): readonly string[] {
  if (signal.is !== 'endpoint' || signal.endpoint.is !== 'uart') return [];
  const { protocol } = serialSetup(entry.item, signal.endpoint);
  return Object.entries(RC_FORMATS).flatMap(([format, facts]) =>
    facts.protocol !== undefined && facts.protocol === protocol ? [format] : [],
  );
}

/** How many channels an end sends, and its format has room for. */
function roomOf(end: HopEnd, format: string | undefined): number {
  const room = format === undefined ? undefined : RC_FORMATS[format]?.channels;
  return Math.min(rcOutOf(end)?.channels ?? Infinity, room ?? Infinity);
}

function channelsFrom(source: HopEnd, listener: HopEnd, format: string): readonly FedChannel[] {
  if (format === 'pwm') return [{ at: numberOf(listener.signal.id), of: numberOf(source.signal.id) }];
  const room = roomOf(source, format);
  return Number.isFinite(room) ? Array.from({ length: room }, (_, i) => ({ at: i + 1, of: i + 1 })) : [];
}
