import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { graphOf } from '../graph/graphOf.ts';
import type { Design } from '../model/design.ts';
import { asId, type ItemId, type WaiverId } from '../model/ids.ts';
import { powered } from '../test/checkCases/build.ts';
import { motorised, servos } from '../test/checkCases/powerDesigns.ts';
import { made } from '../test/designs.ts';
import { withPlainSpaces } from '../text/numbers.ts';
import { byCause, inFindingOrder } from './byCause.ts';
import { SEVERITIES, type Cause, type Finding } from './finding.ts';
import { findingsApart, findingsOf, judge } from './findingsOf.ts';
import { causeOfLow } from './power/helpers/causes.ts';
import { lowLoads } from './power/helpers/lowLoads.ts';

function above(design: Design): readonly Finding[] {
  return findingsOf(design).filter(({ severity }) => severity !== 'note');
}

function finding(n: number, severity: Finding['severity'], cause?: Cause): Finding {
  const item = asId<ItemId>(`i${n % 4}`);
  return {
    check: 'power.over-current',
    stage: 'power',
    severity,
    where: [{ is: 'item', item }],
    what: `Number ${n}.`,
    evidence: [],
    why: 'It stays.',
    key: `key ${n}`,
    basis: `basis ${n}`,
    follows: [],
    ...(cause === undefined ? {} : { cause }),
  };
}

const anyFindings = fc
  .array(fc.tuple(fc.constantFrom(...SEVERITIES), fc.option(fc.tuple(fc.nat(3), fc.constantFrom(0, 1, 2)), { nil: undefined })), {
    maxLength: 20,
  })
  .map((list) =>
    list.map(([severity, cause], n) => finding(n, severity, cause === undefined ? undefined : { of: `c${cause[0]}`, distance: cause[1] })),
  );

describe('findings by cause', () => {
  it('lose none, tell each cause once, by its nearest, as severe as its worst, whatever the order', () => {
    fc.assert(
      fc.property(anyFindings, (apart) => {
        const told = byCause(apart);
        expect(told.flatMap(({ key, follows }) => [key, ...follows.map((one) => one.key)]).sort()).toEqual(
          apart.map(({ key }) => key).sort(),
        );
        const causes = told.flatMap(({ cause }) => cause?.of ?? []);
        expect(causes).toEqual([...new Set(causes)]);
        expect(told).toEqual([...told].sort(inFindingOrder));
        expect(byCause([...apart].reverse())).toEqual(told);
        for (const one of told) {
          const same = apart.filter(({ key, cause }) => key === one.key || (cause !== undefined && cause.of === one.cause?.of));
          expect(SEVERITIES.indexOf(one.severity)).toBe(Math.min(...same.map(({ severity }) => SEVERITIES.indexOf(severity))));
          for (const { cause } of same) expect(cause?.distance ?? 0).toBeGreaterThanOrEqual(one.cause?.distance ?? 0);
          for (const { where } of same) expect(one.where).toEqual(expect.arrayContaining([...where]));
        }
      }),
    );
  });

  it('a cable that is too small is one finding, with both wires and all contacts under it', () => {
    const design = motorised('motor-controller-60a-5v5a', 'motor-28mm-9x6', 24).design;
    const apart = findingsApart(design).filter(({ cause, severity }) => cause?.of.startsWith('cable ') === true && severity !== 'note');
    expect(apart.length).toBeGreaterThan(1);
    expect(above(design).filter(({ check }) => check === 'power.wire-gauge')).toHaveLength(1);
  });

  it('an overload is one finding, with the parts that starve behind it', () => {
    const design = servos('regulator-linear-5v-1a5', 3);
    const [overload, ...others] = above(design).filter(({ follows }) => follows.length > 0);
    expect(others).toEqual([]);
    expect(overload?.check).toBe('power.over-current');
    expect(overload?.severity).toBe('stop');
    expect(overload?.follows.map(({ what }) => withPlainSpaces(what)).join(' ')).toMatch(/SRV\d servo gets .* SRV\d servo gets/);
    expect(findingsOf(design).some(({ check }) => check === 'power.under-voltage')).toBe(false);
  });

  it('put what starves behind a long wire under the wire', () => {
    const long = powered('radio-900-class');
    long.wire('RADIO1 UART', 'FC1 S1', 'meaning', 9000);
    const [gauge] = above(long.design).filter(({ check }) => check === 'power.wire-gauge');
    expect(gauge?.follows.map(({ check }) => check)).toContain('power.under-voltage');
    // Not where it would have too little without the wire as well.
    const graph = graphOf(long.design);
    const [low] = lowLoads(graph);
    if (low === undefined) throw new Error('Nothing starves.');
    expect(causeOfLow(graph, low)?.of).toMatch(/^cable /);
    expect(causeOfLow(graph, { ...low, minV: 12 })).toBeUndefined();
  });

  it('show the newest acceptance where several have lapsed', () => {
    const design = servos('regulator-linear-5v-1a5', 3);
    const [first] = findingsOf(design);
    if (first === undefined) throw new Error('Nothing is found.');
    const about = (n: number, reason: string) =>
      ({
        kind: 'add-waiver',
        waiver: {
          id: asId<WaiverId>(`?${n}`),
          findingKey: first.key,
          basis: `before ${n}`,
          reason,
          by: 'bench',
          at: `2026-01-0${n}T03:04:05.000Z`,
        },
      }) as const;
    // The document may hold them in any order.
    for (const order of [
      [1, 2],
      [2, 1],
    ]) {
      const accepted = order.reduce((now, n) => made(now, about(n, n === 2 ? 'The newer one.' : 'The older one.')), design);
      const found = judge(findingsOf(accepted), accepted.aircraft).find(({ finding: { key } }) => key === first.key);
      expect([found?.waiver, found?.lapsed?.reason]).toEqual([undefined, 'The newer one.']);
    }
  });

  it('are accepted together: another follower is another basis', () => {
    const three = servos('regulator-linear-5v-1a5', 3);
    const [overload] = above(three).filter(({ follows }) => follows.length > 0);
    if (overload === undefined) throw new Error('There is no overload.');
    const waiver = { findingKey: overload.key, basis: overload.basis, reason: 'It is known.', by: 'bench', at: '2026-01-02T03:04:05.000Z' };
    const accepted = made(three, { kind: 'add-waiver', waiver: { id: asId<WaiverId>('?1'), ...waiver } });
    const judged = (design: Design) => judge(findingsOf(design), design.aircraft).find(({ finding: { key } }) => key === overload.key);
    expect(judged(accepted)?.waiver?.reason).toBe('It is known.');
    const [last] = Object.values(three.aircraft.cables).slice(-1);
    if (last === undefined) throw new Error('There is no cable.');
    const fewer = made(accepted, { kind: 'remove-cable', cable: last.id });
    expect(judged(fewer)?.waiver).toBeUndefined();
  });
});
