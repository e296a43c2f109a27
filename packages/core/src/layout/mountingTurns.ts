import type { Place, Spot } from '../model/frame.ts';
import { MOUNTINGS, mountings, type Mounting } from '../model/mounting.ts';
import { turningOf, type Turning } from './turning.ts';

/** Off by less than this is how exactly one can mount a board. */
export const SQUARE_DEG = 1.5;

/** The rotation of a mounting: what is aft, right and up of the board, in the axes of the aircraft. */
export function turningOfMounting(mounting: Mounting): Turning {
  const { roll, pitch, yaw } = MOUNTINGS[mounting];
  return turningOf({ turn: [roll, pitch, yaw], yawDeg: 0, below: false });
}

/** The mounting in which a board lies in the layout, if it is square to the axes. */
export function mountingOf(place: Pick<Place, 'turn' | 'yawDeg' | 'below'>): Mounting | undefined {
  return mountings.find((mounting) => angleBetween(turningOf(place), turningOfMounting(mounting)) <= SQUARE_DEG);
}

/** The angle of the one turn that takes the first to the second: `acos((trace(A B^T) - 1) / 2)`, in degrees. */
export function angleBetween(a: Turning, b: Turning): number {
  let trace = 0;
  for (const i of [0, 1, 2] as const) for (const j of [0, 1, 2] as const) trace += a[i][j] * b[i][j];
  return (Math.acos(Math.min(1, Math.max(-1, (trace - 1) / 2))) * 180) / Math.PI;
}

/** A direction of the aircraft as the board has it: the rotation the other way. */
export function turnedBack([x, y, z]: Spot, [a, b, c]: Turning): Spot {
  return [a[0] * x + b[0] * y + c[0] * z, a[1] * x + b[1] * y + c[1] * z, a[2] * x + b[2] * y + c[2] * z];
}
