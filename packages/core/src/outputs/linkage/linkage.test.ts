import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit } from '../../edits/applyEdit.ts';
import { asId, type ItemId } from '../../model/ids.ts';
import type { Linkage } from '../../model/linkage.ts';
import { emptyBench, itemOf, made } from '../../test/designs.ts';
import { clevisTurns, squaringTrimUs } from './clevis.ts';
import { fourBarOf, poseAt, type FourBar, type PlanePoint, type Pose } from './fourBar.ts';
import { hingeMomentNcm, momentCases } from './hingeMoment.ts';
import { holesFor } from './holes.ts';
import { limitsOf, pulseFor, surfaceAt, surfaceTravel } from './surfaceTravel.ts';

const RAD = Math.PI / 180;
const plain: Linkage = { item: asId<ItemId>('s'), armMm: 12, hornMm: 16, distanceMm: 80, horn: 'below', arm: 'pushes' };

function barOf(linkage: Linkage): FourBar {
  const bar = fourBarOf(linkage);
  if (bar === undefined) throw new Error('It does not close.');
  return bar;
}

function poseOf(bar: FourBar, armRad: number): Pose {
  const pose = poseAt(bar, armRad);
  if (pose === undefined) throw new Error('It does not close there.');
  return pose;
}

const linkages: fc.Arbitrary<Linkage> = fc
  .record({
    armMm: fc.double({ min: 2, max: 40, noNaN: true }),
    hornMm: fc.double({ min: 2, max: 60, noNaN: true }),
    distanceMm: fc.double({ min: 5, max: 400, noNaN: true }),
    heightMm: fc.double({ min: -60, max: 60, noNaN: true }),
    armDeg: fc.double({ min: -60, max: 60, noNaN: true }),
    hornDeg: fc.double({ min: -60, max: 60, noNaN: true }),
    stretch: fc.double({ min: -8, max: 8, noNaN: true }),
    isCrossed: fc.boolean(),
    horn: fc.constantFrom('below' as const, 'above' as const),
    arm: fc.constantFrom('pushes' as const, 'pulls' as const),
  })
  .map(({ stretch, isCrossed, ...rest }): Linkage => {
    const whole: Linkage = { item: plain.item, ...rest, ...(isCrossed ? { crossed: true as const } : {}) };
    const rodMm = (fourBarOf(whole)?.rodMm ?? 0) + stretch;
    return stretch > 0 || rodMm < 2 ? whole : { ...whole, rodMm };
  });

const distance = (a: PlanePoint, b: PlanePoint): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

