import { halfOf, type ItemId, type PlacedItem } from '@wired-falcon/core';
import { boxOfLabel, isWithin, overlap, widthOf, type Box, type TextLabel } from './labelBoxes.ts';
import type { ViewBox } from '../../drawing/viewBoxes.ts';

/** The name of a part on the plan. */
export interface PartLabel extends TextLabel {
  readonly item: ItemId;
  /** From the part to a name that stands apart from it. */
  readonly leader: readonly [x: number, y: number][] | undefined;
}

/** From name to name in a column, in heights of a letter. */
const LINE = 1.2;

/**
 * Where the names of parts stand: in a part that has room for it and is not covered; of the others in bays in a column beside the crowd,
 * with a line to the part; of those outside of bays beside them, where that is free. Parts outside the window have none.
 */
export function partLabels(parts: readonly PlacedItem[], view: ViewBox, letterMm: number): readonly PartLabel[] {
  const shown = parts.map((entry) => ({ entry, box: boxOf(entry) })).filter(({ box }) => overlap(box, view));
  const own = shown.map((one) => ({ one, label: insideOf(one, shown, letterMm) }));
  const others = own.filter(({ label }) => label === undefined).map(({ one }) => one);
  const crowded = others.filter(({ entry }) => entry.place.bay !== undefined);
  const apart = others.filter((one) => !crowded.includes(one));
  const inside = own.flatMap(({ label }) => label ?? []);
  const columns = inColumns(crowded, apart, view, letterMm);
  const besides: PartLabel[] = [];
  for (const one of apart) {
    const taken = [...inside, ...columns, ...besides].map((label) => boxOfLabel(label, letterMm));
    const [right, ...more] = placesBeside(one, letterMm);
    const free = [right, ...more].find((label) => {
      const box = boxOfLabel(label, letterMm);
      return isWithin(box, view) && !shown.some((other) => overlap(other.box, box)) && !taken.some((other) => overlap(other, box));
    });
    besides.push(free ?? right);
  }
  return [...inside, ...columns, ...besides];
}

/** The name in the middle of a part, where it has room and nothing higher covers it. */
function insideOf(one: Shown, shown: readonly Shown[], letterMm: number): PartLabel | undefined {
  const [x, y] = middle(one.box);
  const label = labelAt(one, x, y, 'middle');
  const box = boxOfLabel(label, letterMm);
  const isCovered = shown.some((other) => other !== one && other.entry.place.at[2] > one.entry.place.at[2] && overlap(other.box, box));
  return one.box.width > box.width && one.box.height > box.height && !isCovered ? label : undefined;
}

function labelAt({ entry: { item } }: Shown, x: number, y: number, anchor: PartLabel['anchor'], leader?: PartLabel['leader']): PartLabel {
  return { item: item.id, text: item.ref, x, y, anchor, leader };
}

interface Shown {
  readonly entry: PlacedItem;
  readonly box: Box;
}

/** What a part takes on the plan. */
export function boxOf({ part, place }: PlacedItem): Box {
  const half = halfOf(part.sizeMm, place);
  return { x: place.at[1] - half[1], y: place.at[0] - half[0], width: half[1] * 2, height: half[0] * 2 };
}

function middle({ x, y, width, height }: Box): readonly [number, number] {
  return [x + width / 2, y + height / 2];
}

/** To the right, to the left, below and above a part. */
function placesBeside(one: Shown, letterMm: number): readonly [PartLabel, ...PartLabel[]] {
  const { box } = one;
  const gap = letterMm * 0.4;
  const [x, y] = middle(box);
  return [
    labelAt(one, box.x + box.width + gap, y, 'start'),
    labelAt(one, box.x - gap, y, 'end'),
    labelAt(one, x, box.y + box.height + gap + letterMm / 2, 'middle'),
    labelAt(one, x, box.y - gap - letterMm / 2, 'middle'),
  ];
}

/** So often a column is moved outwards by a letter, when parts outside of the crowd lie where it would stand. */
const MOST_MOVES = 8;

