import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Spot } from '../model/frame.ts';
import { freeSpot, type BoxAt } from './freeSpot.ts';

const bay = { at: [100, 0, 0] as Spot, sizeMm: [40, 20, 10] as Spot };

function isFree(others: readonly BoxAt[], half: Spot, spot: Spot): boolean {
  const isInside = ([0, 1, 2] as const).every((axis) => Math.abs(spot[axis] - bay.at[axis]) <= bay.sizeMm[axis] / 2 - half[axis] + 1e-9);
  const isClear = others.every((other) =>
    ([0, 1, 2] as const).some((axis) => Math.abs(other.at[axis] - spot[axis]) >= other.half[axis] + half[axis] - 1e-6),
  );
  return isInside && isClear;
}

/** The distance to the nearest free spot of whole millimetres, looking at all of them. */
function nearestByLooking(others: readonly BoxAt[], half: Spot, wanted: Spot): number {
  let nearest = Infinity;
  for (let x = 80; x <= 120; x++) {
    for (let y = -10; y <= 10; y++) {
      for (let z = -5; z <= 5; z++) {
        if (isFree(others, half, [x, y, z])) nearest = Math.min(nearest, Math.hypot(x - wanted[0], y - wanted[1], z - wanted[2]));
      }
    }
  }
  return nearest;
}

const spot = (least: Spot, most: Spot): fc.Arbitrary<Spot> =>
  fc.tuple(
    fc.integer({ min: least[0], max: most[0] }),
    fc.integer({ min: least[1], max: most[1] }),
    fc.integer({ min: least[2], max: most[2] }),
  );
const half = spot([1, 1, 1], [12, 8, 4]);

describe('a free spot in a bay', () => {
  it('is where it is wanted, if that is free, else against what is in the way', () => {
    expect(freeSpot([], [5, 5, 5], bay, [100, 0, 0])).toEqual([100, 0, 0]);
    expect(freeSpot([{ at: [100, 0, 0], half: [5, 10, 5] }], [5, 5, 5], bay, [102, 0, 0])).toEqual([110, 0, 0]);
    expect(freeSpot([], [5, 5, 5], bay, [300, 0, 0])).toEqual([115, 0, 0]);
  });

  it('is not there for what is larger than the bay, or when the bay is full', () => {
    expect(freeSpot([], [5, 11, 5], bay, [100, 0, 0])).toBeUndefined();
    expect(freeSpot([{ at: [100, 0, 0], half: [15, 10, 5] }], [4, 4, 4], bay, [100, 0, 0])).toBeUndefined();
  });

  it('is inside, clear of all others, and the nearest of all there are', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ at: spot([80, -10, -5], [120, 10, 5]), half }), { maxLength: 5 }),
        half,
        spot([70, -15, -8], [130, 15, 8]),
        (others, own, wanted) => {
          const found = freeSpot(others, own, bay, wanted);
          const nearest = nearestByLooking(others, own, wanted);
          if (found === undefined) expect(nearest).toBe(Infinity);
          else {
            expect(isFree(others, own, found)).toBe(true);
            expect(Math.hypot(...found.map((mm, axis) => mm - (wanted[axis] ?? 0)))).toBeCloseTo(nearest, 9);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
