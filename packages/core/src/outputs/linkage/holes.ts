import type { Linkage } from '../../model/linkage.ts';
import { LEAST_MARGIN_DEG, pulseFor, surfaceTravel, type Limits, type SurfaceTravel } from './surfaceTravel.ts';

/** What holes are tried where nobody says which there are, in mm. */
export const USUAL_ARM_HOLES = [6, 8, 10, 12, 14, 16, 18, 20] as const;
export const USUAL_HORN_HOLES = [8, 10, 12, 14, 16, 18, 20, 24, 28] as const;

/** A throw that is wanted: from the trim, both positive. */
export interface WantedThrow {
  readonly upDeg: number;
  readonly downDeg: number;
}

/** A hole of the arm and one of the horn that give a wanted throw, with the pulses at which they do. */
export interface HoleChoice {
  readonly armMm: number;
  readonly hornMm: number;
  readonly limits: Limits;
  readonly travel: SurfaceTravel;
  /** Degrees of the surface by a microsecond: less is finer. */
  readonly degPerUs: number;
  /** What the servo's moment is multiplied by, at the worse end of the throw. */
  readonly force: number;
  /** How much pulse is left to the nearer end of the servo, in microseconds. */
  readonly endMarginUs: number;
}

/** A servo that is set closer to its end than this finds it when it is trimmed. */
const LEAST_END_US = 25;

/**
 * Every pair of holes with which the throw is reached inside what the servo takes, the best first: fine steps and force go together, so
 * that the pair that needs the most of the servo's turn wins; those that leave next to nothing of that come last.
 * @param endsUs the least and the most pulse that the servo takes
 */
export function holesFor(
  linkage: Linkage,
  { upDeg, downDeg }: WantedThrow,
  trimUs: number,
  endsUs: readonly [number, number],
): readonly HoleChoice[] {
  const arms = linkage.armHoles ?? USUAL_ARM_HOLES;
  const horns = linkage.hornHoles ?? USUAL_HORN_HOLES;
  const found = arms.flatMap((armMm) =>
    horns.flatMap((hornMm): HoleChoice[] => {
      // Another hole wants another rod: as long as makes the surface neutral.
      const { rodMm: _rod, ...rest } = linkage;
      const choice = choiceOf({ ...rest, armMm, hornMm }, { upDeg, downDeg }, trimUs, endsUs);
      return choice === undefined ? [] : [choice];
    }),
  );
  const isTight = ({ endMarginUs }: HoleChoice): number => (endMarginUs < LEAST_END_US ? 1 : 0);
  return found.sort((a, b) => isTight(a) - isTight(b) || a.degPerUs - b.degPerUs || b.force - a.force);
}

function choiceOf(
  linkage: Linkage,
  { upDeg, downDeg }: WantedThrow,
  trimUs: number,
  [firstUs, lastUs]: readonly [number, number],
): HoleChoice | undefined {
  const whole = surfaceTravel(linkage, { minUs: firstUs, trimUs, maxUs: lastUs });
  if (whole === undefined) return undefined;
  const { bar, atTrim, degPerUs } = whole;
  const ends = [atTrim.surfaceDeg - upDeg, atTrim.surfaceDeg + downDeg].map(
    (deg) => pulseFor(linkage, bar, deg, atTrim, firstUs) ?? pulseFor(linkage, bar, deg, atTrim, lastUs),
  );
  const [one, other] = ends;
  if (one === undefined || other === undefined) return undefined;
  const limits = { minUs: Math.min(one, other, trimUs), trimUs, maxUs: Math.max(one, other, trimUs) };
  const travel = surfaceTravel(linkage, limits);
  if (travel === undefined || travel.binds !== undefined) return undefined;
  if (Math.min(travel.armMarginDeg, travel.hornMarginDeg) < LEAST_MARGIN_DEG) return undefined;
  return {
    armMm: linkage.armMm,
    hornMm: linkage.hornMm,
    limits,
    travel,
    degPerUs,
    force: Math.min(...[travel.atLeast, travel.atMost].map((at) => 1 / Math.abs(at?.pose.ratio ?? Infinity))),
    endMarginUs: Math.min(limits.minUs - firstUs, lastUs - limits.maxUs),
  };
}
