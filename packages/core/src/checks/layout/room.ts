import { against, coordinates, quantity, size } from '../../text/numbers.ts';
import { distanceToPiece, outlineOf, type OutlinePiece } from '../../layout/outline.ts';
import type { Graph } from '../../graph/graph.ts';
import { baysOf } from '../../layout/bayAt.ts';
import { distanceMm, placedItems, type PlacedItem } from '../../layout/placedItems.ts';
import type { Bay, FramePlan, Spot } from '../../model/frame.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { pitotPlace } from './air.ts';
import { intoBaysRemedy, notYetPlaced } from './helpers/intoBays.ts';
import { boxesOf, freePlaces, isWellAfter } from './helpers/otherBays.ts';
import { BESIDE_MM, besideAirframeMm, moved } from './helpers/places.ts';

/** Less than this is how exactly one can place a part. */
const SLACK_MM = 0.5;

const AXES = [
  { axis: 0, low: 'forward', high: 'aft' },
  { axis: 1, low: 'left', high: 'right' },
  { axis: 2, low: 'down', high: 'up' },
] as const;

/** Something that flies and has no place yet. */
export const notPlaced: Check = {
  id: 'place.not-placed',
  stage: 'layout',
  title: 'Not placed yet',
  run: ({ graph }) => {
    if (graph.design.aircraft.airframe.frame === undefined) return [];
    const open = notYetPlaced(graph);
    if (open.length === 0) return [];
    const refs = open.map(({ item }) => item.ref);
    return [
      {
        severity: 'note',
        where: open.slice(0, 20).map(({ item }) => ({ is: 'item', item: item.id })),
        what: `${refs.slice(0, 8).join(', ')}${refs.length > 8 ? ` and ${refs.length - 8} others` : ''} ${refs.length === 1 ? 'is' : 'are'} not placed yet.`,
        evidence: [{ label: 'placed', value: `${graph.items.length - open.length} of ${graph.items.length}` }],
        why: 'Until then balance and cable lengths are unknown.',
        discriminator: 'all',
        remedies: () => intoBaysRemedy(graph),
      },
    ];
  },
};

/** A part that does not fit into its bay, or stands in another one. */
export const bayOverflow: Check = {
  id: 'place.bay-overflow',
  stage: 'layout',
  title: 'Does not fit',
  run: ({ graph }) => {
    const bays = graph.design.aircraft.airframe.frame?.bays ?? {};
    const placed = placedItems(graph);
    const out = placed.flatMap((entry) => {
      const bay = entry.place.bay === undefined ? undefined : bays[entry.place.bay];
      return bay === undefined ? [] : standsOut(entry, bay);
    });
    return [...out, ...overlaps(graph, placed)];
  },
};

function standsOut(entry: PlacedItem, bay: Bay): Saying[] {
  const { item, place, half } = entry;
  const over = AXES.flatMap(({ axis, low, high }) => {
    const room = bay.sizeMm[axis] / 2;
    const beside = place.at[axis] - bay.at[axis];
    const [atLow, atHigh] = [half[axis] - beside - room, half[axis] + beside - room];
    return [
      ...(atLow > SLACK_MM ? [`${quantity(atLow, 'mm')} ${low}`] : []),
      ...(atHigh > SLACK_MM ? [`${quantity(atHigh, 'mm')} ${high}`] : []),
    ];
  });
  if (over.length === 0) return [];
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: item.id }],
      what: `${item.ref} sticks out of the bay "${bay.title}": ${over.join(', ')}.`,
      evidence: [{ label: `${item.ref}, as turned`, value: boxText(half), limit: size(bay.sizeMm, 'mm') }],
      why: 'It does not fit in, or the hatch does not close.',
      discriminator: 'bay',
      remedies: () => moveInside(entry, bay),
    },
  ];
}

function moveInside(entry: PlacedItem, bay: Bay): readonly Remedy[] {
  const { item, place } = entry;
  const spot = fittingSpot(entry, bay);
  if (spot === undefined) return [];
  return [
    {
      label: `Move ${item.ref} inside`,
      sentence: `Move ${item.ref} to ${spot.join(', ')}, where it is inside the bay "${bay.title}".`,
      edit: { kind: 'place-item', item: item.id, place: { ...place, at: spot }, was: place },
    },
  ];
}

function boxText(half: PlacedItem['half']): string {
  return size(
    half.map((mm) => 2 * mm),
    'mm',
  );
}

/** The nearest spot at which an item is inside a bay; undefined when the bay is too small for it. */
function fittingSpot({ place, half }: PlacedItem, bay: Bay): PlacedItem['place']['at'] | undefined {
  const along = (axis: 0 | 1 | 2): number => {
    const room = bay.sizeMm[axis] / 2 - half[axis];
    return Math.min(Math.max(place.at[axis], bay.at[axis] - room), bay.at[axis] + room);
  };
  if (AXES.some(({ axis }) => half[axis] * 2 > bay.sizeMm[axis])) return undefined;
  return [along(0), along(1), along(2)];
}

/** Two parts that want the same room, in a bay or beside one. */
function overlaps(graph: Graph, placed: readonly PlacedItem[]): Saying[] {
  return placed.flatMap((a, i) =>
    placed.slice(i + 1).flatMap((b): Saying[] => {
      const least = overlapMm(a, b);
      if (least <= SLACK_MM) return [];
      return [
        {
          severity: 'mend',
          where: [
            { is: 'item', item: a.item.id },
            { is: 'item', item: b.item.id },
          ],
          what: `${a.item.ref} and ${b.item.ref} overlap.`,
          evidence: [{ label: 'overlap', ...against(least, 0, 'mm') }],
          why: 'Both cannot be in the same place.',
          discriminator: 'overlap',
          remedies: () => outOfTheWay(graph, a, b),
        },
      ];
    }),
  );
}

