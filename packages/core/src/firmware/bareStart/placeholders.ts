import type { DraftEdits } from '../../harness/draftEdits.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import type { ItemId } from '../../model/ids.ts';
import type { Part } from '../../model/part.ts';
import { PART_KINDS, type PartKind } from '../../model/partKinds.ts';
import type { ProtocolId } from '../../model/protocolIds.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';

/** What a person reads on an item that nobody has chosen yet. */
export const PLACEHOLDER = 'placeholder';

/** What usually is at a port of a protocol, the likeliest first. A protocol without an entry implies nothing by itself. */
const AT_PORT: Readonly<Partial<Record<ProtocolId, readonly PartKind[]>>> = {
  'mavlink-2': ['telemetry-radio', 'companion'],
  'nmea-0183': ['gnss'],
  'gnss-binary': ['gnss'],
  sbus: ['rc-receiver'],
  crsf: ['rc-receiver'],
  'satellite-frames': ['rc-receiver'],
  'transmitter-control': ['video-transmitter'],
  'osd-canvas': ['video-transmitter'],
  rangefinder: ['rangefinder'],
  gimbal: ['payload'],
};

type Endpoint = Part['endpoints'][number];

/** A part that could be meant, with the endpoint by which it would be joined. */
export interface Candidate {
  readonly part: Part;
  readonly endpoint: Endpoint;
}

/** The first sample of a kind with an endpoint that suits. */
export function candidate(
  parts: readonly Part[],
  kinds: readonly PartKind[],
  suits: (endpoint: Endpoint) => boolean,
): Candidate | undefined {
  for (const kind of kinds) {
    for (const part of parts) {
      if (part.kind !== kind || part.source !== 'sample') continue;
      const endpoint = part.endpoints.find((one) => suits(one) && portOfEndpoint(one) !== undefined);
      if (endpoint !== undefined) return { part, endpoint };
    }
  }
  return undefined;
}

/** What a port of a protocol implies. */
export function atPort(parts: readonly Part[], protocol: ProtocolId): Candidate | undefined {
  const kinds = AT_PORT[protocol] ?? [];
  return candidate(parts, kinds, (endpoint) => endpoint.is === 'uart' && endpoint.speaks.some((offer) => offer.protocol === protocol));
}

/** What an output of a function implies: a servo, or a motor controller. */
export function atOutput(parts: readonly Part[], name: OutputFunction): Candidate | undefined {
  const { drives } = OUTPUT_FUNCTIONS[name];
  if (drives !== 'servo' && drives !== 'motor') return undefined;
  const use = drives;
  return candidate(
    parts,
    [use === 'servo' ? 'servo' : 'motor-controller'],
    (endpoint) => endpoint.is === 'pulse-in' && endpoint.use === use,
  );
}

/** Adds a placeholder and joins it with a port of the controller. Gives its reference, and whether the two could be joined. */
export function addPlaceholder(
  draft: DraftEdits,
  { part, endpoint }: Candidate,
  board: ItemId,
  boardPort: string | undefined,
  settings: Readonly<Record<string, string | number | boolean>> = {},
): { readonly ref: string; readonly kind: string; readonly isJoined: boolean } | undefined {
  const known = new Set(settingsOf(part).map(({ id }) => id));
  const own = Object.fromEntries(Object.entries(settings).filter(([id]) => known.has(id)));
  const item = draft.add(part, PLACEHOLDER, own);
  const port = portOfEndpoint(endpoint);
  if (item === undefined) return undefined;
  const isJoined = port !== undefined && boardPort !== undefined && draft.wire(draft.port(item, port), draft.port(board, boardPort));
  const ref = draft.graph.design.aircraft.items[item]?.ref ?? '';
  return { ref, kind: PART_KINDS[part.kind].title, isJoined };
}
