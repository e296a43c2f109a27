import { isolationBetween } from './isolation.ts';
import type { PlacedAntenna } from './antennasOf.ts';

/** How far below its carrier a transmitter's harmonics are, by order, in dB. Round figures of filters as they are built. */
const HARMONIC_DB: Readonly<Record<number, number>> = { 2: 40, 3: 40, 4: 60, 5: 60 };
/** How far below the weaker of two carriers their third-order products are, in dB. A round figure. */
const THIRD_ORDER_DB = 60;
/** A product is heard when it is stronger than what the receiver hears at its weakest, less this. */
const BELOW_DB = 10;

type Band = readonly [lowMhz: number, highMhz: number];

/** Something that senders make on a frequency of a receiver of another radio. */
export interface Product {
  readonly is: 'harmonic' | 'third-order';
  readonly senders: readonly PlacedAntenna[];
  readonly receiver: PlacedAntenna;
  /** `3 x RADIO1`, `2 x RADIO1 - VTX1`. */
  readonly name: string;
  readonly mhz: Band;
  readonly levelDbm: number;
  /** What the receiver would still bear. */
  readonly limitDbm: number;
}

export function overlap([a, b]: Band, [c, d]: Band): Band | undefined {
  const [low, high] = [Math.max(a, c), Math.min(b, d)];
  return low <= high ? [low, high] : undefined;
}

/**
 * Harmonics to the fifth and third-order products of pairs that fall on a receiver of another part: those that it hears. Estimates
 * from the power, a usual suppression and the isolation.
 */
export function productsOf(antennas: readonly PlacedAntenna[]): readonly Product[] {
  const senders = antennas.filter(({ radio }) => radio.sendsDbm !== undefined);
  return antennas.flatMap((receiver) => {
    if (receiver.radio.hears === undefined) return [];
    const others = senders.filter(({ item }) => item.id !== receiver.item.id);
    return [...others.flatMap((sender) => harmonics(sender, receiver)), ...pairs(others).flatMap(([a, b]) => thirdOrder(a, b, receiver))];
  });
}

function pairs<T>(list: readonly T[]): (readonly [T, T])[] {
  return list.flatMap((a, i) => list.flatMap((b, j) => (i === j ? [] : [[a, b] as const])));
}

function harmonics(sender: PlacedAntenna, receiver: PlacedAntenna): Product[] {
  return Object.entries(HARMONIC_DB).flatMap(([order, suppressedDb]): Product[] => {
    const n = Number(order);
    const [low, high] = sender.radio.mhz;
    const mhz = overlap([n * low, n * high], receiver.radio.mhz);
    return mhz === undefined
      ? []
      : heard('harmonic', [sender], receiver, `${n} x ${sender.name}`, mhz, (sender.radio.sendsDbm ?? 0) - suppressedDb);
  });
}

/** Twice the one less the other. */
function thirdOrder(a: PlacedAntenna, b: PlacedAntenna, receiver: PlacedAntenna): Product[] {
  if (a.item.id === b.item.id) return [];
  const [[aLow, aHigh], [bLow, bHigh]] = [a.radio.mhz, b.radio.mhz];
  const mhz = overlap([2 * aLow - bHigh, 2 * aHigh - bLow], receiver.radio.mhz);
  if (mhz === undefined) return [];
  const dbm = Math.min(a.radio.sendsDbm ?? 0, b.radio.sendsDbm ?? 0) - THIRD_ORDER_DB;
  return heard('third-order', [a, b], receiver, `2 x ${a.name} - ${b.name}`, mhz, dbm);
}

function heard(
  is: Product['is'],
  senders: readonly PlacedAntenna[],
  receiver: PlacedAntenna,
  name: string,
  mhz: Band,
  dbm: number,
): Product[] {
  const limitDbm = (receiver.radio.hears?.sensitivityDbm ?? 0) - BELOW_DB;
  const nearest = senders[0];
  if (nearest === undefined) return [];
  const levelDbm = dbm - isolationBetween(nearest, receiver, (mhz[0] + mhz[1]) / 2).db;
  return levelDbm > limitDbm ? [{ is, senders, receiver, name, mhz, levelDbm, limitDbm }] : [];
}
