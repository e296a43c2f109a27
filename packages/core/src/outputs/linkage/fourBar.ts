import { linkageFigure, type Linkage } from '../../model/linkage.ts';
import { stated } from '../../text/numbers.ts';

/** A point in the plane of arm, rod and horn, in mm: along the rod from the servo axis to the hinge, and towards the side of the horn. */
export type PlanePoint = readonly [alongMm: number, asideMm: number];

/** Arm, rod and horn as lengths and angles, with which of the two ways to close it is the built one. */
export interface FourBar {
  readonly armMm: number;
  readonly hornMm: number;
  readonly rodMm: number;
  readonly hinge: PlanePoint;
  /** Where the arm points to: to the side of the horn, or to the other. */
  readonly armSide: 1 | -1;
  /** The angle of the arm at 1500 us, and of the horn when the surface is neutral; from square, forward towards the hinge. */
  readonly armRad: number;
  readonly hornRad: number;
  /** Of the two ways in which a rod of this length reaches the horn. */
  readonly branch: 1 | -1;
}

/** Where everything is at an angle of the arm. */
export interface Pose {
  /** The turn of the arm from where it is at 1500 us, towards the hinge, in radians. */
  readonly armRad: number;
  readonly arm: PlanePoint;
  readonly horn: PlanePoint;
  /** The turn of the horn, away from the servo, from where the surface is neutral. */
  readonly hornRad: number;
  /** Radians of the horn by radians of the arm, at this angle: what it loses in turn it wins in moment. */
  readonly ratio: number;
  /** How far from one line arm and rod are, and rod and horn: at 0 the linkage is at a dead point. In radians, 0 to pi/2. */
  readonly armMarginRad: number;
  readonly hornMarginRad: number;
}

const RAD = Math.PI / 180;
/** Two holes that are closer than this are one bolt, and no rod. */
const LEAST_ROD_MM = 1;

/**
 * The four-bar of a linkage. Without a length the rod is as long as makes the surface neutral at 1500 us.
 * @returns undefined where arm, rod and horn cannot be put together at 1500 us
 */
export function fourBarOf(linkage: Linkage): FourBar | undefined {
  const { armMm, hornMm, distanceMm } = linkage;
  const bar = {
    armMm,
    hornMm,
    hinge: [distanceMm, linkageFigure(linkage, 'heightMm')] as const,
    armSide: linkage.crossed === true ? (-1 as const) : (1 as const),
    armRad: linkageFigure(linkage, 'armDeg') * RAD,
    hornRad: linkageFigure(linkage, 'hornDeg') * RAD,
  };
  const neutral = hornAt(bar, 0);
  const arm = armAt(bar, 0);
  const rodMm = linkage.rodMm ?? Math.hypot(neutral[0] - arm[0], neutral[1] - arm[1]);
  // The built way is the one in which the horn is where it is meant to be; a rod of another length turns it from there.
  const branch = branchOf(bar, arm, neutral);
  const whole: FourBar = { ...bar, rodMm, branch };
  return rodMm < LEAST_ROD_MM || hornTurn(whole, arm) === undefined ? undefined : whole;
}

/** The length of a rod as it can be made: to a tenth of a millimetre. */
export function rodWords(rodMm: number): string {
  return stated(Math.round(rodMm * 10) / 10, 'mm');
}

/** The four-bar at an angle of the arm, from where it is at 1500 us; undefined where the rod is too short or too long for that. */
export function poseAt(bar: FourBar, armRad: number): Pose | undefined {
  const arm = armAt(bar, armRad);
  const hornRad = hornTurn(bar, arm);
  if (hornRad === undefined) return undefined;
  const horn = hornAt(bar, hornRad);
  const rod: PlanePoint = [(horn[0] - arm[0]) / bar.rodMm, (horn[1] - arm[1]) / bar.rodMm];
  // Where the ends of arm and horn go as each turns; along the rod both go as fast, or it would stretch.
  const armWay = dot(rod, tangent(arm, [0, 0], bar.armSide));
  const hornWay = dot(rod, tangent(horn, bar.hinge, 1));
  return {
    armRad,
    arm,
    horn,
    hornRad,
    ratio: armWay / hornWay,
    armMarginRad: Math.asin(Math.min(1, Math.abs(armWay) / bar.armMm)),
    hornMarginRad: Math.asin(Math.min(1, Math.abs(hornWay) / bar.hornMm)),
  };
}

function armAt({ armMm, armSide, armRad }: Pick<FourBar, 'armMm' | 'armSide' | 'armRad'>, turn: number): PlanePoint {
  return [armMm * Math.sin(armRad + turn), armSide * armMm * Math.cos(armRad + turn)];
}

function hornAt({ hornMm, hinge, hornRad }: Pick<FourBar, 'hornMm' | 'hinge' | 'hornRad'>, turn: number): PlanePoint {
  return [hinge[0] + hornMm * Math.sin(hornRad + turn), hinge[1] + hornMm * Math.cos(hornRad + turn)];
}

/**
 * The turn of the horn at which the rod reaches it. From the hinge let `v` be the way to the end of the arm, `b` the horn and `L` the rod:
 * `|b u - v| = L` gives `u.v = (b^2 + v^2 - L^2) / 2b`, so that the horn is `acos(u.v / |v|)` to one side of `v` or to the other.
 */
function hornTurn({ hornMm, rodMm, hinge, hornRad, branch }: FourBar, arm: PlanePoint): number | undefined {
  const v: PlanePoint = [arm[0] - hinge[0], arm[1] - hinge[1]];
  const far = Math.hypot(...v);
  if (far === 0) return undefined;
  const cosine = (hornMm ** 2 + far ** 2 - rodMm ** 2) / (2 * hornMm * far);
  // A rod that just reaches, but for rounding, reaches.
  if (Math.abs(cosine) > 1 + 1e-12) return undefined;
  return within(Math.atan2(v[0], v[1]) + branch * Math.acos(Math.min(1, Math.max(-1, cosine))) - hornRad);
}

/** On which side of the line from the hinge to the arm the horn is, when it is where it is meant to be. */
function branchOf({ hinge }: Pick<FourBar, 'hinge'>, arm: PlanePoint, neutral: PlanePoint): 1 | -1 {
  const toArm = Math.atan2(arm[0] - hinge[0], arm[1] - hinge[1]);
  const toHorn = Math.atan2(neutral[0] - hinge[0], neutral[1] - hinge[1]);
  return within(toHorn - toArm) >= 0 ? 1 : -1;
}

/** How the end of a lever at `end` moves when it turns about `axis` by one radian, towards the hinge where it is on the side of the horn. */
function tangent(end: PlanePoint, axis: PlanePoint, side: 1 | -1): PlanePoint {
  return [side * (end[1] - axis[1]), -side * (end[0] - axis[0])];
}

function dot(a: PlanePoint, b: PlanePoint): number {
  return a[0] * b[0] + a[1] * b[1];
}

/** An angle between -pi and pi. */
function within(angle: number): number {
  return angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
}
