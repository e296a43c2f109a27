import { distanceMm } from '../layout/placedItems.ts';
import type { Spot } from '../model/frame.ts';
import { ANTENNAS, type AntennaKind } from '../model/radio.ts';
import { AXIS_DIRECTIONS, type RadioAt } from './antennasOf.ts';

/** The speed of light in millimetre megahertz. */
const LIGHT_MM_MHZ = 299_792_458 / 1000;

/** Nearer than a wavelength nothing simple holds; what is stated there, in dB, is low on purpose. An estimate. */
export const NEAR_FIELD_DB = 15;
/** What two antennas lose whose fields lie square to each other; in the near of an aircraft more is not to be had. */
const CROSSED_DB = 20;
/** What a turning field loses in a linear antenna, whichever way it lies. */
const TURNING_DB = 3;

export function wavelengthMm(mhz: number): number {
  return LIGHT_MM_MHZ / mhz;
}

/** What spreads away between two antennas without gain: `20 log10(4 pi d / lambda)` (H. T. Friis 1946), in dB; never below nothing. */
export function freeSpaceLossDb(distanceMm: number, mhz: number): number {
  return Math.max(0, 20 * Math.log10((4 * Math.PI * Math.max(distanceMm, 1e-3)) / wavelengthMm(mhz)));
}

/** An antenna with the way its axis points. */
export type Held = Pick<RadioAt, 'antenna' | 'axis'>;

/** What the fields of two antennas lose by lying otherwise, in dB. */
export function polarisationLossDb(a: Held, b: Held): number {
  const [of, other] = [ANTENNAS[a.antenna].polarisation, ANTENNAS[b.antenna].polarisation];
  if (of === 'linear' && other === 'linear') return fieldAxis(a) === fieldAxis(b) ? 0 : CROSSED_DB;
  if (of === 'linear' || other === 'linear') return TURNING_DB;
  return of === other ? 0 : CROSSED_DB;
}

/** A round antenna's field lies along its axis; a flat one is taken to stand so that its field is upright. */
function fieldAxis({ antenna, axis }: Held): string {
  return ANTENNAS[antenna].pattern === 'beam' ? 'up' : axis;
}

/** How an antenna's own gain serves a direction: a round one has little along its axis, a beam little behind and beside. In dBi. */
export function gainTowards(kind: AntennaKind, axis: Spot, from: Spot, to: Spot): number {
  const { gainDbi, pattern } = ANTENNAS[kind];
  const distance = distanceMm(from, to);
  if (distance === 0) return gainDbi;
  const cosine = ((to[0] - from[0]) * axis[0] + (to[1] - from[1]) * axis[1] + (to[2] - from[2]) * axis[2]) / distance;
  const share = pattern === 'round' ? 1 - cosine * cosine : Math.max(cosine, 0) ** 2;
  return gainDbi + 10 * Math.log10(Math.max(share, NULL_SHARE));
}

/** What a real antenna still has where its pattern has nothing. */
const NULL_SHARE = 0.01;

/** What is between a sender's output and a receiver's input on one aircraft. */
export interface Isolation {
  readonly distanceMm: number;
  readonly db: number;
  /** True where the two are nearer than a wavelength, so that the figure is the stated one. */
  readonly isNear: boolean;
}

/** An antenna in its place. */
export interface Standing extends Held {
  readonly at: Spot;
}

/** The isolation between two antennas at a frequency. An estimate: the airframe is not in it. */
export function isolationBetween(a: Standing, b: Standing, mhz: number): Isolation {
  const apart = distanceMm(a.at, b.at);
  if (apart < wavelengthMm(mhz)) return { distanceMm: apart, db: NEAR_FIELD_DB, isNear: true };
  const gains = gainTowards(a.antenna, AXIS_DIRECTIONS[a.axis], a.at, b.at) + gainTowards(b.antenna, AXIS_DIRECTIONS[b.axis], b.at, a.at);
  const db = freeSpaceLossDb(apart, mhz) - gains + polarisationLossDb(a, b);
  return { distanceMm: apart, db: Math.max(NEAR_FIELD_DB, db), isNear: false };
}
