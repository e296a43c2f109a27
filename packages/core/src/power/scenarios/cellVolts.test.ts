import { describe, expect, it } from '@jest/globals';
import { cellVolts, interpolated } from './cellVolts.ts';

describe('a curve of points', () => {
  const points = [
    [1, 10],
    [2, 30],
    [4, 20],
  ] as const;

  it('is what its points say, straight between them and flat beyond them', () => {
    expect([0, 1, 1.5, 2, 3, 4, 9].map((x) => interpolated(points, x))).toEqual([10, 10, 20, 30, 25, 20, 20]);
    expect(interpolated([[3, 7]], 1)).toBe(7);
    expect(interpolated([[3, 7]], 5)).toBe(7);
    expect(interpolated([], 5)).toBe(0);
  });
});

describe('a cell', () => {
  it('has the voltage of its chemistry at its charge', () => {
    expect(cellVolts('lipo', 0)).toBe(3.27);
    expect(cellVolts('lipo', 0.65)).toBeCloseTo(3.895, 12);
    expect(cellVolts('li-ion', 0)).toBe(2.6);
    expect(cellVolts('li-ion', 0.15)).toBeCloseTo(3.24, 12);
    expect([cellVolts('lipo', 1.2), cellVolts('li-ion', -0.1)]).toEqual([4.2, 2.6]);
  });
});
