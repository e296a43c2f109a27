import { describe, expect, it } from '@jest/globals';
import { asId, demoAircraft, graphOf, halfOf, outlineOf, placedItems, type AircraftId, type PlacedItem } from '@wired-falcon/core';
import fc from 'fast-check';
import { partLabels, spread, type PartLabel } from './partLabels.ts';
import { aroundPieces, fromAbove, type ViewBox } from '../../drawing/viewBoxes.ts';

const LETTER_MM = 10;

function planOf(id: string): { readonly parts: readonly PlacedItem[]; readonly view: ViewBox } {
  let count = 0;
  const design = demoAircraft.find((each) => each.id === id)?.build(asId<AircraftId>(id), () => `id${++count}`);
  const frame = design?.aircraft.airframe.frame;
  if (design === undefined || frame === undefined) throw new Error(`There is no ${id}.`);
  const outline = outlineOf(design.aircraft.airframe.kind, frame);
  return { parts: placedItems(graphOf(design)), view: aroundPieces(outline.plan, fromAbove) };
}

function extent({ text, x, y, anchor }: PartLabel): readonly [left: number, top: number, right: number, bottom: number] {
  const width = text.length * LETTER_MM * 0.62;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return [left, y - LETTER_MM / 2, left + width, y + LETTER_MM / 2];
}

describe('the names of parts on the plan', () => {
  it.each(demoAircraft.map(({ id }) => id))('stand once for every part of %s, and none on another', (id) => {
    const { parts, view } = planOf(id);
    const labels = partLabels(parts, view, LETTER_MM);
    expect(labels.map(({ text }) => text).sort()).toEqual(parts.map(({ item }) => item.ref).sort());
    const clashes = labels.flatMap((one, i) =>
      labels.slice(i + 1).flatMap((other) => {
        const [a, b] = [extent(one), extent(other)];
        return a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3] ? [`${one.text} on ${other.text}`] : [];
      }),
    );
    expect(clashes).toEqual([]);
  });

  it('stand in a part that has room, and not where a higher part covers it', () => {
    const { parts, view } = planOf('saltmarsh');
    const pack = parts.find(({ item }) => item.ref === 'BAT1');
    if (pack === undefined) throw new Error('There is no BAT1.');
    expect(partLabels([pack], view, 3)).toMatchObject([{ text: 'BAT1', anchor: 'middle', leader: undefined }]);
    const [station, butt, water] = pack.place.at;
    const over: PlacedItem = { ...pack, item: { ...pack.item, ref: 'TOP1' }, place: { ...pack.place, at: [station, butt, water + 50] } };
    const [covered, top] = ['BAT1', 'TOP1'].map((ref) => partLabels([pack, over], view, 3).find(({ text }) => text === ref));
    expect(covered?.leader).toBeDefined();
    expect(top?.leader).toBeUndefined();
  });

  it('are left out where the window does not show the part, and a line of one begins in it', () => {
    const { parts } = planOf('mudflat');
    const [first] = parts;
    if (first === undefined) throw new Error('Nothing is placed.');
    const [station, butt] = first.place.at;
    const view = { x: butt - 150, y: station - 150, width: 300, height: 300 };
    const labels = partLabels(parts, view, LETTER_MM);
    expect(labels.length).toBeGreaterThan(0);
    expect(labels.length).toBeLessThan(parts.length);
    for (const { item, leader } of labels) {
      const part = parts.find((entry) => entry.item.id === item);
      const start = leader?.[0];
      if (part === undefined || start === undefined) continue;
      const half = halfOf(part.part.sizeMm, part.place);
      expect(Math.abs(start[0] - part.place.at[1])).toBeLessThanOrEqual(half[1]);
      expect(Math.abs(start[1] - part.place.at[0])).toBeLessThanOrEqual(half[0]);
    }
  });
});

describe('spread', () => {
  const wishes = fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 1, maxLength: 20 }).map((all) => [...all].sort((a, b) => a - b));

  it('keeps order, distance and limits, and moves nothing that has room', () => {
    fc.assert(
      fc.property(wishes, fc.integer({ min: 1, max: 40 }), (wanted, apart) => {
        const places = spread(wanted, apart, -500, 1500);
        expect(places).toHaveLength(wanted.length);
        places.slice(1).forEach((place, i) => expect(place - (places[i] ?? 0)).toBeGreaterThanOrEqual(apart - 1e-9));
        expect(places[0]).toBeGreaterThanOrEqual(-500);
        expect(places.at(-1)).toBeLessThanOrEqual(1500 + 1e-9);
        if (wanted.slice(1).every((wish, i) => wish - (wanted[i] ?? 0) >= apart)) expect(places).toEqual(wanted);
      }),
    );
  });

  it('moves two that want one place apart to both sides of it', () => {
    expect(spread([100, 100], 10, 0, 1000)).toEqual([95, 105]);
    expect(spread([3, 3, 3], 10, 0, 1000)).toEqual([0, 10, 20]);
  });
});
