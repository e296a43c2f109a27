import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Spot } from '../model/frame.ts';
import { dipoleField, fieldOfSegments, segmentField, type CurrentSegment } from './fieldOf.ts';
import { cross, difference, lengthOf, scaled, sum, ZERO, type Vector } from './vector.ts';

const wire = (from: Spot, to: Spot, amps: number, radiusMm = 0.5): CurrentSegment => ({ from, to, amps, radiusMm });

/** A way of points as segments of one current. */
function polyline(spots: readonly Spot[], amps: number): CurrentSegment[] {
  return spots.slice(1).map((to, i) => wire(spots[i] ?? to, to, amps));
}

/** Within a share of a number. */
function near(seen: number, wanted: number, share: number): void {
  expect([seen, Math.abs(seen - wanted) <= share * Math.abs(wanted)]).toEqual([seen, true]);
}

describe('the field of straight wires, against closed forms', () => {
  it('a long wire makes mu0 I / (2 pi d), round it by the right hand', () => {
    const field = segmentField(wire([-1e6, 0, 0], [1e6, 0, 0], 10), [0, 50, 0]);
    // 2e-7 * 10 / 0.05 T = 40 uT. Aft times right is up.
    near(field[2], 40, 1e-3);
    near(lengthOf(field), 40, 1e-3);
  });

  it('a pair makes mu0 I s / (2 pi d^2) far away, along the line between its wires', () => {
    const [s, d] = [4, 200];
    const pair = [wire([-1e6, -s / 2, 0], [1e6, -s / 2, 0], 20), wire([-1e6, s / 2, 0], [1e6, s / 2, 0], -20)];
    const exact = 200 * 20 * (1 / (d - s / 2) - 1 / (d + s / 2));
    near(Math.abs(fieldOfSegments(pair, [0, d, 0])[2]), exact, 1e-3);
    near(exact, (200 * 20 * s) / (d * d), 1e-3);
  });

  it('a loop makes mu0 I r^2 / (2 (r^2 + z^2)^1.5) on its axis', () => {
    const [r, z, corners] = [80, 60, 720];
    const spots = Array.from({ length: corners + 1 }, (_, i): Spot => {
      const angle = (2 * Math.PI * i) / corners;
      return [r * Math.cos(angle), r * Math.sin(angle), 0];
    });
    // mu0 / 2 = 200 pi uT mm / A
    near(fieldOfSegments(polyline(spots, 5), [0, 0, z])[2], (200 * Math.PI * 5 * r * r) / (r * r + z * z) ** 1.5, 1e-3);
  });

  it('a dipole makes twice on its axis what it makes beside it', () => {
    const magnet = { at: [0, 0, 0], momentAm2: [0, 0, 0.5] } as const;
    // mu0 / (4 pi) * 2 m / r^3 = 1e-7 * 2 * 0.5 / 0.1^3 T = 100 uT
    near(dipoleField(magnet, [0, 0, 100])[2], 100, 1e-3);
    near(dipoleField(magnet, [100, 0, 0])[2], -50, 1e-3);
  });

  it('is small inside the copper, and a number everywhere', () => {
    const thick = wire([0, 0, 0], [100, 0, 0], 50, 2);
    expect(segmentField(thick, [50, 0, 0])).toEqual(ZERO);
    expect(lengthOf(segmentField(thick, [50, 1, 0]))).toBeLessThan(lengthOf(segmentField(thick, [50, 2, 0])));
    for (const at of [
      [0, 0, 0],
      [100, 0, 0],
      [200, 0, 0],
      [50, 1e-12, 0],
    ] as const) {
      expect(segmentField(thick, at).every(Number.isFinite)).toBe(true);
    }
    expect(segmentField(wire([1, 1, 1], [1, 1, 1], 9), [0, 0, 0])).toEqual(ZERO);
    expect(dipoleField({ at: [1, 2, 3], momentAm2: [1, 1, 1] }, [1, 2, 3])).toEqual(ZERO);
  });
});

describe('the field of any way', () => {
  /** Biot and Savart summed over small steps, in microtesla. */
  function integrated(segments: readonly CurrentSegment[], at: Spot, steps: number): Vector {
    let total = ZERO;
    for (const { from, to, amps } of segments) {
      const piece = scaled(difference(to, from), 1 / steps);
      for (let k = 0; k < steps; k++) {
        const away = difference(at, sum(from, scaled(piece, k + 0.5)));
        total = sum(total, scaled(cross(piece, away), (100 * amps) / lengthOf(away) ** 3));
      }
    }
    return total;
  }

  const coordinate = fc.integer({ min: -300, max: 300 });
  const spot = fc.tuple(coordinate, coordinate, coordinate);

  it('is what plain integration gives, to half a percent', () => {
    fc.assert(
      fc.property(fc.array(spot, { minLength: 2, maxLength: 5 }), fc.double({ min: 0.1, max: 90, noNaN: true }), (spots, amps) => {
        const segments = polyline(spots, amps);
        const at: Spot = [410, 420, 430];
        const [exact, plain] = [fieldOfSegments(segments, at), integrated(segments, at, 2000)];
        expect(lengthOf(difference(exact, plain))).toBeLessThanOrEqual(0.005 * lengthOf(plain) + 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('of a closed way far off falls with the cube of the distance', () => {
    const square = polyline(
      [
        [0, 0, 0],
        [20, 0, 0],
        [20, 20, 0],
        [0, 20, 0],
        [0, 0, 0],
      ],
      3,
    );
    near(lengthOf(fieldOfSegments(square, [10, 10, 1000])) / lengthOf(fieldOfSegments(square, [10, 10, 2000])), 8, 0.01);
  });
});
