/** The kinds of link that exist by themselves, as people call them. What each one is stands in `links/chains/linkKinds.ts`. */
export const LINKS = {
  rc: 'RC control',
  reports: 'telemetry to the RC transmitter',
  position: 'position',
  heading: 'compass',
  airspeed: 'airspeed',
  height: 'height above ground',
  telemetry: 'telemetry',
  companion: 'companion',
  text: 'on-screen display',
  picture: 'picture',
  'motor-reports': 'motor telemetry',
  battery: 'battery',
  payload: 'payload',
} as const;
export type LinkKindId = keyof typeof LINKS;

export function isLinkKindId(text: string): text is LinkKindId {
  return Object.hasOwn(LINKS, text);
}
export const linkKindIds: readonly LinkKindId[] = Object.keys(LINKS).filter(isLinkKindId);

/** The messages that a person plans a rate for. What each one is stands in `links/streams/messages.ts`. */
export const STREAM_IDS = [
  'heartbeat',
  'sys-status',
  'system-time',
  'gps-raw-int',
  'raw-imu',
  'scaled-pressure',
  'attitude',
  'attitude-quaternion',
  'global-position-int',
  'local-position-ned',
  'rc-channels',
  'servo-output-raw',
  'mission-current',
  'nav-controller-output',
  'vfr-hud',
  'battery-status',
  'power-status',
  'vibration',
  'estimator-status',
  'radio-status',
  'highres-imu',
  'distance-sensor',
  'command-long',
  'rc-channels-override',
  'manual-control',
  'gps-rtcm-data',
  'set-attitude-target',
  'set-position-target',
] as const;
export type StreamId = (typeof STREAM_IDS)[number];
