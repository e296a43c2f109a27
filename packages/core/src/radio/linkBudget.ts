import { ANTENNAS, type AntennaKind } from '../model/radio.ts';
import type { Held } from './isolation.ts';
import { polarisationLossDb, wavelengthMm } from './isolation.ts';
import type { RadioAt } from './antennasOf.ts';

/** One direction of a radio link. */
export interface Direction {
  readonly is: 'down' | 'up';
  readonly sendsDbm: number;
  readonly sensitivityDbm: number;
}

/** Heights over the ground. */
export interface Heights {
  readonly flightM: number;
  readonly groundM: number;
}

/** Cables and plugs at both ends, in dB. A round figure. */
const CABLES_DB = 1;

/** The directions of a radio that has its other end on the ground: what it sends down, and what it hears. */
export function directionsOf({ radio }: Pick<RadioAt, 'radio'>): readonly Direction[] {
  const { otherEnd, sendsDbm, hears } = radio;
  if (otherEnd === undefined) return [];
  const { sensitivityDbm } = otherEnd;
  const down: readonly Direction[] =
    sendsDbm === undefined || sensitivityDbm === undefined ? [] : [{ is: 'down', sendsDbm, sensitivityDbm }];
  const up: readonly Direction[] =
    otherEnd.sendsDbm === undefined || hears === undefined
      ? []
      : [{ is: 'up', sendsDbm: otherEnd.sendsDbm, sensitivityDbm: hears.sensitivityDbm }];
  return [...down, ...up];
}

/** What may be lost on the way before the link breaks, in dB. The axis of the antenna on the ground stands upright. */
export function bearableLossDb({ sendsDbm, sensitivityDbm }: Direction, air: Held, ground: AntennaKind): number {
  const other: Held = { antenna: ground, axis: 'up' };
  const gains = ANTENNAS[air.antenna].gainDbi + ANTENNAS[ground].gainDbi;
  return sendsDbm - sensitivityDbm + gains - polarisationLossDb(air, other) - CABLES_DB;
}

/**
 * What is lost over a distance with nothing in the way, in dB: in free space `20 log10(4 pi d / lambda)`; far out, where the ray off the
 * ground meets the straight one against it, `40 log10 d - 20 log10(h1 h2)`. The larger of the two.
 */
export function pathLossDb(distanceM: number, mhz: number, { flightM, groundM }: Heights): number {
  const d = Math.max(distanceM, 0.01);
  const freeSpace = 20 * Math.log10((4 * Math.PI * d * 1000) / wavelengthMm(mhz));
  const twoRays = 40 * Math.log10(d) - 20 * Math.log10(flightM * groundM);
  return Math.max(freeSpace, twoRays);
}

/** How far a link reaches that may lose so much, in metres: the inverse of `pathLossDb`. */
export function reachM(lossDb: number, mhz: number, { flightM, groundM }: Heights): number {
  const freeSpace = (10 ** (lossDb / 20) * wavelengthMm(mhz)) / (4 * Math.PI * 1000);
  const twoRays = Math.sqrt(10 ** (lossDb / 20) * flightM * groundM);
  return Math.min(freeSpace, twoRays);
}

/** A link with what it has to spare. */
export interface LinkBudget {
  readonly radio: RadioAt;
  readonly mhz: number;
  /** The direction that breaks first. */
  readonly weaker: Direction;
  readonly lossDb: number;
}

/** The budget of a radio's weaker direction; undefined when it has no other end. @param air instead of the antenna that it has */
export function linkBudget(radio: RadioAt, air: Held = radio, ground: AntennaKind = radio.groundAntenna): LinkBudget | undefined {
  const budgets = directionsOf(radio).map((weaker) => ({ weaker, lossDb: bearableLossDb(weaker, air, ground) }));
  const [first, ...others] = budgets;
  if (first === undefined) return undefined;
  const worst = others.reduce((least, next) => (next.lossDb < least.lossDb ? next : least), first);
  return { radio, mhz: (radio.radio.mhz[0] + radio.radio.mhz[1]) / 2, ...worst };
}

/** What a link has to spare at a distance, in dB. */
export function marginDb({ lossDb, mhz }: LinkBudget, distanceM: number, heights: Heights): number {
  return lossDb - pathLossDb(distanceM, mhz, heights);
}
