import { linkageFigure, type Linkage } from '../../model/linkage.ts';
import { fourBarOf } from './fourBar.ts';
import { MIDDLE_US, servoDegAt, surfaceAt } from './surfaceTravel.ts';

/** What a flown trim comes to at the rod, so that the output goes back to the middle. */
export interface ClevisTurns {
  /** The rod that has the surface at 1500 us where it was flown. */
  readonly rodMm: number;
  /** Longer is positive. */
  readonly changeMm: number;
  /** Turns of one clevis, out of the rod (which makes it longer) positive. */
  readonly turns: number;
}

/**
 * Brings a flown trim into the rod: where the surface is at the trimmed pulse, it is at 1500 us with the rod so much longer or shorter.
 * @returns undefined where the linkage does not close at the trim
 */
export function clevisTurns(linkage: Linkage, trimUs: number): ClevisTurns | undefined {
  const bar = fourBarOf(linkage);
  const flown = bar === undefined ? undefined : surfaceAt(linkage, bar, trimUs);
  const middle = bar === undefined ? undefined : surfaceAt(linkage, bar, MIDDLE_US);
  if (bar === undefined || flown === undefined || middle === undefined) return undefined;
  const { arm } = middle.pose;
  const { horn } = flown.pose;
  const rodMm = Math.hypot(horn[0] - arm[0], horn[1] - arm[1]);
  const changeMm = rodMm - bar.rodMm;
  return { rodMm, changeMm, turns: changeMm / linkageFigure(linkage, 'clevisMm') };
}

/** The trim at which the arm is square to the line of the rod; undefined where it is so by itself. */
export function squaringTrimUs(linkage: Linkage): number | undefined {
  const offDeg = linkageFigure(linkage, 'armDeg');
  if (offDeg === 0) return undefined;
  const perUs = servoDegAt(linkage, MIDDLE_US + 1) * (linkage.arm === 'pushes' ? 1 : -1);
  return MIDDLE_US - offDeg / perUs;
}
