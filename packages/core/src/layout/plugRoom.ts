import { BAY_ACCESS, type Bay, type Spot } from '../model/frame.ts';
import type { Port } from '../model/part.ts';
import { portOutward, portSpot, type PlacedItem } from './placedItems.ts';

/** What a plug runs into first, straight out of a port, and how far that is. */
export type PlugRoom =
  | { readonly is: 'free' }
  | { readonly is: 'wall'; readonly mm: number }
  | { readonly is: 'item'; readonly mm: number; readonly ref: string };

/** Half of the thickness of a plug: what is farther beside its way lets it pass. */
const PLUG_HALF_MM = 5;

/**
 * The room for a plug straight out of a port in a bay, to the wall or to what lies before it. A hatch is no wall, and an open bay has none.
 * A port whose side nobody has stated is taken to be free.
 * @param others what else is placed, in whatever bay
 */
export function plugRoom(placed: PlacedItem, port: Port, bay: Bay, others: readonly PlacedItem[]): PlugRoom {
  const outward = portOutward(placed, port);
  if (outward === undefined) return { is: 'free' };
  const from = portSpot(placed, port);
  const wall: PlugRoom = { is: 'wall', mm: toWallMm(from, outward, bay) };
  const found = others.flatMap(({ item, place, half }): PlugRoom[] => {
    const mm = item.id === placed.item.id ? undefined : toBoxMm(from, outward, place.at, half);
    return mm === undefined ? [] : [{ is: 'item', mm, ref: item.ref }];
  });
  const nearest = [wall, ...found].reduce((best, one) => (roomMm(one) < roomMm(best) ? one : best));
  return roomMm(nearest) === Infinity ? { is: 'free' } : nearest;
}

function roomMm(room: PlugRoom): number {
  return room.is === 'free' ? Infinity : room.mm;
}

const AXES = [0, 1, 2] as const;

/** Along a direction to the wall of a bay; infinite through its hatch. */
function toWallMm(from: Spot, outward: Spot, { at, sizeMm, access }: Bay): number {
  if (access === 'open') return Infinity;
  const way = AXES.map((axis) => {
    const step = outward[axis];
    if (Math.abs(step) < 1e-9 || (axis === 2 && isHatch(access, step))) return Infinity;
    return (at[axis] + (Math.sign(step) * sizeMm[axis]) / 2 - from[axis]) / step;
  });
  return Math.max(0, Math.min(...way));
}

function isHatch(access: keyof typeof BAY_ACCESS, up: number): boolean {
  return access === (up > 0 ? 'hatch-above' : 'hatch-below');
}

/** Along a direction to a box that is in the way of a plug; undefined where the plug passes it. */
function toBoxMm(from: Spot, outward: Spot, at: Spot, half: Spot): number | undefined {
  let [enter, leave] = [0, Infinity];
  for (const axis of AXES) {
    const beside = at[axis] - from[axis];
    const room = half[axis] + PLUG_HALF_MM * (1 - Math.abs(outward[axis]));
    const step = outward[axis];
    if (Math.abs(step) < 1e-9) {
      if (Math.abs(beside) >= room) return undefined;
      continue;
    }
    const [one, other] = [(beside - room) / step, (beside + room) / step];
    enter = Math.max(enter, Math.min(one, other));
    leave = Math.min(leave, Math.max(one, other));
  }
  return enter < leave ? enter : undefined;
}
