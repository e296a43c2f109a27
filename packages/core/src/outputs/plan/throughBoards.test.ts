import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { bench, plugged, powered } from '../../test/checkCases/build.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import { asId } from '../../model/ids.ts';
import { findingsBy, itemOf } from '../../test/designs.ts';
import { consumersOf } from './consumers.ts';

/** A bare controller with an output board on its row, and a servo on the board. */
function stacked(): Design {
  const one = bench('controller-f7-rows', 'output-board-stacked-6', 'servo-9g-analog', 'battery-lipo-4s-5000');
  one.sit('PWR1 stack', 'FC1 servos');
  one.wire('SRV1 lead', 'PWR1 out2', 'meaning', 200);
  one.assign('FC1', 's2', 'elevon-left');
  return one.design;
}

/** The same with copper on the board that is not quite nothing, as a workshop may have measured it. */
function withTraces(design: Design): Design {
  const board = itemOf(design, 'PWR1');
  const part = design.parts.get(board.part);
  if (part === undefined) throw new Error('There is no board.');
  const circuit = part.circuit.map((element) =>
    element.is === 'link' && element.id.startsWith('pass-') ? { ...element, ohm: 0.02 } : element,
  );
  const own = { ...part, id: asId<typeof part.id>('own-board'), circuit };
  const key = partKeyOf(own);
  const items = { ...design.aircraft.items, [board.id]: { ...board, part: key } };
  return { ...design, parts: new Map([...design.parts, [key, own]]), aircraft: { ...design.aircraft, items } };
}

describe('an output that leaves through a stacked board', () => {
  it('does so over traces with a resistance too', () => {
    expect(consumersOf(graphOf(withTraces(stacked())))[0]?.on?.output.id).toBe('s2');
    expect(findingsBy(withTraces(stacked()), 'output.unwired')).toEqual([]);
  });

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
