import { linkageFigure, type Linkage } from '../../model/linkage.ts';
import { USUAL_TRAVEL, type OutputTravel } from '../../model/outputPlan.ts';
import { fourBarOf, poseAt, type FourBar, type Pose } from './fourBar.ts';

const DEG = 180 / Math.PI;
/** A pulse of this width has the arm where it is mounted. */
export const MIDDLE_US = 1500;
/** The pulse widths that are looked at between the ends of a travel. */
const STEP_US = 10;

/** Where a surface is at a pulse. */
export interface SurfacePose {
  readonly us: number;
  /** The turn of the servo from the middle. */
  readonly servoDeg: number;
  /** Trailing edge down, of an upright surface to the right, is positive. */
  readonly surfaceDeg: number;
  readonly pose: Pose;
}

/** How a surface follows the pulses of its output. */
export interface SurfaceTravel {
  readonly bar: FourBar;
  readonly atLeast: SurfacePose | undefined;
  readonly atTrim: SurfacePose;
  readonly atMost: SurfacePose | undefined;
  /** From the trim, both positive: how far the trailing edge goes up (of an upright one to the left), and down. */
  readonly upDeg: number;
  readonly downDeg: number;
  /** Degrees of the surface by one microsecond, at the trim. */
  readonly degPerUs: number;
  /** The pulse at which the linkage stops being one, nearest to the trim; undefined where it goes to both ends. */
  readonly binds: Binding | undefined;
  /** How far from one line the rod is from arm and horn, at the worst of the travel. */
  readonly armMarginDeg: number;
  readonly hornMarginDeg: number;
}

/** What happens at a dead point: the rod pulls the horn along its own line, or the arm pushes through and the surface comes back. */
export interface Binding {
  readonly us: number;
  readonly is: 'rod-too-short' | 'arm-in-line';
}

export type Limits = Readonly<Record<'minUs' | 'trimUs' | 'maxUs', number>>;

/** The limits of an output, or what is usual. */
export function limitsOf({ minUs, trimUs, maxUs }: OutputTravel): Limits {
  return { minUs: minUs ?? USUAL_TRAVEL.minUs, trimUs: trimUs ?? USUAL_TRAVEL.trimUs, maxUs: maxUs ?? USUAL_TRAVEL.maxUs };
}

/** The surface at a pulse width; undefined where the linkage cannot follow. */
export function surfaceAt(linkage: Linkage, bar: FourBar, us: number): SurfacePose | undefined {
  const servoDeg = servoDegAt(linkage, us);
  const pose = poseAt(bar, (linkage.arm === 'pushes' ? servoDeg : -servoDeg) / DEG);
  return pose === undefined ? undefined : { us, servoDeg, surfaceDeg: surfaceDegOf(linkage, pose.hornRad), pose };
}

/** How far the servo turns for a pulse, from where it is at 1500 us. */
export function servoDegAt(linkage: Linkage, us: number): number {
  return ((us - MIDDLE_US) / 500) * linkageFigure(linkage, 'servoDeg');
}

/** A horn that is pushed away from the servo swings the trailing edge to its own other side: below it goes up. */
export function surfaceDegOf({ horn }: Pick<Linkage, 'horn'>, hornRad: number): number {
  return (horn === 'above' ? hornRad : -hornRad) * DEG;
}

/**
 * The travel of a surface from the least to the most pulse of its output.
 * @returns undefined where arm, rod and horn cannot be put together, or not at the trim
 */
export function surfaceTravel(linkage: Linkage, limits: Limits): SurfaceTravel | undefined {
  const bar = fourBarOf(linkage);
  const atTrim = bar === undefined ? undefined : surfaceAt(linkage, bar, limits.trimUs);
  if (bar === undefined || atTrim === undefined) return undefined;
  const below = walk(linkage, bar, atTrim, limits.minUs);
  const above = walk(linkage, bar, atTrim, limits.maxUs);
  const poses = [...below.poses, atTrim, ...above.poses];
  const turns = poses.map(({ surfaceDeg }) => surfaceDeg - atTrim.surfaceDeg);
  const degPerServoDeg = Math.abs(atTrim.pose.ratio);
  return {
    bar,
    atLeast: below.binds === undefined ? (below.poses.at(-1) ?? atTrim) : undefined,
    atTrim,
    atMost: above.binds === undefined ? (above.poses.at(-1) ?? atTrim) : undefined,
    upDeg: Math.max(0, ...turns.map((turn) => -turn)),
    downDeg: Math.max(0, ...turns),
    degPerUs: (degPerServoDeg * linkageFigure(linkage, 'servoDeg')) / 500,
    binds: nearest(limits.trimUs, below.binds, above.binds),
    armMarginDeg: Math.min(...poses.map(({ pose }) => pose.armMarginRad)) * DEG,
    hornMarginDeg: Math.min(...poses.map(({ pose }) => pose.hornMarginRad)) * DEG,
  };
}

