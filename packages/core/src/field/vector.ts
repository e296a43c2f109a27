import type { Spot } from '../model/frame.ts';

/** Three components along station (aft), butt line (right) and water line (up). */
export type Vector = Spot;

export const ZERO: Vector = [0, 0, 0];

export function sum(a: Vector, b: Vector): Vector {
  return [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
}

export function difference(a: Vector, b: Vector): Vector {
  return [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
}

export function scaled(a: Vector, by: number): Vector {
  return [a[0] * by, a[1] * by, a[2] * by];
}

export function dot(a: Vector, b: Vector): number {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

export function cross(a: Vector, b: Vector): Vector {
  return [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
}

export function lengthOf(a: Vector): number {
  return Math.sqrt(dot(a, a));
}

/** In the same direction with length 1; the zero vector stays. */
export function unit(a: Vector): Vector {
  const length = lengthOf(a);
  return length === 0 ? ZERO : scaled(a, 1 / length);
}

/** Two directions square to a direction and to each other. */
export function squareTo(direction: Vector): readonly [Vector, Vector] {
  // Level where that is possible, so that the wires of a pair lie side by side.
  const level = cross(direction, [0, 0, 1]);
  const first = unit(lengthOf(level) < 1e-9 ? cross(direction, [0, 1, 0]) : level);
  return [first, unit(cross(direction, first))];
}