/** How deep two boxes are in each other along the axis where that is least; below 0 they are apart. */
function overlapMm(a: PlacedItem, b: PlacedItem): number {
  let least = Infinity;
  for (const { axis } of AXES) least = Math.min(least, a.half[axis] + b.half[axis] - Math.abs(a.place.at[axis] - b.place.at[axis]));
  return least;
}

/** The lighter of two to the nearest free spot: of its bay, or beside the other where it is in none. Else the heavier. */
function outOfTheWay(graph: Graph, a: PlacedItem, b: PlacedItem): readonly Remedy[] {
  for (const [one, other] of a.massG <= b.massG ? [[a, b] as const, [b, a] as const] : [[b, a] as const, [a, b] as const]) {
    const aside = one.place.bay === undefined ? besideIt(graph, one, other) : inOwnBay(graph, one);
    if (aside !== undefined) return [aside];
  }
  return [];
}

function inOwnBay(graph: Graph, { item, part, place }: PlacedItem): Remedy | undefined {
  const own = baysOf(graph.design.aircraft.airframe.frame).filter(([id]) => id === place.bay);
  const [free] = freePlaces(own, part, place, boxesOf(graph, item.id));
  if (free === undefined) return undefined;
  const edit = { kind: 'place-item' as const, item: item.id, place: free.place, was: place };
  if (!isWellAfter(graph, edit, () => true)) return undefined;
  const sentence = `Move ${item.ref} by ${quantity(free.awayMm, 'mm')} to ${coordinates(free.place.at, 'mm')}, where the bay "${free.bay.title}" has room for it.`;
  return { label: `Move ${item.ref} aside`, sentence, edit };
}

/** The shortest way out of another box that ends in no third one, and no farther from the airframe. */
function besideIt(graph: Graph, entry: PlacedItem, other: PlacedItem): Remedy | undefined {
  const { item, place } = entry;
  const others = placedItems(graph).filter((one) => one.item.id !== item.id);
  const ways = AXES.flatMap(({ axis }) => {
    const apart = entry.half[axis] + other.half[axis];
    return [-1, 1].map((side): Spot => {
      const to = other.place.at[axis] + side * apart;
      const at = (k: 0 | 1 | 2): number => (k === axis ? (side < 0 ? Math.floor(to) : Math.ceil(to)) : place.at[k]);
      return [at(0), at(1), at(2)];
    });
  }).sort((one, two) => distanceMm(one, place.at) - distanceMm(two, place.at));
  const outsideBefore = besideAirframeMm(graph, place.at);
  for (const at of ways) {
    if (others.some((third) => overlapMm({ ...entry, place: { ...place, at } }, third) > SLACK_MM)) continue;
    const edit = moved(entry, at);
    if (besideAirframeMm(graph, at) > outsideBefore || !isWellAfter(graph, edit, () => true)) continue;
    const sentence = `Move ${item.ref} by ${quantity(distanceMm(at, place.at), 'mm')} to ${coordinates(at, 'mm')}, beside ${other.item.ref}.`;
    return { label: `Move ${item.ref} aside`, sentence, edit };
  }
  return undefined;
}

/** A part without a bay that lies beside the airframe. */
export const outside: Check = {
  id: 'place.outside',
  stage: 'layout',
  title: 'Outside the airframe',
  run: ({ graph }) => {
    const { kind, frame } = graph.design.aircraft.airframe;
    if (frame === undefined) return [];
    const { plan } = outlineOf(kind, frame);
    return plan.length === 0 ? [] : placedItems(graph).flatMap((entry) => outsideOf(graph, frame, entry, plan));
  },
};

function outsideOf(graph: Graph, frame: FramePlan, entry: PlacedItem, plan: readonly OutlinePiece[]): Saying[] {
  const { item, place } = entry;
  if (place.bay !== undefined) return [];
  const beside = Math.min(...plan.map((piece) => distanceToPiece([place.at[0], place.at[1]], piece)));
  if (beside <= BESIDE_MM) return [];
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: item.id }],
      what: `${item.ref} is ${quantity(beside, 'mm')} outside the airframe.`,
      evidence: [{ label: `from ${item.ref} to the outline, from above`, ...against(beside, BESIDE_MM, 'mm') }],
      why: 'There is nothing to mount it on.',
      remedies: () => ontoAirframe(graph, frame, entry),
    },
  ];
}

/** So many spots are tried on the way to the airframe. */
const TRIES = 200;

/** Straight towards the nearest point of the airframe that cables pass, until it is at the outline. */
function ontoAirframe(graph: Graph, { points }: FramePlan, entry: PlacedItem): readonly Remedy[] {
  const { at } = entry.place;
  const [nearest] = Object.values(points).sort((a, b) => distanceMm(a.at, at) - distanceMm(b.at, at));
  if (nearest === undefined) return [];
  for (let i = 1; i <= TRIES; i++) {
    const along = (axis: 0 | 1 | 2): number => Math.round(at[axis] + ((nearest.at[axis] - at[axis]) * i) / TRIES);
    const to: Spot = [along(0), along(1), along(2)];
    if (besideAirframeMm(graph, to) > 0) continue;
    const edit = moved(entry, to);
    const disturbed = (one: Graph): number => pitotPlace.run({ graph: one }).length;
    if (!isWellAfter(graph, edit, (after) => disturbed(after) <= disturbed(graph))) return [];
    const sentence = `Move ${entry.item.ref} to ${to.join(', ')}, at the edge of the airframe on the way to "${nearest.title}".`;
    return [{ label: `Move ${entry.item.ref} onto it`, sentence, edit }];
  }
  return [];
}