/** From the trim to an end, in steps, until the linkage no longer follows or the surface turns back. */
function walk(
  linkage: Linkage,
  bar: FourBar,
  from: SurfacePose,
  endUs: number,
): { readonly poses: readonly SurfacePose[]; readonly binds: Binding | undefined } {
  const poses: SurfacePose[] = [];
  const steps = Math.ceil(Math.abs(endUs - from.us) / STEP_US);
  for (let n = 1; n <= steps; n++) {
    const us = n === steps ? endUs : from.us + Math.sign(endUs - from.us) * n * STEP_US;
    const next = surfaceAt(linkage, bar, us);
    if (next === undefined) return { poses, binds: { us, is: 'rod-too-short' } };
    if (next.pose.ratio * from.pose.ratio < 0) return { poses, binds: { us, is: 'arm-in-line' } };
    poses.push(next);
  }
  return { poses, binds: undefined };
}

/** Closer to a dead point than this a linkage is sloppy, and binds with a little wear. */
export const LEAST_MARGIN_DEG = 15;

/** The limits within what the servo takes and no dead point is near, as wide as the given ones at the most; in whole microseconds. */
export function safeLimits(linkage: Linkage, limits: Limits, [firstUs, lastUs]: readonly [number, number]): Limits | undefined {
  const bar = fourBarOf(linkage);
  const atTrim = bar === undefined ? undefined : surfaceAt(linkage, bar, limits.trimUs);
  if (bar === undefined || atTrim === undefined || !isFarFromDead(atTrim)) return undefined;
  const last = (endUs: number): number => {
    const { poses } = walk(linkage, bar, atTrim, endUs);
    const near = poses.findIndex((one) => !isFarFromDead(one));
    return (near === -1 ? poses : poses.slice(0, near)).at(-1)?.us ?? limits.trimUs;
  };
  const minUs = Math.ceil(last(Math.max(limits.minUs, firstUs)));
  const maxUs = Math.floor(last(Math.min(limits.maxUs, lastUs)));
  return minUs < maxUs ? { ...limits, minUs, maxUs } : undefined;
}

function isFarFromDead({ pose: { armMarginRad, hornMarginRad } }: SurfacePose): boolean {
  return Math.min(armMarginRad, hornMarginRad) * DEG >= LEAST_MARGIN_DEG;
}

function nearest(trimUs: number, ...all: readonly (Binding | undefined)[]): Binding | undefined {
  return all
    .filter((one) => one !== undefined)
    .reduce<Binding | undefined>(
      (best, one) => (best === undefined || Math.abs(one.us - trimUs) < Math.abs(best.us - trimUs) ? one : best),
      undefined,
    );
}

/**
 * The pulse at which a surface is turned so far, on the way from one pulse to an end: in steps until it is passed, then by halving, to
 * 0.01 us. Undefined where it does not get there before the end or a dead point.
 */
export function pulseFor(linkage: Linkage, bar: FourBar, surfaceDeg: number, from: SurfacePose, endUs: number): number | undefined {
  const isPassed = (one: SurfacePose): boolean => (one.surfaceDeg - surfaceDeg) * (from.surfaceDeg - surfaceDeg) <= 0;
  if (from.surfaceDeg === surfaceDeg) return from.us;
  const { poses } = walk(linkage, bar, from, endUs);
  const at = poses.findIndex(isPassed);
  if (at === -1) return undefined;
  let near = (poses[at - 1] ?? from).us;
  let far = poses[at]?.us ?? near;
  while (Math.abs(far - near) > 0.01) {
    const middle = (near + far) / 2;
    const here = surfaceAt(linkage, bar, middle);
    if (here === undefined || isPassed(here)) far = middle;
    else near = middle;
  }
  return (near + far) / 2;
}