describe('a four-bar', () => {
  it('with arm and horn alike turns the horn as far as the arm, whatever the rod', () => {
    const bar = barOf({ ...plain, armMm: 14, hornMm: 14 });
    for (let deg = -80; deg <= 80; deg += 5) expect(poseOf(bar, deg * RAD).hornRad).toBeCloseTo(deg * RAD, 9);
  });

  it('of which arm and horn cross has its arm on the other side, and is built where the horn is neutral', () => {
    const crossed = barOf({ ...plain, crossed: true });
    const straight = barOf(plain);
    expect(poseOf(crossed, 0).ratio * poseOf(straight, 0).ratio).toBeGreaterThan(0);
    expect(poseOf(crossed, 0).arm[1]).toBeCloseTo(-poseOf(straight, 0).arm[1], 9);
    // Behind the hinge the horn is on the other side of the line from it to the arm.
    const behind = barOf({ ...plain, distanceMm: 20, heightMm: -200 });
    for (const bar of [crossed, straight, behind]) expect(Math.abs(poseOf(bar, 0).hornRad)).toBeLessThan(1e-9);
  });

  it('of square arms has the ratio of its holes at the middle, by the closed form', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 30 }),
        fc.integer({ min: 6, max: 50 }),
        fc.integer({ min: 60, max: 300 }),
        (armMm, hornMm, distanceMm) => {
          expect(poseOf(barOf({ ...plain, armMm, hornMm, distanceMm }), 0).ratio).toBeCloseTo(armMm / hornMm, 9);
        },
      ),
    );
  });

  it('of 10,000 at random keeps its rod, is the one that was built, and says when it cannot close', () => {
    const worst = { rodMm: 0, hornMm: 0, apartRad: 0 };
    const counted = { followed: 0, open: 0 };
    fc.assert(
      fc.property(linkages, fc.double({ min: -70, max: 70, noNaN: true }), (linkage, deg) => {
        const bar = fourBarOf(linkage);
        if (bar === undefined) return true;
        // As it is built the surface is neutral at 1500 us, on whichever side of the hinge the arm ends.
        if (linkage.rodMm === undefined && poseOf(bar, 0).hornMarginRad > 1 * RAD && Math.abs(poseOf(bar, 0).hornRad) > 1e-6) return false;
        // 1. It closes where a triangle has these sides, and nowhere else.
        const far = distance(tipOf(bar, deg * RAD), bar.hinge);
        const room = Math.min(bar.rodMm + bar.hornMm - far, far - Math.abs(bar.rodMm - bar.hornMm));
        const isOpen = poseAt(bar, deg * RAD) === undefined;
        if (Math.abs(room) > 1e-6 && isOpen !== room < 0) return false;
        if (isOpen) counted.open++;
        // 2. Independent: the horn is followed in small steps of the arm, at each to the nearest angle at which the rod has its length.
        let horn = poseOf(bar, 0).hornRad;
        const steps = Math.max(1, Math.ceil(Math.abs(deg)));
        for (let n = 1; n <= steps; n++) {
          const armRad = (deg * RAD * n) / steps;
          const pose = poseAt(bar, armRad);
          if (pose === undefined || pose.hornMarginRad < 3 * RAD) return true;
          horn = newton(bar, tipOf(bar, armRad), horn);
          const apart = horn - pose.hornRad;
          worst.rodMm = Math.max(worst.rodMm, Math.abs(distance(pose.arm, pose.horn) - bar.rodMm));
          worst.hornMm = Math.max(worst.hornMm, Math.abs(distance(pose.horn, bar.hinge) - bar.hornMm));
          worst.apartRad = Math.max(worst.apartRad, Math.abs(Math.atan2(Math.sin(apart), Math.cos(apart))));
        }
        counted.followed++;
        return true;
      }),
      { numRuns: 10_000, seed: 5 },
    );
    expect(worst.rodMm).toBeLessThan(1e-6);
    expect(worst.hornMm).toBeLessThan(1e-9);
    expect(worst.apartRad).toBeLessThan(1e-6);
    expect(counted.followed).toBeGreaterThan(5000);
    expect(counted.open).toBeGreaterThan(250);
  });

  it('gives the moment at the hinge that the levers of the rod give: virtual work agrees with the geometry', () => {
    let seen = 0;
    fc.assert(
      fc.property(linkages, fc.double({ min: -40, max: 40, noNaN: true }), (linkage, deg) => {
        const bar = fourBarOf(linkage);
        const pose = bar === undefined ? undefined : poseAt(bar, deg * RAD);
        if (bar === undefined || pose === undefined || pose.hornMarginRad < 2 * RAD || pose.armMarginRad < 2 * RAD) return;
        // The lever of a force is the distance of its line from the axis.
        const lever = (axis: PlanePoint): number =>
          Math.abs((pose.horn[0] - pose.arm[0]) * (pose.arm[1] - axis[1]) - (pose.arm[0] - axis[0]) * (pose.horn[1] - pose.arm[1])) /
          distance(pose.arm, pose.horn);
        expect(1 / Math.abs(pose.ratio)).toBeCloseTo(lever(bar.hinge) / lever([0, 0]), 6);
        const small = 1e-6;
        const [before, after] = [-small, small].map((step) => poseAt(bar, deg * RAD + step));
        if (before === undefined || after === undefined) return;
        expect((after.hornRad - before.hornRad) / (2 * small)).toBeCloseTo(pose.ratio, 3);
        seen++;
      }),
      { numRuns: 3000, seed: 6 },
    );
    expect(seen).toBeGreaterThan(1500);
  });

  it.each([
    ['a rod that is far too short', { ...plain, rodMm: 20 }],
    ['a rod that is far too long', { ...plain, rodMm: 300 }],
    ['two holes in one place', { ...plain, armMm: 20, hornMm: 20, distanceMm: 5, armDeg: 14.4775, heightMm: -0.63508 }],
  ])('is none with %s', (_, linkage) => {
    expect(fourBarOf(linkage)).toBeUndefined();
    expect(surfaceTravel(linkage, limitsOf({}))).toBeUndefined();
    expect(clevisTurns(linkage, 1550)).toBeUndefined();
    expect(holesFor({ ...linkage, armHoles: [2], hornHoles: [2] }, { upDeg: 80, downDeg: 80 }, 1500, [900, 2100])).toEqual([]);
  });
});

/** The end of the arm, once more from its angle. */
function tipOf({ armMm, armSide, armRad }: FourBar, turn: number): PlanePoint {
  return [armMm * Math.sin(armRad + turn), armSide * armMm * Math.cos(armRad + turn)];
}

