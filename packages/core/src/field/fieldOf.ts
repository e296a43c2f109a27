import type { Spot } from '../model/frame.ts';
import { cross, difference, dot, lengthOf, scaled, sum, unit, ZERO, type Vector } from './vector.ts';

/** A straight piece of wire that carries a current from its first end to its second. */
export interface CurrentSegment {
  readonly from: Spot;
  readonly to: Spot;
  readonly amps: number;
  /** Half of its copper: nearer than that its field does not grow any more. */
  readonly radiusMm: number;
}

/** A magnet that is small against its distance. */
export interface Dipole {
  readonly at: Spot;
  readonly momentAm2: Vector;
}

/** mu0 / (4 pi) with amperes and millimetres, for microtesla: 1e-7 T m / A = 100 uT mm / A. */
const PER_AMP_MM = 100;
/** mu0 / (4 pi) with ampere square metres and millimetres, for microtesla: 1e-7 * 1e9 * 1e6. */
const PER_AM2_MM3 = 1e8;
/** Nearer than this nobody stands to a magnet. */
const LEAST_DIPOLE_MM = 5;

/**
 * The field of a straight segment at a spot, in microtesla along station, butt line and water line:
 * `B = mu0 I / (4 pi d) * (sin a2 - sin a1)` (Biot and Savart). On its own axis it has none.
 */
export function segmentField({ from, to, amps, radiusMm }: CurrentSegment, at: Spot): Vector {
  const along = difference(to, from);
  const length = lengthOf(along);
  if (length === 0 || amps === 0) return ZERO;
  const direction = scaled(along, 1 / length);
  const toSpot = difference(at, from);
  const forward = dot(toSpot, direction);
  const aside = difference(toSpot, scaled(direction, forward));
  const distance = lengthOf(aside);
  if (distance < 1e-9) return ZERO;
  const outside = Math.max(distance, radiusMm);
  const sine = (x: number): number => x / Math.sqrt(x * x + outside * outside);
  // Inside the copper the field falls to nothing in the middle.
  const strength = ((PER_AMP_MM * amps) / outside) * (sine(length - forward) + sine(forward)) * Math.min(1, distance / radiusMm);
  return scaled(cross(direction, scaled(aside, 1 / distance)), strength);
}

/** The field of a dipole at a spot, in microtesla: `B = mu0 / (4 pi r^3) (3 (m . u) u - m)`, u the unit vector along r. */
export function dipoleField({ at: magnet, momentAm2 }: Dipole, at: Spot): Vector {
  const away = difference(at, magnet);
  const distance = lengthOf(away);
  if (distance === 0) return ZERO;
  const u = unit(away);
  const r = Math.max(distance, LEAST_DIPOLE_MM);
  return scaled(difference(scaled(u, 3 * dot(momentAm2, u)), momentAm2), PER_AM2_MM3 / r ** 3);
}

/** What all segments together make at a spot, in microtesla. */
export function fieldOfSegments(segments: readonly CurrentSegment[], at: Spot): Vector {
  return segments.reduce((total, segment) => sum(total, segmentField(segment, at)), ZERO);
}