/** Names in a column on either side of the crowd, in the order of their stations, each as near to its part as the others let it. */
function inColumns(crowded: readonly Shown[], apart: readonly Shown[], view: ViewBox, letterMm: number): readonly PartLabel[] {
  if (crowded.length === 0) return [];
  const lowest = Math.min(...crowded.map(({ box }) => box.x));
  const highest = Math.max(...crowded.map(({ box }) => box.x + box.width));
  const [left, right] = sidesOf(crowded, letterMm);
  const longest = (side: readonly Shown[]): number => Math.max(0, ...side.map(({ entry }) => widthOf(entry.item.ref, letterMm)));
  const isFree = (labels: readonly PartLabel[]): boolean =>
    !labels.some((label) => apart.some(({ box }) => overlap(box, boxOfLabel(label, letterMm))));
  const placed = (side: readonly Shown[], xAt: (outMm: number) => number, anchor: 'start' | 'end'): readonly PartLabel[] => {
    const tries = Array.from({ length: MOST_MOVES }, (_, i) => column(side, xAt(letterMm * (1.6 + i)), anchor, view, letterMm));
    return tries.find(isFree) ?? tries[0] ?? [];
  };
  return [
    ...placed(left, (outMm) => Math.max(lowest - outMm, view.x + longest(left)), 'end'),
    ...placed(right, (outMm) => Math.min(highest + outMm, view.x + view.width - longest(right)), 'start'),
  ];
}

/** The parts whose names stand on the left and on the right: on their own side; those in the middle by turns. */
function sidesOf(crowded: readonly Shown[], letterMm: number): readonly [left: readonly Shown[], right: readonly Shown[]] {
  const centre = (Math.min(...crowded.map(({ box }) => middle(box)[0])) + Math.max(...crowded.map(({ box }) => middle(box)[0]))) / 2;
  const left: Shown[] = [];
  const right: Shown[] = [];
  for (const one of [...crowded].sort(byStation)) {
    const off = middle(one.box)[0] - centre;
    const isLeft = Math.abs(off) < letterMm / 2 ? left.length < right.length : off < 0;
    (isLeft ? left : right).push(one);
  }
  return [left, right];
}

function byStation(a: Shown, b: Shown): number {
  return middle(a.box)[1] - middle(b.box)[1] || middle(a.box)[0] - middle(b.box)[0];
}

/** @param side in the order of their stations */
function column(side: readonly Shown[], x: number, anchor: 'start' | 'end', view: ViewBox, letterMm: number): readonly PartLabel[] {
  const ys = spread(
    side.map(({ box }) => middle(box)[1]),
    letterMm * LINE,
    view.y + letterMm,
    view.y + view.height - letterMm,
  );
  const inwards = letterMm * (anchor === 'start' ? -0.3 : 0.3);
  return side.map((one, i) => {
    const [px, py] = middle(one.box);
    const y = ys[i] ?? py;
    return labelAt(one, x, y, anchor, [
      [px, py],
      [x + inwards * 3, y],
      [x + inwards, y],
    ]);
  });
}

/**
 * Places on a line, each as near to where it is wanted as a least distance between neighbours lets it: runs that touch are moved
 * together, so that their middle stays where the middle of their wishes is.
 * @param wanted in rising order
 */
export function spread(wanted: readonly number[], leastApart: number, from: number, to: number): readonly number[] {
  interface Run {
    readonly count: number;
    /** The sum of where its first would be wanted by each of its members. */
    readonly firsts: number;
  }
  const start = ({ count, firsts }: Run): number => clamped(firsts / count, from, to - (count - 1) * leastApart);
  const runs: Run[] = [];
  for (const wish of wanted) {
    let run: Run = { count: 1, firsts: wish };
    for (let last = runs.at(-1); last !== undefined && start(last) + last.count * leastApart > start(run); last = runs.at(-1)) {
      runs.pop();
      run = { count: last.count + run.count, firsts: last.firsts + run.firsts - run.count * last.count * leastApart };
    }
    runs.push(run);
  }
  return runs.flatMap((run) => Array.from({ length: run.count }, (_, i) => start(run) + i * leastApart));
}

function clamped(value: number, least: number, most: number): number {
  return Math.max(least, Math.min(value, most));
}