/** The angle of the horn near `start` at which the rod has its length, by Newton's rule. */
function newton(bar: FourBar, tip: PlanePoint, start: number): number {
  let horn = start;
  for (let n = 0; n < 40; n++) {
    const angle = bar.hornRad + horn;
    const end: PlanePoint = [bar.hinge[0] + bar.hornMm * Math.sin(angle), bar.hinge[1] + bar.hornMm * Math.cos(angle)];
    const off = (end[0] - tip[0]) ** 2 + (end[1] - tip[1]) ** 2 - bar.rodMm ** 2;
    const slope = 2 * bar.hornMm * ((end[0] - tip[0]) * Math.cos(angle) - (end[1] - tip[1]) * Math.sin(angle));
    const step = off / slope;
    horn -= step;
    if (Math.abs(step) < 1e-13) break;
  }
  return horn;
}

describe('a surface', () => {
  it('goes up for a longer pulse with the horn below and an arm that pushes, and turns round with either', () => {
    const upAt = (linkage: Linkage): number => surfaceAt(linkage, barOf(linkage), 1900)?.surfaceDeg ?? 0;
    expect(upAt(plain)).toBeLessThan(-10);
    expect(upAt({ ...plain, horn: 'above' })).toBeCloseTo(-upAt(plain), 9);
    expect(upAt({ ...plain, arm: 'pulls' })).toBeGreaterThan(10);
  });

  it('has its throws from the trim, and its steps by the ratio', () => {
    const travel = surfaceTravel(plain, limitsOf({ minUs: 1100, maxUs: 1900 }));
    if (travel === undefined) throw new Error('It does not close.');
    const at = (us: number): number => surfaceAt(plain, travel.bar, us)?.surfaceDeg ?? NaN;
    expect([travel.upDeg, travel.downDeg]).toEqual([expect.closeTo(-at(1900), 9), expect.closeTo(at(1100), 9)]);
    expect(travel.degPerUs).toBeCloseTo((12 / 16) * (45 / 500), 9);
    expect(travel.degPerUs).toBeCloseTo(Math.abs(at(1501) - at(1500)), 4);
    // An arm that leans makes a differential: one way further than the other.
    const leaning = surfaceTravel({ ...plain, armDeg: 20 }, limitsOf({}));
    expect(Math.abs((leaning?.upDeg ?? 0) - (leaning?.downDeg ?? 0))).toBeGreaterThan(5);
  });

  it('says where it binds: the rod too short for the horn, the arm in line with the rod', () => {
    const short = surfaceTravel({ ...plain, armMm: 30, hornMm: 12 }, limitsOf({}));
    expect(short?.binds).toMatchObject({ is: 'rod-too-short' });
    expect(short?.atMost === undefined || short.atLeast === undefined).toBe(true);
    const through = surfaceTravel({ ...plain, servoDeg: 110, armMm: 8, hornMm: 20 }, limitsOf({}));
    expect(through?.binds).toMatchObject({ is: 'arm-in-line' });
    // Arm and rod are in one line at about 90 degrees of arm less what the rod leans.
    expect(Math.abs(((through?.binds?.us ?? 0) - 1500) / 500) * 110).toBeGreaterThan(75);
  });

  it('gets to a wanted throw by solved holes, and put back it is within a tenth of a degree', () => {
    let seen = 0;
    fc.assert(
      fc.property(linkages, fc.integer({ min: 5, max: 30 }), fc.integer({ min: 5, max: 30 }), (linkage, upDeg, downDeg) => {
        const choices = holesFor({ ...linkage, heightMm: 0, distanceMm: 60 + linkage.distanceMm }, { upDeg, downDeg }, 1500, [900, 2100]);
        choices.forEach((choice, i) => {
          const { rodMm: _rod, ...rest } = linkage;
          const built: Linkage = { ...rest, heightMm: 0, distanceMm: 60 + linkage.distanceMm, armMm: choice.armMm, hornMm: choice.hornMm };
          const again = surfaceTravel(built, choice.limits);
          expect(Math.abs((again?.upDeg ?? 99) - upDeg)).toBeLessThan(0.1);
          expect(Math.abs((again?.downDeg ?? 99) - downDeg)).toBeLessThan(0.1);
          expect(choice.endMarginUs).toBeGreaterThanOrEqual(0);
          const before = choices[i - 1];
          if (before !== undefined && before.endMarginUs < 25 === choice.endMarginUs < 25)
            expect(choice.degPerUs).toBeGreaterThanOrEqual(before.degPerUs);
          seen++;
        });
      }),
      { numRuns: 15, seed: 7 },
    );
    expect(seen).toBeGreaterThan(100);
  });

  it('is at a wanted angle at the pulse that is solved for it, or is said not to get there', () => {
    const travel = surfaceTravel(plain, limitsOf({}));
    if (travel === undefined) throw new Error('It does not close.');
    const us = pulseFor(plain, travel.bar, 17, travel.atTrim, 1000);
    expect(surfaceAt(plain, travel.bar, us ?? 0)?.surfaceDeg).toBeCloseTo(17, 2);
    expect(pulseFor(plain, travel.bar, 17, travel.atTrim, 2000)).toBeUndefined();
    expect(pulseFor(plain, travel.bar, 85, travel.atTrim, 1000)).toBeUndefined();
  });
});

