import type { Graph } from '../graph/graph.ts';
import { distanceMm } from '../layout/placedItems.ts';
import type { Spot } from '../model/frame.ts';
import { placedAntennas, type PlacedAntenna } from './antennasOf.ts';

/** The spread of a phase measurement at each of two antennas, in mm. A usual figure. */
export const SIGMA_MM = 5;

/** Two antennas of one satellite receiver. */
export interface Baseline {
  readonly item: Graph['items'][number]['item']['id'];
  readonly ref: string;
  /** Where the first antenna is, and the second. */
  readonly from: Spot;
  readonly second: PlacedAntenna;
  readonly lengthMm: number;
  /** `atan(sigma / baseline)`. */
  readonly errorDeg: number;
  /** From the first to the second, turned from forward to the right, in degrees. */
  readonly bearingDeg: number;
}

/** The baselines of receivers that state which of their antennas is the first and which the second. */
export function baselinesOf(graph: Graph): readonly Baseline[] {
  const antennas = placedAntennas(graph);
  return antennas.flatMap((first): Baseline[] => {
    if (first.radio.heading !== 'first') return [];
    const second = antennas.find(({ item, radio }) => item.id === first.item.id && radio.heading === 'second');
    if (second === undefined) return [];
    const lengthMm = distanceMm(first.at, second.at);
    return [
      {
        item: first.item.id,
        ref: first.item.ref,
        from: first.at,
        second,
        lengthMm,
        errorDeg: (Math.atan2(SIGMA_MM, lengthMm) * 180) / Math.PI,
        bearingDeg: (Math.atan2(second.at[1] - first.at[1], first.at[0] - second.at[0]) * 180) / Math.PI,
      },
    ];
  });
}
