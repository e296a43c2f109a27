/** What an aircraft can want of its controller, each with the name and the example that people read. */
export const NEEDS = {
  servos: { title: 'Servo outputs', counts: 'outputs that can do PWM' },
  motors: { title: 'Motor outputs', counts: 'outputs that can do PWM' },
  rc: { title: 'RC input', counts: 'ports that read an RC receiver' },
  gnss: { title: 'GNSS over serial', counts: 'full serial ports' },
  telemetry: { title: 'Telemetry radio', counts: 'full serial ports' },
  companion: { title: 'Companion computer', counts: 'full serial ports of 460 800 baud or more' },
  'digital-video': { title: 'Digital video unit', counts: 'full serial ports' },
  'analog-camera': { title: 'Analog camera', counts: 'video inputs' },
  i2c: { title: 'I2C bus', counts: 'I2C buses' },
  can: { title: 'CAN bus', counts: 'CAN buses' },
  analog: { title: 'Analog input', counts: 'analog inputs' },
  lights: { title: 'Addressable lights', counts: 'outputs that can drive lights' },
} as const;
export type NeedId = keyof typeof NEEDS;

export function isNeedId(text: string): text is NeedId {
  return Object.hasOwn(NEEDS, text);
}

/** All needs, in the order of the table. */
export const needIds: readonly NeedId[] = Object.keys(NEEDS).filter(isNeedId);
