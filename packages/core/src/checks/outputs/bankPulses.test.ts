import { describe, expect, it } from '@jest/globals';
import { outputBoards } from '../../outputs/plan/outputBoard.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { BankUse } from '../../model/outputPlan.ts';
import { emptyBench, findingsBy, itemOf, made } from '../../test/designs.ts';

const SLOW = 'motor-controller-brushed-20a';

/** One motor controller on output 1 of a board, for a function, with its bank at these pulses. */
function driven(controller: string, name: 'motor-1' | 'throttle', value: Pick<BankUse, 'kind' | 'rateHz'>): Design {
  const bench = emptyBench();
  if (name === 'motor-1') bench.make({ kind: 'set-airframe', airframe: 'quad', was: 'flying-wing' });
  bench.add('controller-f4-wing', '');
  bench.add(controller, '');
  bench.wire('ESC1 signal', 'FC1 out1');
  bench.assign('FC1', 'out1', name);
  return made(bench.design, { kind: 'set-bank', item: itemOf(bench.design, 'FC1').id, bank: 'A', value, was: null });
}

describe('the pulses of a bank', () => {
  it('stop a lift motor whose controller runs below 250 Hz, and no other', () => {
    const slow = findingsBy(driven('motor-controller-20a-6s', 'motor-1', { kind: 'pwm', rateHz: 100 }), 'output.bank-rate');
    expect(slow.map(({ severity, evidence }) => [severity, evidence[0]?.limit])).toEqual([['stop', '250 Hz at least']]);
    expect(findingsBy(driven('motor-controller-20a-6s', 'motor-1', { kind: 'pwm', rateHz: 400 }), 'output.bank-rate')).toEqual([]);
    expect(findingsBy(driven('motor-controller-20a-6s', 'motor-1', { kind: 'dshot' }), 'output.bank-rate')).toEqual([]);
    expect(findingsBy(driven('motor-controller-20a-6s', 'throttle', { kind: 'pwm', rateHz: 100 }), 'output.bank-rate')).toEqual([]);
  });

  it('stop an analog servo that gets any faster ones than it takes', () => {
    const servo = (rateHz: number): readonly string[] => {
      const bench = emptyBench();
      bench.add('controller-f4-wing', '');
      bench.add('servo-9g-analog', '');
      bench.wire('SRV1 lead', 'FC1 out1');
      bench.assign('FC1', 'out1', 'elevon-left');
      const item = itemOf(bench.design, 'FC1').id;
      const design = made(bench.design, { kind: 'set-bank', item, bank: 'A', value: { kind: 'pwm', rateHz }, was: null });
      return findingsBy(design, 'output.rate-too-fast').map(({ severity }) => severity);
    };
    expect([50, 51, 60].map(servo)).toEqual([[], ['stop'], ['stop']]);
  });

  it('are a mend where they are faster than a motor controller takes', () => {
    const fast = findingsBy(driven(SLOW, 'throttle', { kind: 'pwm', rateHz: 150 }), 'output.bank-rate');
    expect(fast.map(({ severity, evidence }) => [severity, evidence[0]?.limit])).toEqual([['mend', '100 Hz at most']]);
    expect(findingsBy(driven(SLOW, 'throttle', { kind: 'pwm', rateHz: 100 }), 'output.bank-rate')).toEqual([]);
  });

  it('cannot be planned for a lift motor whose controller is too slow, and the plan says why', () => {
    const board = outputBoards(graphOf(driven(SLOW, 'motor-1', { kind: 'pwm', rateHz: 100 })))[0];
    expect(board?.rows.find((row) => row.function === 'motor-1')).toMatchObject({
      planned: undefined,
      why: 'ESC1 accepts 100 Hz at most; a lift motor needs 250 Hz.',
    });
  });
});
