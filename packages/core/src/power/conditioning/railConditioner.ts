import { nextUp, valuesBetween } from './standardValues.ts';

/** A step of load on a rail, and what may come of it. */
export interface DipWish {
  /** How much more is drawn at once, and for how long until the source has followed. */
  readonly stepA: number;
  readonly stepS: number;
  /** What of it the source and its wire deliver meanwhile. */
  readonly sourceA: number;
  readonly esrOhm: number;
  readonly allowedV: number;
}

/** A capacitor of the standard series for a step of load. */
export interface DipAnswer {
  readonly microfarad: number;
  /** The dip with it: `dI * ESR + (dI - Isource) * t / C`. */
  readonly dipV: number;
}

/**
 * The smallest capacitor of the E6 series that keeps the dip of a load step inside what is allowed; undefined where its series
 * resistance alone takes it all.
 */
export function capacitorForDip({ stepA, stepS, sourceA, esrOhm, allowedV }: DipWish): DipAnswer | undefined {
  const leftV = allowedV - stepA * esrOhm;
  if (!(leftV > 0)) return undefined;
  const lackA = Math.max(stepA - sourceA, 0);
  const microfarad = lackA === 0 ? 1 : nextUp('E6', ((lackA * stepS) / leftV) * 1e6);
  return { microfarad, dipV: stepA * esrOhm + (lackA * stepS) / (microfarad * 1e-6) };
}

/** A rail that a clamp is to protect. */
export interface ClampWish {
  /** The highest voltage that is normal. */
  readonly railV: number;
  /** What the most delicate part on it stands. */
  readonly absoluteMaxV: number;
  /** What the servos push back when they brake, for how long. */
  readonly pushedA: number;
  readonly pushedS: number;
  readonly slopeOhm: number;
  /** Share by which a zener's voltage can be off. */
  readonly tolerance: number;
}

/** A zener of the standard series with what it does there. */
export interface ClampAnswer {
  readonly volts: number;
  /** Where it can begin to conduct, and where the rail can rise to. */
  readonly fromV: number;
  readonly toV: number;
  /** What a braking servo puts into it. */
  readonly energyJ: number;
}

/**
 * The zeners of the E24 series that never conduct on the normal rail and hold it below what its parts stand, the lowest first:
 * `Vz (1 - tol) > rail` and `Vz (1 + tol) + Rz I < maximum`.
 */
export function clampsFor({ railV, absoluteMaxV, pushedA, pushedS, slopeOhm, tolerance }: ClampWish): readonly ClampAnswer[] {
  return valuesBetween('E24', 1, 100).flatMap((volts): ClampAnswer[] => {
    const fromV = volts * (1 - tolerance);
    const toV = volts * (1 + tolerance) + slopeOhm * pushedA;
    if (!(fromV > railV) || !(toV < absoluteMaxV)) return [];
    return [{ volts, fromV, toV, energyJ: toV * pushedA * pushedS }];
  });
}
