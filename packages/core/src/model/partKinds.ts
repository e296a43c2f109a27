/** The kinds of part, each with the name people read and the prefix of the references that its items get. */
export const PART_KINDS = {
  controller: { title: 'Controller', prefix: 'FC' },
  battery: { title: 'Battery', prefix: 'BAT' },
  regulator: { title: 'Regulator', prefix: 'BEC' },
  distribution: { title: 'Power combiner', prefix: 'PWR' },
  'motor-controller': { title: 'Motor controller', prefix: 'ESC' },
  motor: { title: 'Motor', prefix: 'MOT' },
  servo: { title: 'Servo', prefix: 'SRV' },
  gnss: { title: 'GNSS receiver', prefix: 'GNSS' },
  airspeed: { title: 'Airspeed sensor', prefix: 'ASPD' },
  'rc-receiver': { title: 'RC receiver', prefix: 'RX' },
  'telemetry-radio': { title: 'Telemetry radio', prefix: 'RADIO' },
  camera: { title: 'Camera', prefix: 'CAM' },
  'video-transmitter': { title: 'Video transmitter', prefix: 'VTX' },
  buzzer: { title: 'Buzzer', prefix: 'BZ' },
} as const;

export type PartKind = keyof typeof PART_KINDS;

function isPartKind(text: string): text is PartKind {
  return Object.hasOwn(PART_KINDS, text);
}

/** All kinds, in the order in which lists show them. */
export const partKinds: readonly PartKind[] = Object.keys(PART_KINDS).filter(isPartKind);
