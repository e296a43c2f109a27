import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { numbered } from '../../dialects/numbered.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import type { Design } from '../../model/design.ts';
import { FLIGHT_MODES, flightModes } from '../../model/flightModes.ts';
import { EMPTY_RC, type ModeRange, type RcChannel, type RcPlan, type RcSwitch } from '../../model/rcPlan.ts';
import { emptyBench } from '../../test/designs.ts';
import { withDialect } from '../../test/checkCases/build.ts';
import { positionValues } from '../switchPositions.ts';
import { combinationsOf, MOST_COMBINATIONS } from './combinations.ts';
import { modeReachOf } from './modeReach.ts';
import { clashesOn, gapsOn } from './valueStrip.ts';

/** Plans with up to four switches on three channels, some mixed to one, some reversed, with ranges anywhere. */
const switches: fc.Arbitrary<Readonly<Record<string, RcSwitch>>> = fc
  .array(fc.constantFrom<RcSwitch['positions']>(2, 3, 6), { minLength: 1, maxLength: 4 })
  .map((counts) => Object.fromEntries(counts.map((positions, i) => [`s${i}`, { title: `switch ${i}`, positions }])));

const span = fc
  .tuple(fc.integer({ min: 800, max: 2150 }), fc.integer({ min: 1, max: 700 }))
  .map(([fromUs, length]) => ({ fromUs, toUs: fromUs + length }));
const channelNo = fc.constantFrom('5', '6', '7');
const range: fc.Arbitrary<ModeRange> = fc
  .record({
    channel: channelNo,
    span,
    gives: fc.constantFrom('armed' as const, 'manual' as const, 'self-level' as const, 'return' as const, 'cruise' as const),
    also: fc.option(fc.record({ channel: channelNo, span }), { nil: undefined, freq: 3 }),
  })
  .map(({ channel, span: own, gives, also }) => ({
    channel,
    ...own,
    gives,
    ...(also === undefined ? {} : { with: { channel: also.channel, ...also.span } }),
  }));
const channel = (ids: readonly string[]): fc.Arbitrary<RcChannel> =>
  fc
    .record({ from: fc.shuffledSubarray([...ids], { minLength: 1, maxLength: Math.min(2, ids.length) }), isReversed: fc.boolean() })
    .map(({ from, isReversed }) => ({
      use: 'mode',
      from: { is: 'switches', switches: from },
      ...(isReversed ? { reversed: true as const } : {}),
    }));

const plans: fc.Arbitrary<RcPlan> = switches.chain((known) =>
  fc
    .record({
      channels: fc.record({ '5': channel(Object.keys(known)), '6': channel(Object.keys(known)), '7': channel(Object.keys(known)) }),
      ranges: fc.array(range, { maxLength: 7 }),
    })
    .map(({ channels, ranges }) => ({
      ...EMPTY_RC,
      switches: known,
      channels,
      ranges: Object.fromEntries(ranges.map((one, i) => [`r${i}`, one])),
    })),
);

const base = withDialect(emptyBench().design, roleTable);
function flying(rc: RcPlan, kind: Design['aircraft']['airframe']['kind'] = 'flying-wing'): Design {
  return { ...base, aircraft: { ...base.aircraft, airframe: { kind }, rc } };
}

/** What a plan gives at some values, by the words of the design alone: nothing of the code under test. */
function evaluated({ ranges }: RcPlan, values: ReadonlyMap<string, number>) {
  const isIn = ({ channel: no, fromUs, toUs }: { readonly channel: string; readonly fromUs: number; readonly toUs: number }): boolean => {
    const us = values.get(no) ?? NaN;
    return fromUs <= us && us < toUs;
  };
  const all = Object.values(ranges).filter((one) => isIn(one) && (one.with === undefined || isIn(one.with)));
  const modes = all.filter(({ gives }) => gives !== 'armed');
  const strict = modes.filter(({ with: also }) => also !== undefined);
  const counting = (strict.length > 0 ? strict : modes).map(({ gives }) => gives);
  return { modes: new Set(counting), isArmed: all.some(({ gives }) => gives === 'armed') };
}

