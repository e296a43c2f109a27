/** The wire formats that a serial endpoint can speak. What each one is stands in `links/protocols.ts`. */
export const PROTOCOL_IDS = [
  'mavlink-2',
  'nmea-0183',
  'gnss-binary',
  'sbus',
  'crsf',
  'satellite-frames',
  'single-wire-telemetry',
  'transmitter-control',
  'osd-canvas',
  'rangefinder',
  'gimbal',
  'motor-telemetry',
  'transparent',
] as const;
export type ProtocolId = (typeof PROTOCOL_IDS)[number];
