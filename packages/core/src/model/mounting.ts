/** How a board may be planned to lie: rolled on its back or not, then turned nose right, as firmware names it. */
export const MOUNTINGS = {
  level: { title: 'level, nose forward', roll: 0, yaw: 0 },
  'yaw-90': { title: 'nose right', roll: 0, yaw: 90 },
  'yaw-180': { title: 'nose aft', roll: 0, yaw: 180 },
  'yaw-270': { title: 'nose left', roll: 0, yaw: 270 },
  'roll-180': { title: 'on its back, nose forward', roll: 180, yaw: 0 },
  'roll-180-yaw-90': { title: 'on its back, nose right', roll: 180, yaw: 90 },
  'roll-180-yaw-180': { title: 'on its back, nose aft', roll: 180, yaw: 180 },
  'roll-180-yaw-270': { title: 'on its back, nose left', roll: 180, yaw: 270 },
} as const;
export type Mounting = keyof typeof MOUNTINGS;

export function isMounting(value: unknown): value is Mounting {
  return typeof value === 'string' && Object.hasOwn(MOUNTINGS, value);
}
export const mountings: readonly Mounting[] = Object.keys(MOUNTINGS).filter(isMounting);

/** The settings that say how the inertial sensor, and the compass, of a part are planned to lie. Unset: as the layout has it. */
export const IMU_TURN = 'imu.turn';
export const COMPASS_TURN = 'compass.turn';