/** Every way in which all switches of a plan can be, each with the values of all channels, by brute force. */
function everyWay({
  switches: known,
  channels,
}: RcPlan): { readonly at: Readonly<Record<string, number>>; readonly values: ReadonlyMap<string, number> }[] {
  const { least, most } = roleTable.rcScaleUs;
  let ways: Readonly<Record<string, number>>[] = [{}];
  for (const [id, { positions }] of Object.entries(known))
    ways = ways.flatMap((way) => Array.from({ length: positions }, (_, at) => ({ ...way, [id]: at })));
  return ways.map((at) => {
    const values = new Map<string, number>();
    for (const [no, { from, reversed }] of Object.entries(channels)) {
      if (from?.is !== 'switches') continue;
      const [a = '', b] = from.switches;
      const [n, m] = [known[a]?.positions ?? 1, b === undefined ? 1 : (known[b]?.positions ?? 1)];
      const step = (at[a] ?? 0) * m + (b === undefined ? 0 : (at[b] ?? 0));
      const share = step / (n * m - 1);
      values.set(no, reversed === true ? most - share * (most - least) : least + share * (most - least));
    }
    return { at, values };
  });
}

describe('what the switches give, against every position by brute force', () => {
  it('is the same mode, overlap, gap and arming in every combination', () => {
    fc.assert(
      fc.property(plans, (rc) => {
        const combinations = combinationsOf(flying(rc)) ?? [];
        const ways = everyWay(rc);
        for (const { positions, values, mode, isOverlap, armedBy } of combinations) {
          const way = ways.find(({ at }) => positions.every((one) => at[one.id] === one.at));
          const wanted = evaluated(rc, way?.values ?? new Map());
          for (const [no, us] of values) expect(us).toBeCloseTo(way?.values.get(no) ?? NaN, 6);
          expect([isOverlap, armedBy.length > 0]).toEqual([wanted.modes.size > 1, wanted.isArmed]);
          expect(mode === undefined ? wanted.modes.size === 0 : wanted.modes.has(mode)).toBe(true);
        }
        // None is left out: those that differ in what the ranges see are all there.
        const seen = new Set(combinations.map(({ positions }) => positions.map(({ id, at }) => `${id}${at}`).join(' ')));
        const named = combinations[0]?.positions.map(({ id }) => id) ?? [];
        for (const { at } of ways) if (named.length > 0) expect(seen.has(named.map((id) => `${id}${at[id] ?? ''}`).join(' '))).toBe(true);
      }),
      { numRuns: 200 },
    );
  });

  it('reaches exactly the ranges, the way home and the safe mode that brute force does', () => {
    fc.assert(
      fc.property(plans, fc.constantFrom('flying-wing' as const, 'quad' as const), (rc, kind) => {
        const reach = modeReachOf(flying(rc, kind));
        const ways = everyWay(rc);
        if (Object.keys(rc.ranges).length === 0) return;
        const isIn = (one: ModeRange, values: ReadonlyMap<string, number>): boolean =>
          evaluated({ ...rc, ranges: { one } }, values).modes.size > 0 || evaluated({ ...rc, ranges: { one } }, values).isArmed;
        const counts = (id: string, one: ModeRange, values: ReadonlyMap<string, number>): boolean => {
          if (!isIn(one, values)) return false;
          // A range by itself does not count where one holds that goes with another channel.
          const strict = Object.entries(rc.ranges).some(
            ([other, r]) => other !== id && r.gives !== 'armed' && r.with !== undefined && isIn(r, values),
          );
          return one.gives === 'armed' || one.with !== undefined || !strict;
        };
        const unreached = Object.entries(rc.ranges).flatMap(([id, one]) =>
          ways.some(({ values }) => counts(id, one, values)) ? [] : [id],
        );
        expect(reach?.unreached).toEqual(unreached);
        const single = ways.map(({ at, values }) => {
          const { modes } = evaluated(rc, values);
          return { at, mode: modes.size === 1 ? [...modes][0] : undefined, count: modes.size };
        });
        expect(reach?.hasReturn).toBe(single.some(({ mode }) => mode === 'return'));
        expect((reach?.gaps.length ?? 0) > 0).toBe(single.some(({ count }) => count === 0));
        expect((reach?.overlaps.length ?? 0) > 0).toBe(single.some(({ count }) => count > 1));
        const isSafe = (mode: ModeRange['gives'] | undefined): boolean =>
          mode !== undefined && mode !== 'armed' && (kind === 'quad' ? FLIGHT_MODES[mode].levels : mode === 'manual');
        const isNear = (a: Readonly<Record<string, number>>, b: Readonly<Record<string, number>>): boolean =>
          Object.keys(a).filter((id) => a[id] !== b[id]).length <= 1;
        const far = single.some(({ at }) => !single.some((other) => isSafe(other.mode) && isNear(at, other.at)));
        expect((reach?.farFromSafe.length ?? 0) > 0).toBe(far);
      }),
      { numRuns: 300 },
    );
  });

  it('clashes and leaves gaps at exactly the values that brute force finds, microsecond by microsecond', () => {
    fc.assert(
      fc.property(plans, channelNo, (rc, no) => {
        const design = flying(rc);
        const { least, most } = roleTable.rcScaleUs;
        const plain = Object.values(rc.ranges).filter((one) => one.channel === no && one.with === undefined && one.gives !== 'armed');
        const [clashes, gaps] = [clashesOn(design, no), gapsOn(design, no)];
        const wrong: number[] = [];
        for (let us = 750; us <= 2900; us++) {
          const given = new Set(plain.filter((one) => one.fromUs <= us && us < one.toUs).map(({ gives }) => gives));
          const isClash = clashes.some((one) => one.fromUs <= us && us < one.toUs);
          const isGap = gaps.some((one) => (one.fromUs <= us && us < one.toUs) || (us === most && one.toUs === most));
          const isOpen = plain.length > 0 && us >= least && us <= most && given.size === 0;
          if (isClash !== given.size > 1 || isGap !== isOpen) wrong.push(us);
        }
        expect(wrong).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });
});

describe('the ends of a strip', () => {
  it('belong to a mode only where a range goes beyond the last value', () => {
    const ending = (toUs: number): readonly { readonly fromUs: number; readonly toUs: number }[] =>
      gapsOn(
        flying({ ...EMPTY_RC, channels: { '5': { use: 'mode' } }, ranges: { r: { channel: '5', fromUs: 800, toUs, gives: 'manual' } } }),
        '5',
      );
    expect(ending(2013)).toEqual([]);
    expect(ending(2012)).toEqual([{ fromUs: 2012, toUs: 2012 }]);
    expect(ending(2000)).toEqual([{ fromUs: 2000, toUs: 2012 }]);
  });
});

describe('positions of a switch', () => {
  const one = (positions: 2 | 3 | 6, more: Partial<RcChannel> = {}): readonly number[] =>
    positionValues(
      flying({
        ...EMPTY_RC,
        switches: { s: { title: 's', positions } },
        channels: { '5': { use: 'mode', from: { is: 'switches', switches: ['s'] }, ...more } },
      }),
      '5',
    ).map(({ us }) => us);

  it('lie in even steps from end to end, the other way where the radio turns them round, and as measured where they were', () => {
    expect(one(2)).toEqual([988, 2012]);
    expect(one(3)).toEqual([988, 1500, 2012]);
    expect(one(6, { ends: { leastUs: 1000, mostUs: 2000 } })).toEqual([1000, 1200, 1400, 1600, 1800, 2000]);
    expect(one(3, { reversed: true })).toEqual([2012, 1500, 988]);
    expect(one(3, { measured: { firstUs: 1010, centreUs: 1497, lastUs: 1990 } })).toEqual([1010, 1497, 1990]);
    // Of six positions two ends say nothing.
    expect(one(6, { measured: { firstUs: 1010, lastUs: 1990 } })[1]).toBeCloseTo(988 + 1024 / 5, 6);
  });

  it('of too many switches are not gone through', () => {
    const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
    const rc: RcPlan = {
      ...EMPTY_RC,
      switches: Object.fromEntries(ids.map((id) => [id, { title: id, positions: 6 as const }])),
      channels: Object.fromEntries(
        ids.map((id, i) => [String(5 + i), { use: 'mode' as const, from: { is: 'switches' as const, switches: [id] } }]),
      ),
      ranges: Object.fromEntries(
        ids.map((id, i) => [id, { channel: String(5 + i), fromUs: 900, toUs: 1000, gives: flightModes[i] ?? 'manual' }]),
      ),
    };
    expect(6 ** 6).toBeGreaterThan(MOST_COMBINATIONS);
    expect(combinationsOf(flying(rc))).toBeUndefined();
    expect(modeReachOf(flying(rc))).toBeUndefined();
  });

  it('and of none there are no combinations', () => {
    expect(combinationsOf(flying(EMPTY_RC))).toEqual([]);
    expect(numbered.modeSlotsUs?.some((us) => [1000, 1200, 1400, 1500, 1600, 1800, 2000].includes(us))).toBe(false);
  });
});
