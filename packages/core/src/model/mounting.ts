/**
 * How a board may be planned to lie, square to the axes: rolled right side down, then pitched nose up, then turned nose right, in degrees.
 * All 24 ways; firmware has codes for some of them.
 */
export const MOUNTINGS = {
  level: { title: 'level, nose forward', roll: 0, pitch: 0, yaw: 0 },
  'yaw-90': { title: 'nose right', roll: 0, pitch: 0, yaw: 90 },
  'yaw-180': { title: 'nose aft', roll: 0, pitch: 0, yaw: 180 },
  'yaw-270': { title: 'nose left', roll: 0, pitch: 0, yaw: 270 },
  'roll-180': { title: 'on its back, nose forward', roll: 180, pitch: 0, yaw: 0 },
  'roll-180-yaw-90': { title: 'on its back, nose right', roll: 180, pitch: 0, yaw: 90 },
  'roll-180-yaw-180': { title: 'on its back, nose aft', roll: 180, pitch: 0, yaw: 180 },
  'roll-180-yaw-270': { title: 'on its back, nose left', roll: 180, pitch: 0, yaw: 270 },
  'roll-90': { title: 'on its right side, nose forward', roll: 90, pitch: 0, yaw: 0 },
  'roll-90-yaw-90': { title: 'on its right side, nose right', roll: 90, pitch: 0, yaw: 90 },
  'roll-90-yaw-180': { title: 'on its right side, nose aft', roll: 90, pitch: 0, yaw: 180 },
  'roll-90-yaw-270': { title: 'on its right side, nose left', roll: 90, pitch: 0, yaw: 270 },
  'roll-270': { title: 'on its left side, nose forward', roll: 270, pitch: 0, yaw: 0 },
  'roll-270-yaw-90': { title: 'on its left side, nose right', roll: 270, pitch: 0, yaw: 90 },
  'roll-270-yaw-180': { title: 'on its left side, nose aft', roll: 270, pitch: 0, yaw: 180 },
  'roll-270-yaw-270': { title: 'on its left side, nose left', roll: 270, pitch: 0, yaw: 270 },
  'pitch-90': { title: 'nose up, top aft', roll: 0, pitch: 90, yaw: 0 },
  'pitch-90-yaw-90': { title: 'nose up, top left', roll: 0, pitch: 90, yaw: 90 },
  'pitch-90-yaw-180': { title: 'nose up, top forward', roll: 0, pitch: 90, yaw: 180 },
  'pitch-90-yaw-270': { title: 'nose up, top right', roll: 0, pitch: 90, yaw: 270 },
  'pitch-270': { title: 'nose down, top forward', roll: 0, pitch: 270, yaw: 0 },
  'pitch-270-yaw-90': { title: 'nose down, top right', roll: 0, pitch: 270, yaw: 90 },
  'pitch-270-yaw-180': { title: 'nose down, top aft', roll: 0, pitch: 270, yaw: 180 },
  'pitch-270-yaw-270': { title: 'nose down, top left', roll: 0, pitch: 270, yaw: 270 },
} as const;
export type Mounting = keyof typeof MOUNTINGS;

export function isMounting(value: unknown): value is Mounting {
  return typeof value === 'string' && Object.hasOwn(MOUNTINGS, value);
}
export const mountings: readonly Mounting[] = Object.keys(MOUNTINGS).filter(isMounting);

/** The settings that say how the inertial sensor, and the compass, of a part are planned to lie. Unset: as the layout has it. */
export const IMU_TURN = 'imu.turn';
export const COMPASS_TURN = 'compass.turn';
