import type { FramePlan } from '../model/frame.ts';

/** The wing that carries the same as the real one, as one rectangle: its chord, where that stands, and the area. */
export interface MeanWing {
  readonly chordMm: number;
  /** Station of its leading edge. */
  readonly stationMm: number;
  readonly areaMm2: number;
}

/**
 * Mean aerodynamic chord of a straight tapered wing: `2/3 c (1 + t + t^2) / (1 + t)` at `b/6 (1 + 2t) / (1 + t)` from the middle, with the
 * taper `t` (any textbook of aerodynamics). Undefined as long as span, chords or station are open.
 */
export function meanWing({ numbers }: FramePlan): MeanWing | undefined {
  const { spanMm, rootChordMm, tipChordMm, sweepMm = 0, wingStationMm } = numbers;
  if (spanMm === undefined || rootChordMm === undefined || tipChordMm === undefined || wingStationMm === undefined) return undefined;
  const taper = tipChordMm / rootChordMm;
  const chordMm = ((2 / 3) * rootChordMm * (1 + taper + taper ** 2)) / (1 + taper);
  const share = (1 + 2 * taper) / (3 * (1 + taper));
  return { chordMm, stationMm: wingStationMm + share * sweepMm, areaMm2: (spanMm * (rootChordMm + tipChordMm)) / 2 };
}
