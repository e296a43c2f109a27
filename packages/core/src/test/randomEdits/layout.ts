import type { SimpleEdit } from '../../edits/registry.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { usualFrame } from '../../layout/usualFrame.ts';
import type { Design } from '../../model/design.ts';
import {
  FRAME_NUMBERS,
  frameNumbers,
  framePieces,
  type BayId,
  type FramePlan,
  type Place,
  type PointId,
  type RouteId,
} from '../../model/frame.ts';
import { asId } from '../../model/ids.ts';
import type { Draw } from './draw.ts';

const EMPTY: FramePlan = { numbers: {}, bays: {}, points: {}, routes: {} };
const TURNS = [0, 90, 180, 270] as const;

/** A random change of the airframe. */
export function frameEdit({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit {
  const { frame, kind } = aircraft.airframe;
  const { numbers, bays, points, routes } = frame ?? EMPTY;
  const number = frameNumbers[y % frameNumbers.length] ?? 'spanMm';
  const bay = asId<BayId>(`bay-${y % 3}`);
  const point = asId<PointId>(`point-${y % 4}`);
  const route = asId<RouteId>(`route-${y % 3}`);
  switch (x % 6) {
    case 5: {
      const piece = framePieces[y % framePieces.length] ?? 'body';
      return { kind: 'set-frame-carbon', piece, isCarbon: z % 3 !== 0, was: (frame?.carbon?.includes(piece) === true) !== isStale };
    }
    case 0:
      return { kind: 'set-frame', frame: z % 4 === 0 ? null : usualFrame(kind, 400 + z), was: isStale ? EMPTY : (frame ?? null) };
    case 1: {
      const { least, most } = FRAME_NUMBERS[number];
      const value = z % 4 === 0 ? null : Math.min(Math.max(z % 900, least), most);
      return { kind: 'set-frame-number', number, value, was: isStale ? 0.123 : (numbers[number] ?? null) };
    }
    case 2: {
      const made = { title: `bay ${z % 5}`, at: [z % 700, 0, 0] as const, sizeMm: [200, 100, 80] as const, access: 'hatch-above' as const };
      return { kind: 'set-bay', id: bay, bay: z % 4 === 0 ? null : made, was: isStale ? made : (bays[bay] ?? null) };
    }
    case 3: {
      const made = { title: `point ${z % 5}`, at: [z % 700, z % 90, 0] as const };
      return { kind: 'set-frame-point', id: point, point: z % 4 === 0 ? null : made, was: isStale ? made : (points[point] ?? null) };
    }
    default: {
      const ids = Object.keys(points);
      const end = (n: number): PointId => asId<PointId>(ids[n % Math.max(ids.length, 1)] ?? `point-${n % 4}`);
      const made = { a: end(z), b: end(z + 1), diameterMm: 12 };
      return { kind: 'set-route', id: route, route: z % 5 === 0 ? null : made, was: isStale ? made : (routes[route] ?? null) };
    }
  }
}

/** A random place, or mass, of an item. */
export function placeEdit(design: Design, { x, y, z, isStale }: Draw): SimpleEdit | undefined {
  const { items } = graphOf(design);
  const item = items[x % Math.max(1, items.length)]?.item;
  if (item === undefined) return undefined;
  if (y % 4 === 0) {
    return { kind: 'weigh-item', item: item.id, massG: z % 3 === 0 ? null : 1 + (z % 500), was: isStale ? 0.5 : (item.weighedG ?? null) };
  }
  const quarter = TURNS[z % 4] ?? 0;
  const place: Place = { at: [z % 800, (y % 400) - 200, 0], turn: [0, 0, quarter], yawDeg: z % 45, below: z % 2 === 0 };
  const bay = Object.keys(design.aircraft.airframe.frame?.bays ?? {})[y % 5];
  return {
    kind: 'place-item',
    item: item.id,
    place: z % 5 === 0 ? null : bay === undefined ? place : { ...place, bay: asId<BayId>(bay) },
    was: isStale ? { ...place, below: true, yawDeg: 1 } : (item.place ?? null),
  };
}
