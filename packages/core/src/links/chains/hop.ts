import type { GraphItem } from '../../graph/graph.ts';
import type { LinkReport } from '../../model/endpoint.ts';
import type { SocketId } from '../../model/ids.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import type { Endpoint, ResolvedPart } from '../../model/part.ts';
import type { RadioTraits } from '../../model/radio.ts';

/** What carries a hop. */
export const MEDIA = {
  serial: 'serial wire',
  rc: 'RC wire',
  i2c: 'I2C bus',
  can: 'CAN bus',
  analog: 'analog wire',
  video: 'video wire',
  usb: 'USB',
  network: 'network cable',
  air: 'air',
  socket: 'over the network',
} as const;
export type Medium = keyof typeof MEDIA;

/** What of an item is at the end of a hop: an endpoint of its part, or one of its radios. */
export type Signal =
  | { readonly is: 'endpoint'; readonly id: string; readonly endpoint: Endpoint }
  | { readonly is: 'radio'; readonly id: string; readonly radio: RadioTraits };

/** One end of a hop. */
export interface HopEnd {
  /** Index of the item in the graph. */
  readonly item: number;
  readonly entry: GraphItem;
  readonly signal: Signal;
}

/** Where the value at an end comes from. */
export type ValueSource = 'set' | 'default' | 'fixed by the part' | 'not set';

/** What one end says about a facet. */
export interface FacetSide {
  readonly value: string | undefined;
  readonly source: ValueSource;
  /** The setting of the item that decides, where one does. */
  readonly setting: string | undefined;
  /** The socket of the item that decides, where one does. */
  readonly socket?: SocketId;
}

export type FacetId =
  | 'protocol'
  | 'baud'
  | 'frame'
  | 'polarity'
  | 'flow'
  | 'clock'
  | 'level'
  | 'format'
  | 'channels'
  | LinkReport
  | 'bus-address'
  | 'pull-ups'
  | 'capacitance'
  | 'rise'
  | 'node'
  | 'termination'
  | 'reading'
  | 'range'
  | 'standard'
  | 'kind'
  | 'band'
  | 'air'
  | 'version'
  | 'region'
  | 'air-rate'
  | 'known-by'
  | 'transport'
  | 'address'
  | 'port'
  | 'subnet';

/** Something that the two ends of a hop have to agree on, with what each end has. */
export interface Facet {
  readonly id: FacetId;
  readonly title: string;
  readonly a: FacetSide;
  readonly b: FacetSide;
  /** `unknown` as long as an end is not set, or where a part does not state it. */
  readonly verdict: 'agree' | 'differ' | 'unknown';
}

/** Two ends that are joined by a medium, with everything that they have to agree on. */
export interface Hop {
  readonly medium: Medium;
  readonly a: HopEnd;
  /** Undefined where a part states that there is another end on the ground, and it is no item. */
  readonly b: HopEnd | undefined;
  readonly facets: readonly Facet[];
}

/** A name for an end that no other end has. */
export function endKey({ item, signal }: Pick<HopEnd, 'item' | 'signal'>): string {
  return `${item} ${signal.id}`;
}

/** An end as people name it, by the label of its port: `GNSS1 UART`, `RADIO1 radio`. */
export function hopEndName({ entry, signal }: HopEnd): string {
  return `${entry.item.ref} ${signalName(entry, signal)}`;
}

function signalName({ part }: GraphItem, signal: Signal): string {
  if (signal.is === 'radio') return signal.radio.title;
  return part === undefined ? signal.id : signalTitle(part, signal.id);
}

/** An endpoint of a part as people name it: what is printed beside it, or what runs there. */
export function signalTitle(part: ResolvedPart, id: string): string {
  const endpoint = part.endpoints.find((candidate) => candidate.id === id);
  if (endpoint?.is === 'uart') return endpoint.names.label;
  const program = part.programs?.find((candidate) => candidate.id === id);
  if (program !== undefined) return program.title;
  const port = endpoint === undefined ? undefined : portOfSignal({ is: 'endpoint', id, endpoint });
  return part.ports.find((candidate) => candidate.id === port)?.label ?? id;
}

/** The port that an endpoint's first pin is on; undefined for a radio, and for what has no port. */
export function portOfSignal(signal: Signal): string | undefined {
  return signal.is === 'radio' ? undefined : portOfEndpoint(signal.endpoint);
}

/** The far end of a hop; undefined for one whose far end is no item. */
export function farEnd(hop: Hop, from: string): HopEnd | undefined {
  return endKey(hop.a) === from ? hop.b : hop.a;
}

/** The hop as it is seen from one of its ends. */
export function turned(hop: Hop, from: HopEnd): Hop {
  if (hop.b === undefined || endKey(hop.a) === endKey(from)) return hop;
  return { ...hop, a: hop.b, b: hop.a, facets: hop.facets.map((facet) => ({ ...facet, a: facet.b, b: facet.a })) };
}

/** True for what the copper and the clocks do by themselves: it follows from the parts, and nobody sets it. */
export function isByNature({ id }: Facet): boolean {
  return BY_NATURE.includes(id);
}

const BY_NATURE: readonly FacetId[] = ['polarity', 'clock', 'level', 'pull-ups', 'capacitance'];

/** True where nothing that is known speaks against a hop. */
export function agrees({ facets }: Hop): boolean {
  return facets.every(({ verdict }) => verdict !== 'differ');
}
