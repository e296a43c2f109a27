import type { Item } from '../model/aircraft.ts';
import { FLOW_CONTROLS, FRAMES, type FlowControl, type Frame } from '../model/setting.ts';
import { protocols } from './protocols.ts';
import { PROTOCOL_IDS, type ProtocolId } from '../model/protocolIds.ts';
import type { ProtocolOffer, UartEndpoint } from '../model/part.ts';

/** How one end of a serial link is set. Undefined: nothing is chosen yet. */
export interface SerialSetup {
  readonly protocol: ProtocolId | undefined;
  readonly baud: number | undefined;
  /** Where the baud comes from: a person's setting, or the part as delivered. */
  readonly baudIs: 'set' | 'default' | 'not set';
  /** Undefined as long as no protocol is chosen. */
  readonly frame: Frame | undefined;
  readonly flow: FlowControl;
}

/** The offers that are in force at an end: that of the chosen protocol, or all while none is chosen. */
export function offersInForce(item: Item, endpoint: UartEndpoint): readonly ProtocolOffer[] {
  const protocol = chosenProtocol(item, endpoint);
  return protocol === undefined ? endpoint.speaks : endpoint.speaks.filter((offer) => offer.protocol === protocol);
}

/** Two clocks that differ by up to this share still understand each other at 8N1 (half a bit over ten, less sampling). */
export const BAUD_TOLERANCE = 0.04;

/**
 * The set-up of a serial endpoint of an item. An endpoint with one protocol speaks that one. A device (a part that
 * offers but one baud table) has its baud as delivered; a controller port has none until it is set.
 */
export function serialSetup(item: Item, endpoint: UartEndpoint): SerialSetup {
  const protocol = chosenProtocol(item, endpoint);
  const shared = { protocol, frame: frameOf(item, endpoint, protocol), flow: flowOf(item, endpoint) };
  const set = item.settings[`${endpoint.id}.baud`];
  if (typeof set === 'number') return { ...shared, baud: set, baudIs: 'set' };
  const offer = deliveredOffer(endpoint, protocol);
  if (offer === undefined) return { ...shared, baud: undefined, baudIs: 'not set' };
  return { ...shared, baud: offer.defaultBaud, baudIs: 'default' };
}

function frameOf(item: Item, endpoint: UartEndpoint, protocol: ProtocolId | undefined): Frame | undefined {
  if (protocol === undefined) return undefined;
  const set = item.settings[`${endpoint.id}.frame`];
  return FRAMES.find((frame) => frame === set) ?? protocols[protocol].frame;
}

/** Without both pins there is nothing to control the flow with; with them it is automatic until a person says otherwise. */
function flowOf(item: Item, endpoint: UartEndpoint): FlowControl {
  if (endpoint.cts === undefined || endpoint.rts === undefined) return 'off';
  const set = item.settings[`${endpoint.id}.flow`];
  return FLOW_CONTROLS.find((flow) => flow === set) ?? 'automatic';
}

function chosenProtocol(item: Item, endpoint: UartEndpoint): ProtocolId | undefined {
  const set = item.settings[`${endpoint.id}.protocol`];
  const known = PROTOCOL_IDS.find((id) => id === set);
  if (known !== undefined) return known;
  return endpoint.speaks.length === 1 ? endpoint.speaks[0]?.protocol : undefined;
}

/**
 * The offer that is in force when no baud is set: that of the protocol, when one is chosen; before that, when all offers
 * deliver one and the same baud, any of them.
 */
function deliveredOffer(endpoint: UartEndpoint, protocol: ProtocolId | undefined): ProtocolOffer | undefined {
  if (protocol !== undefined) return endpoint.speaks.find((offer) => offer.protocol === protocol);
  const bauds = new Set(endpoint.speaks.map((offer) => offer.defaultBaud));
  return bauds.size === 1 ? endpoint.speaks[0] : undefined;
}

/** True when two bauds are near enough for either end to read the other. */
export function baudsAgree(a: number, b: number): boolean {
  return Math.abs(a - b) <= BAUD_TOLERANCE * Math.min(a, b);
}

/** True when the endpoint can be set to this baud with the protocol that is chosen, or with any when none is. */
export function canTakeBaud(endpoint: UartEndpoint, protocol: ProtocolId | undefined, baud: number): boolean {
  return (
    baud <= endpoint.maxBaud &&
    endpoint.speaks.some((offer) => (protocol === undefined || offer.protocol === protocol) && offer.bauds.includes(baud))
  );
}
