import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { bench, plugged, powered } from '../../test/checkCases/build.ts';
import { findingsBy } from '../../test/designs.ts';
import { consumersOf } from './consumers.ts';

/** A bare controller with an output board on its row, and a servo on the board. */
function stacked(): Design {
  const one = bench('controller-f7-rows', 'output-board-stacked-6', 'servo-9g-analog', 'battery-lipo-4s-5000');
  one.sit('PWR1 stack', 'FC1 servos');
  one.wire('SRV1 lead', 'PWR1 out2', 'meaning', 200);
  one.assign('FC1', 's2', 'elevon-left');
  return one.design;
}

describe('an output that leaves through a stacked board', () => {
  it('drives what hangs on the board', () => {
    const [servo] = consumersOf(graphOf(stacked()));
    expect(servo?.on?.output.id).toBe('s2');
    expect(findingsBy(stacked(), 'output.unwired')).toEqual([]);
    expect(findingsBy(stacked(), 'wire.no-signal')).toEqual([]);
  });
});

describe('single jumpers', () => {
  it('go onto a row of pins, each by itself, and a plug of another kind does not', () => {
    const one = powered('gnss-serial');
    one.wire('GNSS1 UART', 'FC1 out1', 'none', 100);
    const jumper = plugged(one.design, 'W02', { family: 'pin-2.54', positions: 1, gender: 'socket' });
    expect(findingsBy(jumper, 'wire.connector-mate')).toEqual([]);
    const other = plugged(one.design, 'W02', { family: 'locking-1.25', positions: 3, gender: 'plug' });
    expect(findingsBy(other, 'wire.connector-mate')).toHaveLength(1);
  });
});
