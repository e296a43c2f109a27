import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { airframeKinds } from '../model/airframes.ts';
import { FRAME_NUMBERS, numbersOfKind, type FramePlan, type Place, type PointId, type RouteId, type Spot } from '../model/frame.ts';
import { asId } from '../model/ids.ts';
import { numbersFrom } from '../power/test/randomCircuit.ts';
import { balanceOfWeights, middleOf, type Weight } from './balance.ts';
import { isInside, outlineOf } from './outline.ts';
import { distanceMm, halfOf } from './placedItems.ts';
import { turned, turningOf } from './turning.ts';
import { usualFrame } from './usualFrame.ts';
import { lengthOf, RouteNet } from './routeNet.ts';
import { withSlack } from './ways.ts';
import { meanWing } from './wingGeometry.ts';

const place = (turn: Place['turn'], yawDeg = 0, below = false): Place => ({ at: [0, 0, 0], turn, yawDeg, below });
const spots = fc.tuple(fc.integer({ min: -900, max: 900 }), fc.integer({ min: -900, max: 900 }), fc.integer({ min: -300, max: 300 }));

describe('turning', () => {
  it('rolls the right side down, pitches the nose up, yaws the nose right', () => {
    const nose: Spot = [-1, 0, 0];
    const right: Spot = [0, 1, 0];
    expect(turned(right, turningOf(place([90, 0, 0])))).toEqual([0, 0, -1]);
    expect(turned(nose, turningOf(place([0, 90, 0])))).toEqual([0, 0, 1]);
    expect(turned(nose, turningOf(place([0, 0, 90])))).toEqual([0, 1, 0]);
  });

  it('hanging from below swaps left and right, and top and bottom, but not the nose', () => {
    const turning = turningOf(place([0, 0, 0], 0, true));
    expect(turned([0, 1, 0], turning)).toEqual([0, -1, 0]);
    expect(turned([0, 0, 1], turning)).toEqual([0, 0, -1]);
    expect(turned([-1, 0, 0], turning)).toEqual([-1, 0, 0]);
  });

  it('keeps lengths and right angles, and the box holds the part', () => {
    const quarter = fc.constantFrom(0 as const, 90 as const, 180 as const, 270 as const);
    fc.assert(
      fc.property(quarter, quarter, quarter, fc.integer({ min: -45, max: 45 }), fc.boolean(), spots, (r, p, y, yaw, below, spot) => {
        const turning = turningOf(place([r, p, y], yaw, below));
        expect(Math.hypot(...turned(spot, turning))).toBeCloseTo(Math.hypot(...spot), 9);
        const [a, b, c] = turning;
        const determinant = a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
        expect(determinant).toBeCloseTo(1, 9);
        const half = halfOf([60, 40, 20], place([r, p, y], yaw, below));
        for (const corner of [
          [30, 20, 10],
          [-30, 20, -10],
          [30, -20, 10],
        ] as const) {
          turned(corner, turning).forEach((along, axis) => expect(Math.abs(along)).toBeLessThanOrEqual((half[axis] ?? 0) + 1e-9));
        }
      }),
    );
  });

  it('a quarter turn swaps length and width exactly', () => {
    expect(halfOf([60, 40, 20], place([0, 0, 90]))).toEqual([20, 30, 10]);
    expect(halfOf([60, 40, 20], place([90, 0, 0]))).toEqual([30, 10, 20]);
  });
});

/** A frame of points and routes alone. */
function netOf(points: readonly Spot[], pairs: readonly (readonly [number, number])[]): FramePlan {
  return {
    numbers: {},
    bays: {},
    points: Object.fromEntries(points.map((at, i) => [asId<PointId>(`p${i}`), { title: `point ${i}`, at }])),
    routes: Object.fromEntries(
      pairs.map(([a, b], i) => [asId<RouteId>(`r${i}`), { a: asId<PointId>(`p${a}`), b: asId<PointId>(`p${b}`), diameterMm: 10 }]),
    ),
  };
}

/** The shortest way by trying every way that visits no point twice. */
function shortestByTrying(points: readonly Spot[], pairs: readonly (readonly [number, number])[], from: number, to: number): number {
  const search = (at: number, seen: ReadonlySet<number>, sum: number): number => {
    if (at === to) return sum;
    const onward = pairs.flatMap(([a, b]) => (a === at && !seen.has(b) ? [b] : b === at && !seen.has(a) ? [a] : []));
    return Math.min(
      Infinity,
      ...onward.map((next) => search(next, new Set([...seen, next]), sum + distanceMm(points[at] ?? [0, 0, 0], points[next] ?? [0, 0, 0]))),
    );
  };
  return search(from, new Set([from]), 0);
}

