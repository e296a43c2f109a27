import type { AirframeKind } from '../model/airframes.ts';
import { requiredFunctions } from '../model/airframes.ts';
import type { FramePlan } from '../model/frame.ts';
import type { OutputFunction } from '../model/outputFunctions.ts';
import type { Flat } from './outline.ts';

/** A movable surface seen from above: the ends of its hinge, and how far its trailing edge is behind, in mm. */
export interface SurfaceShape {
  readonly function: OutputFunction;
  readonly hinge: readonly [Flat, Flat];
  readonly chordMm: number;
  /** True for one that stands: it swings aside instead of up and down. */
  readonly isUpright: boolean;
}

/** Along half of the span, from the body out, and as a share of the chord there. */
interface OnWing {
  readonly from: number;
  readonly to: number;
  readonly chord: number;
  /** Where its trailing edge is, as a share of the chord from the trailing edge of the wing: of a spoiler, on top of it. */
  readonly ahead: number;
}

const ON_WING: Readonly<Partial<Record<OutputFunction, OnWing>>> = {
  'aileron-left': { from: 0.5, to: 0.92, chord: 0.24, ahead: 0 },
  'aileron-right': { from: 0.5, to: 0.92, chord: 0.24, ahead: 0 },
  ailerons: { from: 0.5, to: 0.92, chord: 0.24, ahead: 0 },
  'flaperon-left': { from: 0.15, to: 0.92, chord: 0.24, ahead: 0 },
  'flaperon-right': { from: 0.15, to: 0.92, chord: 0.24, ahead: 0 },
  'elevon-left': { from: 0.25, to: 0.92, chord: 0.22, ahead: 0 },
  'elevon-right': { from: 0.25, to: 0.92, chord: 0.22, ahead: 0 },
  'flap-left': { from: 0.15, to: 0.46, chord: 0.26, ahead: 0 },
  'flap-right': { from: 0.15, to: 0.46, chord: 0.26, ahead: 0 },
  'spoiler-left': { from: 0.2, to: 0.42, chord: 0.1, ahead: 0.45 },
  'spoiler-right': { from: 0.2, to: 0.42, chord: 0.1, ahead: 0.45 },
};

/** The part of the tail's chord that moves. */
const TAIL_SHARE = 0.4;

/** The surfaces of an airframe as they are seen from above; none where its numbers are open. */
export function surfaceShapes(kind: AirframeKind, { numbers }: FramePlan): readonly SurfaceShape[] {
  const { spanMm, rootChordMm, tipChordMm, sweepMm = 0, wingStationMm, tailStationMm, tailSpanMm, tailChordMm } = numbers;
  return requiredFunctions(kind).flatMap((name): SurfaceShape[] => {
    const onWing = ON_WING[name];
    if (
      onWing !== undefined &&
      spanMm !== undefined &&
      rootChordMm !== undefined &&
      tipChordMm !== undefined &&
      wingStationMm !== undefined
    ) {
      const chordAt = (share: number): number => rootChordMm + share * (tipChordMm - rootChordMm);
      const chordMm = chordAt((onWing.from + onWing.to) / 2) * onWing.chord;
      const at = (share: number, side: number): Flat => [
        wingStationMm + share * sweepMm + chordAt(share) * (1 - onWing.ahead) - chordMm,
        side * share * (spanMm / 2),
      ];
      const sides = name === 'ailerons' ? [-1, 1] : [name.endsWith('-left') ? -1 : 1];
      return sides.map((side) => ({ function: name, hinge: [at(onWing.from, side), at(onWing.to, side)], chordMm, isUpright: false }));
    }
    if (name === 'rudder-left' || name === 'rudder-right') {
      if (spanMm === undefined || tipChordMm === undefined || wingStationMm === undefined) return [];
      const butt = (name === 'rudder-left' ? -1 : 1) * (spanMm / 2);
      const hinge = wingStationMm + sweepMm + 0.7 * tipChordMm;
      return [
        {
          function: name,
          hinge: [
            [hinge, butt],
            [hinge, butt],
          ],
          chordMm: 0.45 * tipChordMm,
          isUpright: true,
        },
      ];
    }
    if (tailStationMm === undefined || tailSpanMm === undefined || tailChordMm === undefined) return [];
    const hinge = tailStationMm + (1 - TAIL_SHARE) * tailChordMm;
    const chordMm = TAIL_SHARE * tailChordMm;
    const [half, gap] = [tailSpanMm / 2, tailSpanMm / 20];
    switch (name) {
      case 'elevator':
        return [
          {
            function: name,
            hinge: [
              [hinge, -0.95 * half],
              [hinge, 0.95 * half],
            ],
            chordMm,
            isUpright: false,
          },
        ];
      case 'rudder':
        return [
          {
            function: name,
            hinge: [
              [hinge, 0],
              [hinge, 0],
            ],
            chordMm: 1.3 * chordMm,
            isUpright: true,
          },
        ];
      case 'v-tail-left':
      case 'a-tail-left':
        return [
          {
            function: name,
            hinge: [
              [hinge, -0.95 * half],
              [hinge, -gap],
            ],
            chordMm,
            isUpright: false,
          },
        ];
      case 'v-tail-right':
      case 'a-tail-right':
        return [
          {
            function: name,
            hinge: [
              [hinge, gap],
              [hinge, 0.95 * half],
            ],
            chordMm,
            isUpright: false,
          },
        ];
      default:
        return [];
    }
  });
}
