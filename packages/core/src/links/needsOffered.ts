import type { NeedId } from '../model/needs.ts';
import { needIds } from '../model/needs.ts';
import type { Endpoint, ResolvedPart } from '../model/part.ts';

/** What a board has for one need: the endpoints that suit it, by the name that people read. */
export interface NeedOffer {
  readonly need: NeedId;
  readonly suitable: readonly string[];
}

const SUITS: Readonly<Record<NeedId, (endpoint: Endpoint) => boolean>> = {
  servos: (endpoint) => endpoint.is === 'pulse-out' && endpoint.kinds.includes('pwm'),
  motors: (endpoint) => endpoint.is === 'pulse-out' && endpoint.kinds.includes('pwm'),
  rc: (endpoint) =>
    endpoint.is === 'rc-in' ||
    (endpoint.is === 'uart' &&
      endpoint.software !== true &&
      speaks(endpoint, 'sbus', 'crsf') &&
      (endpoint.inverts !== 'none' || speaks(endpoint, 'crsf'))),
  gnss: (endpoint) => isFullSerial(endpoint) && speaks(endpoint, 'nmea-0183', 'gnss-binary'),
  telemetry: (endpoint) => isFullSerial(endpoint) && speaks(endpoint, 'mavlink-2'),
  companion: (endpoint) => isFullSerial(endpoint) && endpoint.is === 'uart' && endpoint.maxBaud >= 460_800 && speaks(endpoint, 'mavlink-2'),
  'digital-video': (endpoint) => isFullSerial(endpoint) && speaks(endpoint, 'osd-canvas'),
  'analog-camera': (endpoint) => endpoint.is === 'video-in',
  i2c: (endpoint) => endpoint.is === 'i2c-host',
  can: (endpoint) => endpoint.is === 'can',
  analog: (endpoint) => endpoint.is === 'analog-sense',
  lights: (endpoint) => endpoint.is === 'pulse-out' && endpoint.kinds.includes('led'),
};

/** Needs that draw on the same outputs, or on the same serial ports: their counts add up against what they share. */
export const SHARED_NEEDS: readonly (readonly NeedId[])[] = [
  ['servos', 'motors', 'lights'],
  ['rc', 'gnss', 'telemetry', 'companion', 'digital-video'],
];

function isFullSerial(endpoint: Endpoint): boolean {
  return endpoint.is === 'uart' && endpoint.duplex === 'full' && endpoint.software !== true;
}

function speaks(endpoint: Endpoint, ...protocols: readonly string[]): boolean {
  return endpoint.is === 'uart' && endpoint.speaks.some((offer) => protocols.includes(offer.protocol));
}

/** What a part offers for each need. Counts of single endpoints: which link takes which port is another question. */
export function needsOffered(part: ResolvedPart): readonly NeedOffer[] {
  return needIds.map((need) => ({
    need,
    suitable: part.endpoints.filter((endpoint) => SUITS[need](endpoint)).map((endpoint) => nameOf(part, endpoint)),
  }));
}

function nameOf(part: ResolvedPart, endpoint: Endpoint): string {
  if (endpoint.is === 'uart') return endpoint.names.label;
  if (endpoint.is !== 'pulse-out') return endpoint.id;
  const id = endpoint.pin.slice(0, endpoint.pin.lastIndexOf('.'));
  const port = part.ports.find((candidate) => candidate.id === id);
  const isOwn = port?.pins.filter(({ role }) => role === 'pulse-out').length === 1;
  return isOwn ? port.label : endpoint.id;
}

/** A group of needs that wants more endpoints than there are for all of them together. */
export interface Shortage {
  readonly needs: readonly NeedId[];
  readonly wanted: number;
  readonly there: number;
}

/** Where the needs that share endpoints want more than the part has between them; each single need counts too. */
export function shortagesOf(part: ResolvedPart, wanted: Readonly<Partial<Record<NeedId, number>>>): readonly Shortage[] {
  const suitable = new Map(needsOffered(part).map((offer) => [offer.need, offer.suitable]));
  const groups = [...needIds.map((need) => [need]), ...SHARED_NEEDS];
  return groups.flatMap((needs) => {
    const asked = needs.filter((need) => (wanted[need] ?? 0) > 0);
    const count = asked.reduce((sum, need) => sum + (wanted[need] ?? 0), 0);
    const there = new Set(asked.flatMap((need) => suitable.get(need) ?? [])).size;
    const isToldAlready = asked.length === 1 && needs.length > 1;
    return count > there && !isToldAlready ? [{ needs: asked, wanted: count, there }] : [];
  });
}
