/** The kinds of part, each with the name people read and the prefix of the references that its items get. */
export const PART_KINDS = {
  controller: { title: 'Controller', prefix: 'FC' },
  battery: { title: 'Battery', prefix: 'BAT' },
  'power-module': { title: 'Power module', prefix: 'PM' },
  distribution: { title: 'Power distribution', prefix: 'PWR' },
  regulator: { title: 'Regulator', prefix: 'BEC' },
  'motor-controller': { title: 'Motor controller', prefix: 'ESC' },
  motor: { title: 'Motor', prefix: 'MOT' },
  servo: { title: 'Servo', prefix: 'SRV' },
  gnss: { title: 'GNSS receiver', prefix: 'GNSS' },
  compass: { title: 'Compass', prefix: 'MAG' },
  airspeed: { title: 'Airspeed sensor', prefix: 'ASPD' },
  rangefinder: { title: 'Rangefinder', prefix: 'RNG' },
  'rc-receiver': { title: 'RC receiver', prefix: 'RX' },
  converter: { title: 'Signal converter', prefix: 'CONV' },
  'telemetry-radio': { title: 'Telemetry radio', prefix: 'RADIO' },
  'handheld-link': { title: 'Integrated handheld link', prefix: 'LINK' },
  'stick-unit': { title: 'RC transmitter', prefix: 'STK' },
  companion: { title: 'Companion computer', prefix: 'CC' },
  camera: { title: 'Camera', prefix: 'CAM' },
  'video-transmitter': { title: 'Video transmitter', prefix: 'VTX' },
  osd: { title: 'OSD', prefix: 'OSD' },
  screen: { title: 'Screen', prefix: 'SCR' },
  payload: { title: 'Payload', prefix: 'PAY' },
  buzzer: { title: 'Buzzer', prefix: 'BZ' },
  switch: { title: 'Safety switch', prefix: 'SW' },
  light: { title: 'Light', prefix: 'LED' },
  hub: { title: 'Bus hub', prefix: 'HUB' },
  filter: { title: 'Filter', prefix: 'FLT' },
  'ground-computer': { title: 'Bench or ground computer', prefix: 'PC' },
  instrument: { title: 'Bench instrument', prefix: 'INS' },
} as const;

export type PartKind = keyof typeof PART_KINDS;

function isPartKind(text: string): text is PartKind {
  return Object.hasOwn(PART_KINDS, text);
}

/** All kinds, in the order in which lists show them. */
export const partKinds: readonly PartKind[] = Object.keys(PART_KINDS).filter(isPartKind);
