import {
  applyEdit,
  baysOf,
  graphOf,
  type Design,
  type Edit,
  type FramePlan,
  type Graph,
  type Item,
  type Place,
  type Spot,
} from '@wired-falcon/core';

/** Steps of a move: as usual, and with the fine key held. */
const STEP_MM = 5;
const FINE_STEP_MM = 1;
/** So near to the centre line, or to a wall of a bay, a part is drawn onto it. */
const DRAWN_MM = 6;

/**
 * The nearest place on the grid; near the centre line on it, and where the part's edge is near a wall of a bay against that. With the fine
 * key held only the grid counts.
 * @param half half of what the part takes along station and butt line
 */
export function snapped([station, butt, water]: Spot, isFine: boolean, half: Spot, frame: FramePlan): Spot {
  const step = isFine ? FINE_STEP_MM : STEP_MM;
  const onGrid = (value: number): number => Math.round(value / step) * step + 0;
  if (isFine) return [onGrid(station), onGrid(butt), water];
  const walls = baysOf(frame)
    .filter(([, { at, sizeMm }]) =>
      ([0, 1] as const).every((axis) => Math.abs((axis === 0 ? station : butt) - at[axis]) <= sizeMm[axis] / 2),
    )
    .map(([, bay]) => bay);
  const near = (value: number, axis: 0 | 1, more: readonly number[]): number => {
    const against = walls.flatMap(({ at, sizeMm }) => [-1, 1].map((side) => at[axis] + side * (sizeMm[axis] / 2 - half[axis])));
    const drawn = [...more, ...against].filter((target) => Math.abs(target - value) < DRAWN_MM);
    return drawn.length === 0 ? onGrid(value) : drawn.reduce((a, b) => (Math.abs(b - value) < Math.abs(a - value) ? b : a));
  };
  return [near(station, 0, []), near(butt, 1, [0]), water];
}

/** Where a part lies after an arrow key: up is towards the nose, right is right. */
export function stepped([station, butt, water]: Spot, key: string, isFine: boolean): Spot | undefined {
  const step = isFine ? FINE_STEP_MM : STEP_MM;
  switch (key) {
    case 'ArrowUp':
      return [station - step, butt, water];
    case 'ArrowDown':
      return [station + step, butt, water];
    case 'ArrowLeft':
      return [station, butt - step, water];
    case 'ArrowRight':
      return [station, butt + step, water];
    default:
      return undefined;
  }
}

/** A quarter turn more, nose right. */
export function turnedOnce(place: Place): Place {
  const [roll, pitch, yaw] = place.turn;
  return { ...place, turn: [roll, pitch, yaw === 270 ? 0 : yaw === 180 ? 270 : yaw === 90 ? 180 : 90] };
}

export function placeEdit(item: Item, place: Place | null): Edit {
  return { kind: 'place-item', item: item.id, place, was: item.place ?? null };
}

/** The aircraft as it would be with an edit; the present one when that cannot be made. */
export function graphWith(design: Design, edit: Edit | undefined): Graph {
  const made = edit === undefined ? undefined : applyEdit(design, edit);
  return graphOf(made === undefined || 'refused' in made ? design : made.design);
}