describe('ways of cables', () => {
  it('are the shortest along the routes, against trying them all', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), fc.integer({ min: 2, max: 7 }), (seed, size) => {
        const random = numbersFrom(seed);
        const points = Array.from({ length: size }, (): Spot => [random() * 1000, random() * 1000, random() * 100]);
        const pairs = points.flatMap((_, a) =>
          points.flatMap((__, b): (readonly [number, number])[] => (a < b && random() < 0.5 ? [[a, b]] : [])),
        );
        const net = new RouteNet(netOf(points, pairs));
        const origin: Spot = [0, 0, 0];
        const [from, to] = [points[0] ?? origin, points[size - 1] ?? origin];
        // The ends stand in the points, and the nearest point to each is that point itself.
        const way = net.between({ spot: from, bay: undefined }, { spot: to, bay: undefined });
        const wanted = shortestByTrying(points, pairs, 0, size - 1);
        if (way === undefined) expect(wanted).toBe(Infinity);
        else {
          expect(way.lengthMm).toBeLessThanOrEqual(wanted + 1e-6);
          const walked = way.spots.slice(1).reduce((sum, spot, i) => sum + distanceMm(spot, way.spots[i] ?? spot), 0);
          expect(walked).toBeCloseTo(way.lengthMm, 6);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('by way of a point are the shortest to it and the shortest from it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), fc.integer({ min: 3, max: 7 }), (seed, size) => {
        const random = numbersFrom(seed);
        const points = Array.from({ length: size }, (): Spot => [random() * 1000, random() * 1000, random() * 100]);
        const pairs = points.flatMap((_, a) =>
          points.flatMap((__, b): (readonly [number, number])[] => (a < b && random() < 0.5 ? [[a, b]] : [])),
        );
        const net = new RouteNet(netOf(points, pairs));
        const at = (i: number): Spot => points[i] ?? [0, 0, 0];
        const way = net.through({ spot: at(0), bay: undefined }, [at(1)], { spot: at(size - 1), bay: undefined });
        const wanted = shortestByTrying(points, pairs, 0, 1) + shortestByTrying(points, pairs, 1, size - 1);
        if (way === undefined) return expect(wanted).toBe(Infinity);
        expect(way.lengthMm).toBeLessThanOrEqual(wanted + 1e-6);
        expect(lengthOf(way.spots)).toBeCloseTo(way.lengthMm, 6);
        expect(way.spots.some((spot) => distanceMm(spot, at(1)) < 1e-9)).toBe(true);
        expect(way.spots[0]).toEqual(at(0));
        expect(way.spots.at(-1)).toEqual(at(size - 1));
      }),
      { numRuns: 100 },
    );
  });

  it('run straight within a bay, along routes between bays, and nowhere where no route leads', () => {
    const bay = asId<NonNullable<Place['bay']>>('nose');
    const other = asId<NonNullable<Place['bay']>>('rear');
    const net = new RouteNet(
      netOf(
        [
          [0, 0, 0],
          [100, 0, 0],
          [100, 80, 0],
          [900, 0, 0],
          [980, 0, 0],
        ],
        [
          [0, 1],
          [1, 2],
          [3, 4],
        ],
      ),
    );
    const straight = net.between({ spot: [0, 0, 0], bay }, { spot: [100, 80, 0], bay });
    expect(straight?.lengthMm).toBeCloseTo(Math.hypot(100, 80), 9);
    const led = net.between({ spot: [0, 0, 0], bay }, { spot: [100, 80, 0], bay: other });
    expect(led?.lengthMm).toBeCloseTo(180, 9);
    expect(led?.routes).toEqual(['r0', 'r1']);
    expect(net.between({ spot: [0, 0, 0], bay }, { spot: [980, 0, 0], bay: other })).toBeUndefined();
    expect(new RouteNet(undefined).between({ spot: [0, 0, 0], bay }, { spot: [1, 0, 0], bay: other })).toBeUndefined();
  });

  it('get a tenth of slack, at least 20 mm an end, rounded up to 10 mm', () => {
    expect([withSlack(300), withSlack(1000), withSlack(1001), withSlack(0)]).toEqual([340, 1100, 1110, 40]);
  });
});

