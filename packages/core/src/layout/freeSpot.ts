import type { Bay, Spot } from '../model/frame.ts';

/** A box that is in the way: its middle, and half of its size along station, butt line and water line. */
export interface BoxAt {
  readonly at: Spot;
  readonly half: Spot;
}

const AXES = [0, 1, 2] as const;
/** Boxes that touch are in nobody's way. */
const TOUCH_MM = 1e-6;

/**
 * The nearest spot to a wanted one at which a box is inside a bay and overlaps no other; undefined when there is none. Exact: along each
 * axis the nearest is where it is wanted, at a wall, or against a box that is there.
 * @param half half of the box along station, butt line and water line, in mm
 */
export function freeSpot(others: readonly BoxAt[], half: Spot, bay: Pick<Bay, 'at' | 'sizeMm'>, wanted: Spot): Spot | undefined {
  const [stations = [], butts = [], waters = []] = AXES.map((axis) => placesAlong(axis, others, half, bay, wanted));
  let best: Spot | undefined;
  let nearest = Infinity;
  // Each list begins with the nearest: what is no nearer than the best that is known ends it.
  for (const station of stations) {
    if (Math.abs(station - wanted[0]) >= nearest) break;
    for (const butt of butts) {
      if (Math.hypot(station - wanted[0], butt - wanted[1]) >= nearest) break;
      for (const water of waters) {
        const away = Math.hypot(station - wanted[0], butt - wanted[1], water - wanted[2]);
        if (away >= nearest) break;
        if (others.some((other) => isInTheWay(other, half, [station, butt, water]))) continue;
        nearest = away;
        best = [station, butt, water];
      }
    }
  }
  return best;
}

/** What comes into question along an axis; nothing where the box is longer than the bay. */
function placesAlong(
  axis: 0 | 1 | 2,
  others: readonly BoxAt[],
  half: Spot,
  { at, sizeMm }: Pick<Bay, 'at' | 'sizeMm'>,
  wanted: Spot,
): number[] {
  const room = sizeMm[axis] / 2 - half[axis];
  if (room < 0) return [];
  const [low, high] = [at[axis] - room, at[axis] + room];
  const beside = others.flatMap((other) => {
    const apart = other.half[axis] + half[axis];
    return [other.at[axis] - apart, other.at[axis] + apart];
  });
  return [...new Set([wanted[axis], low, high, ...beside])]
    .filter((place) => place >= low && place <= high)
    .sort((a, b) => Math.abs(a - wanted[axis]) - Math.abs(b - wanted[axis]));
}

function isInTheWay({ at, half: its }: BoxAt, half: Spot, spot: Spot): boolean {
  return AXES.every((axis) => Math.abs(at[axis] - spot[axis]) < its[axis] + half[axis] - TOUCH_MM);
}
