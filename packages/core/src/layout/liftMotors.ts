import type { AirframeKind } from '../model/airframes.ts';
import type { FramePlan, Spot } from '../model/frame.ts';
import { meanWing } from './wingGeometry.ts';

/** The directions of lift motors from the middle, in degrees from ahead to the right, as their functions are numbered. */
const ARMS: Partial<Readonly<Record<AirframeKind, readonly number[]>>> = {
  quad: [45, 225, 315, 135],
  hexa: [30, 90, 150, 210, 270, 330],
  'lift-and-cruise': [45, 225, 315, 135],
};

/** Where the lift motors of an airframe stand; none as long as their numbers are open. */
export function liftMotors(kind: AirframeKind, frame: FramePlan): readonly Spot[] {
  const { armMm, bodyLengthMm, bodyHeightMm = 0, wingWaterMm = 0 } = frame.numbers;
  const arms = ARMS[kind];
  const wing = meanWing(frame);
  const middle =
    kind === 'lift-and-cruise' ? (wing === undefined ? undefined : wing.stationMm + wing.chordMm / 4) : (bodyLengthMm ?? 0) / 2;
  if (arms === undefined || armMm === undefined || middle === undefined) return [];
  const water = kind === 'lift-and-cruise' ? wingWaterMm : bodyHeightMm / 2;
  return arms.map((degrees): Spot => {
    const angle = (degrees * Math.PI) / 180;
    return [middle - armMm * Math.cos(angle), armMm * Math.sin(angle), water];
  });
}