describe('a flown trim', () => {
  it('comes to turns of a clevis after which the surface is at 1500 us where it was', () => {
    let seen = 0;
    fc.assert(
      fc.property(linkages, fc.integer({ min: 1400, max: 1600 }), (linkage, trimUs) => {
        const turns = clevisTurns(linkage, trimUs);
        const bar = fourBarOf(linkage);
        if (turns === undefined || bar === undefined || poseOf(bar, 0).hornMarginRad < 10 * RAD) return;
        const flown = surfaceAt(linkage, bar, trimUs)?.surfaceDeg ?? NaN;
        const after = { ...linkage, rodMm: turns.rodMm };
        const again = fourBarOf(after);
        if (again === undefined || (surfaceAt(linkage, bar, trimUs)?.pose.hornMarginRad ?? 0) < 10 * RAD) return;
        expect(surfaceAt(after, again, 1500)?.surfaceDeg).toBeCloseTo(flown, 4);
        expect(turns.turns).toBeCloseTo(turns.changeMm / 0.5, 9);
        seen++;
      }),
      { numRuns: 800, seed: 8 },
    );
    expect(seen).toBeGreaterThan(400);
  });

  it('squares an arm whose splines leave it leaning', () => {
    expect(squaringTrimUs(plain)).toBeUndefined();
    const leaning: Linkage = { ...plain, armDeg: 4.5 };
    expect(squaringTrimUs(leaning)).toBeCloseTo(1450, 6);
    expect(squaringTrimUs({ ...leaning, arm: 'pulls' })).toBeCloseTo(1550, 6);
    const { arm } = poseOf(barOf(leaning), ((1450 - 1500) / 500) * 45 * RAD);
    expect(arm[0]).toBeCloseTo(0, 9);
  });
});

describe('the moment of the air', () => {
  it('is that of the formula, with figures worked by hand', () => {
    // 0.5 x 1.225 x 20^2 x (0.4 x 0.05) x 0.05 x 0.6 x 20 deg in radians = 0.0513 Nm
    expect(hingeMomentNcm({ chordMm: 50, lengthMm: 400 }, 0.6, 20, 20)).toBeCloseTo(5.131, 3);
    expect(hingeMomentNcm({ chordMm: 50, lengthMm: 400 }, 0.6, 0, 20)).toBe(0);
  });

  it('is looked at for the speeds that are known', () => {
    expect(momentCases({})).toEqual([]);
    const cases = momentCases({ stallMs: 10, neverExceedMs: 30 });
    expect(cases.map(({ speedMs, share }) => [speedMs, share])).toEqual([
      [expect.closeTo(19.494, 3), 1],
      [30, expect.closeTo(1 / 3, 9)],
    ]);
  });
});

describe('a linkage in the document', () => {
  const bench = emptyBench();
  bench.add('servo-9g-digital', 'left elevon');
  bench.add('controller-f4-wing', 'flight controller');
  const servo = itemOf(bench.design, 'SRV1').id;

  it('is set and left open, and goes with its servo', () => {
    const value: Linkage = { ...plain, item: servo };
    const set = made(bench.design, { kind: 'set-linkage', item: servo, value, was: null });
    expect(set.aircraft.linkages[servo]).toEqual(value);
    const stale = applyEdit(set, { kind: 'set-linkage', item: servo, value: null, was: null });
    expect('refused' in stale && stale.refused.code).toBe('changed-since');
    expect(made(set, { kind: 'remove-item', item: servo }).aircraft.linkages).toEqual({});
    expect(made(set, { kind: 'set-linkage', item: servo, value: null, was: value }).aircraft.linkages).toEqual({});
  });

  it('is refused for what has no arm, and under another item', () => {
    const board = itemOf(bench.design, 'FC1').id;
    const refused = (item: ItemId, value: Linkage): string => {
      const result = applyEdit(bench.design, { kind: 'set-linkage', item, value, was: null });
      return 'refused' in result ? result.refused.sentence : '';
    };
    expect(refused(board, { ...plain, item: board })).toContain('FC1 is not a servo');
    expect(refused(servo, { ...plain, item: board })).toContain('another item than');
  });
});
