import { BayIdSchema, type Bay, type BayId, type FramePlan, type Place, type Spot } from '../model/frame.ts';
import { hasShape } from '../model/shape.ts';

/** The bays of an airframe with their ids. */
export function baysOf(frame: FramePlan | undefined): readonly (readonly [BayId, Bay])[] {
  return Object.entries(frame?.bays ?? {}).flatMap(([id, bay]) => (hasShape(BayIdSchema, id) ? [[id, bay] as const] : []));
}

/** The bay that a spot lies in, the nearest by its middle where bays overlap; undefined outside of all. */
export function bayAt(frame: FramePlan, spot: Spot): BayId | undefined {
  let found: BayId | undefined;
  let least = Infinity;
  for (const [id, { at, sizeMm }] of baysOf(frame)) {
    const away = Math.hypot(spot[0] - at[0], spot[1] - at[1], spot[2] - at[2]);
    const isIn = ([0, 1, 2] as const).every((axis) => Math.abs(spot[axis] - at[axis]) <= sizeMm[axis] / 2);
    if (isIn && away < least) [found, least] = [id, away];
  }
  return found;
}

/** A place whose middle has moved, in the bay that it lies in now, or in none. */
export function inBayOfSpot(frame: FramePlan, { bay: _left, ...rest }: Place): Place {
  const bay = bayAt(frame, rest.at);
  return bay === undefined ? rest : { ...rest, bay };
}