describe('balance', () => {
  const weights: readonly Weight[] = [
    { what: 'airframe', name: 'Bare airframe', massG: 1000, at: [300, 0, 0] },
    { what: 'item', name: 'BAT1', massG: 500, at: [100, 30, -20] },
    { what: 'item', name: 'MOT1', massG: 500, at: [700, -30, 20] },
  ];

  it('is by hand what it is', () => {
    const balance = balanceOfWeights(weights);
    expect(balance?.massG).toBe(2000);
    expect(balance?.at).toEqual([350, 0, 0]);
    // Yaw: 1 kg at 50 mm, half a kilogram at 250 and 30, and at 350 and 30.
    expect(balance?.inertiaKgM2[2]).toBeCloseTo(0.05 ** 2 + 0.5 * (0.25 ** 2 + 0.03 ** 2) + 0.5 * (0.35 ** 2 + 0.03 ** 2), 9);
  });

  it('moves by m d / M when a mass m moves by d, and does not depend on the order', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 1, max: 2000 }), spots), { minLength: 1, maxLength: 20 }), spots, (masses, to) => {
        const all = masses.map(([massG, at], i): Weight => ({ what: 'item', name: `X${i}`, massG, at }));
        const [first] = all;
        const before = balanceOfWeights(all);
        if (first === undefined || before === undefined) throw new Error('Something weighs.');
        const after = balanceOfWeights([{ ...first, at: to }, ...all.slice(1)]);
        for (const axis of [0, 1, 2] as const) {
          expect((after?.at[axis] ?? 0) - before.at[axis]).toBeCloseTo((first.massG * (to[axis] - first.at[axis])) / before.massG, 6);
          expect(balanceOfWeights([...all].reverse())?.at[axis]).toBeCloseTo(before.at[axis], 9);
        }
      }),
    );
  });

  it('takes a cable at the middle of its way', () => {
    expect(
      middleOf({
        lengthMm: 300,
        routes: [],
        spots: [
          [0, 0, 0],
          [200, 0, 0],
          [200, 100, 0],
        ],
      }),
    ).toEqual([(200 * 100 + 100 * 200) / 300, (100 * 50) / 300, 0]);
    expect(
      middleOf({
        lengthMm: 0,
        routes: [],
        spots: [
          [5, 6, 7],
          [5, 6, 7],
        ],
      }),
    ).toEqual([5, 6, 7]);
  });

  it('is nothing where nothing weighs', () => {
    expect(balanceOfWeights([])).toBeUndefined();
  });
});

describe('usual airframes', () => {
  it.each(airframeKinds)('%s has all its numbers, bays inside its body, and one net of routes', (kind) => {
    for (const size of [300, 1000, 2200, 5000]) {
      const frame = usualFrame(kind, size);
      for (const number of numbersOfKind(kind)) expect(frame.numbers[number] ?? FRAME_NUMBERS[number].usual).toBeDefined();
      const body = outlineOf(kind, frame).plan.find((piece) => piece.is === 'polygon' && piece.what === 'body');
      if (body?.is !== 'polygon') throw new Error('No body is drawn.');
      for (const bay of Object.values(frame.bays)) expect(isInside([bay.at[0], bay.at[1]], body.points)).toBe(true);
      const points = Object.values(frame.points);
      const net = new RouteNet(frame);
      for (const { at } of points) {
        expect(net.between({ spot: points[0]?.at ?? [0, 0, 0], bay: undefined }, { spot: at, bay: undefined })).toBeDefined();
      }
    }
  });

  it('balance between a fifth and two fifths of the mean chord', () => {
    const frame = usualFrame('v-tail-flaps', 2200);
    const wing = meanWing(frame);
    if (wing === undefined) throw new Error('A plane has a wing.');
    const share = ((frame.numbers.targetMm ?? 0) - wing.stationMm) / wing.chordMm;
    expect(share).toBeGreaterThan(0.2);
    expect(share).toBeLessThan(0.4);
  });

  it('a rectangle is its own mean wing; a triangle has two thirds of its root', () => {
    const numbers = { spanMm: 1000, rootChordMm: 200, tipChordMm: 200, wingStationMm: 300 };
    expect(meanWing({ numbers, bays: {}, points: {}, routes: {} })).toEqual({
      chordMm: expect.closeTo(200, 9),
      stationMm: 300,
      areaMm2: 200_000,
    });
    const delta = meanWing({ numbers: { ...numbers, tipChordMm: 1e-9, sweepMm: 200 }, bays: {}, points: {}, routes: {} });
    expect(delta?.chordMm).toBeCloseTo(400 / 3, 6);
    expect(delta?.stationMm).toBeCloseTo(300 + 200 / 3, 6);
    expect(meanWing({ numbers: {}, bays: {}, points: {}, routes: {} })).toBeUndefined();
  });
});
