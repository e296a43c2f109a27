import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { boxOfLabel, firstFree, isWithin, overlap, type Box, type TextLabel } from './labelBoxes.ts';

const box: fc.Arbitrary<Box> = fc.record({
  x: fc.integer({ min: -50, max: 50 }),
  y: fc.integer({ min: -50, max: 50 }),
  width: fc.integer({ min: 1, max: 40 }),
  height: fc.integer({ min: 1, max: 40 }),
});
const anchors: readonly TextLabel['anchor'][] = ['start', 'middle', 'end'];

describe('the room of a label', () => {
  it('begins, is centred or ends where it is anchored, and is as wide as its text', () => {
    const [start, middle, end] = anchors.map((anchor) => boxOfLabel({ text: 'FC1', x: 100, y: 50, anchor }, 10));
    expect(start?.x).toBe(100);
    expect((middle?.x ?? 0) + (middle?.width ?? 0) / 2).toBeCloseTo(100, 9);
    expect((end?.x ?? 0) + (end?.width ?? 0)).toBeCloseTo(100, 9);
    expect([start, middle, end].map((one) => [one?.y, one?.height])).toEqual([
      [45, 10],
      [45, 10],
      [45, 10],
    ]);
    expect(boxOfLabel({ text: 'RADIO1', x: 0, y: 0, anchor: 'start' }, 10).width).toBeCloseTo(2 * (start?.width ?? 0), 9);
  });

  it('overlaps another where some point lies inside both', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        // Corners are whole numbers: two boxes that overlap share the middle of some unit square.
        let shared = false;
        for (let x = a.x; x < a.x + a.width; x++) {
          for (let y = a.y; y < a.y + a.height; y++) shared ||= x >= b.x && x < b.x + b.width && y >= b.y && y < b.y + b.height;
        }
        expect(overlap(a, b)).toBe(shared);
        expect(overlap(b, a)).toBe(shared);
        if (isWithin(a, b)) expect(shared).toBe(true);
      }),
    );
  });
});

describe('the first free place', () => {
  const places: readonly [TextLabel, ...TextLabel[]] = [
    { text: 'A', x: 0, y: 0, anchor: 'start' },
    { text: 'A', x: 100, y: 0, anchor: 'start' },
    { text: 'A', x: 200, y: 0, anchor: 'start' },
  ];
  const at = (x: number): Box => ({ x, y: -5, width: 10, height: 10 });

  it('is the first that stands on nothing, and the first of all where every one does', () => {
    expect(firstFree(places, 10, []).x).toBe(0);
    expect(firstFree(places, 10, [at(0), at(100)]).x).toBe(200);
    expect(firstFree(places, 10, [at(0), at(100), at(200)]).x).toBe(0);
  });
});
