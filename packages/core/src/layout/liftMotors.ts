import { AIRFRAME_KINDS, isWingless, type AirframeKind } from '../model/airframes.ts';
import type { Rotor } from '../model/airframes/rotor.ts';
import type { FramePlan, Spot } from '../model/frame.ts';
import { meanWing } from './wingGeometry.ts';

/** A lift motor with the middle of its propeller. */
export interface PlacedRotor {
  readonly rotor: Rotor;
  readonly at: Spot;
}

/** How far the two propellers of one arm are above and below it, as a share of the arm. */
const APART = 0.12;

/** Where the lift motors of an airframe stand; none as long as their numbers are open. */
export function liftMotors(kind: AirframeKind, frame: FramePlan): readonly PlacedRotor[] {
  const { armMm, bodyLengthMm, bodyHeightMm = 0, wingWaterMm = 0 } = frame.numbers;
  const wing = meanWing(frame);
  const middle = isWingless(kind) ? (bodyLengthMm ?? 0) / 2 : wing === undefined ? undefined : wing.stationMm + wing.chordMm / 4;
  if (armMm === undefined || middle === undefined) return [];
  const water = isWingless(kind) ? bodyHeightMm / 2 : wingWaterMm;
  return AIRFRAME_KINDS[kind].rotors.map((rotor): PlacedRotor => {
    const angle = (rotor.azimuthDeg * Math.PI) / 180;
    const above = rotor.place.endsWith('-upper') ? APART * armMm : rotor.place.endsWith('-lower') ? -APART * armMm : 0;
    return { rotor, at: [middle - armMm * Math.cos(angle), armMm * Math.sin(angle), water + above] };
  });
}
