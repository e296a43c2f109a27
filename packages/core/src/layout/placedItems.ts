import type { Graph } from '../graph/graph.ts';
import type { Item } from '../model/aircraft.ts';
import type { Place, Spot } from '../model/frame.ts';
import type { Port, ResolvedPart } from '../model/part.ts';
import { turned, turningOf } from './turning.ts';

/** An item that somebody has placed. */
export interface PlacedItem {
  readonly index: number;
  readonly item: Item;
  readonly part: ResolvedPart;
  readonly place: Place;
  readonly massG: number;
  /** Half of what it takes along station, butt line and water line, as it is turned. */
  readonly half: Spot;
}

const cache = new WeakMap<Graph, readonly PlacedItem[]>();

/** The items of the aircraft that have a place, in natural order of their references. */
export function placedItems(graph: Graph): readonly PlacedItem[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const placed = graph.items.flatMap(({ item, part }, index): PlacedItem[] => {
    const { place } = item;
    if (place === undefined || part === undefined || item.where !== 'aircraft') return [];
    return [{ index, item, part, place, massG: massOf(item, part), half: halfOf(part.sizeMm, place) }];
  });
  cache.set(graph, placed);
  return placed;
}

/** As weighed, else by the part's data. */
export function massOf(item: Item, part: ResolvedPart): number {
  return item.weighedG ?? part.massG;
}

/** Half of the box along the axes of the aircraft that a part fills as it is turned. */
export function halfOf([length, width, height]: ResolvedPart['sizeMm'], place: Place): Spot {
  const turning = turningOf(place);
  const along = ([a, b, c]: Spot): number => (Math.abs(a) * length + Math.abs(b) * width + Math.abs(c) * height) / 2;
  return [along(turning[0]), along(turning[1]), along(turning[2])];
}

/** The outward direction of each side of a part, in its own axes. Ports without a side lie in the middle. */
const OUTWARD: Readonly<Record<NonNullable<Port['side']>, Spot>> = {
  front: [-1, 0, 0],
  rear: [1, 0, 0],
  left: [0, -1, 0],
  right: [0, 1, 0],
  top: [0, 0, 1],
  bottom: [0, 0, -1],
};

/** Where a port of a placed item is, in mm. Ports of one side share its middle. */
export function portSpot({ part, place }: PlacedItem, port: Port): Spot {
  const [length, width, height] = part.sizeMm;
  const [x, y, z] = port.side === undefined ? [0, 0, 0] : OUTWARD[port.side];
  const [station, butt, water] = turned([(x * length) / 2, (y * width) / 2, (z * height) / 2], turningOf(place));
  return [place.at[0] + station, place.at[1] + butt, place.at[2] + water];
}

/** The direction in which a plug comes out of a port of a placed item; undefined where nobody has stated its side. */
export function portOutward({ place }: PlacedItem, { side }: Port): Spot | undefined {
  return side === undefined ? undefined : turned(OUTWARD[side], turningOf(place));
}

export function distanceMm(a: Spot, b: Spot): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
}
