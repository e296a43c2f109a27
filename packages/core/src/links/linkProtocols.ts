import type { LinkKindId } from '../model/linkIds.ts';
import type { ProtocolId } from '../model/protocolIds.ts';

/** What each kind of link can speak on a serial wire, the best first; none for what goes no such way. */
export const LINK_PROTOCOLS: Readonly<Record<LinkKindId, readonly ProtocolId[]>> = {
  rc: ['crsf', 'sbus', 'satellite-frames'],
  reports: ['single-wire-telemetry'],
  position: ['gnss-binary', 'nmea-0183'],
  heading: [],
  airspeed: [],
  height: ['rangefinder'],
  telemetry: ['mavlink-2', 'transparent'],
  companion: ['mavlink-2'],
  text: ['osd-canvas', 'mavlink-2'],
  picture: [],
  'motor-reports': ['motor-telemetry'],
  battery: [],
  payload: ['gimbal'],
};
