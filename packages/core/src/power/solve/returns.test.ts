import { describe, expect, it } from '@jest/globals';
import { CircuitSketch } from '../test/circuits.ts';
import type { RegulatorLaw } from './circuit.ts';
import { solveCircuit } from './solveCircuit.ts';

/** What shuts down for want of input is not latched, whatever it does when it is overloaded. */
const logic = { topology: 'linear', setV: 3.3, inputMinV: 3.6, dropoutV: 0.3, limitA: 0.5 } as const;

const windows = [1, 2].map(() => ({ minV: 4.5, maxV: 5.7 }));

function solved(sketch: CircuitSketch) {
  const { volts, amps, trippings, unsettled } = solveCircuit(sketch.circuit);
  return {
    v: (name: string) => volts[sketch.node(name)] ?? NaN,
    a: (name: string) => amps[sketch.names.indexOf(name)] ?? NaN,
    tripped: trippings.map(({ device, what }) => `${sketch.names[device] ?? '?'} ${what}`),
    unsettled,
  };
}

/** A small regulator and a large one behind a selector, and a fuse before a port that is shorted. */
function shortedPort(onOverload: RegulatorLaw['onOverload'], hasSecond = true): CircuitSketch {
  const sketch = new CircuitSketch().battery('p', '0', 16, 0.01).regulator('small', ['p', 'one', '0'], { limitA: 2, onOverload });
  if (hasSecond) sketch.regulator('large', ['p', 'two', '0'], { limitA: 60 });
  return sketch
    .selector('s', ['one', 'two'], 'rail', '0', { windows, dropV: 0.05 })
    .draw('logic', 'rail', '0', { is: 'constant-power', watts: 1, kneeV: 2 })
    .limiter('fuse', 'rail', 'port', { ohm: 0.05, tripA: 3, trippedOhm: 30 })
    .resistor('port', '0', 0.2);
}

describe('what has tripped on the way', () => {
  it('tries again once a fuse has cut off the short: the small regulator is back, and the selector on it', () => {
    const { v, a, tripped, unsettled } = solved(shortedPort('hiccup'));
    expect(tripped).toEqual(['fuse trip']);
    expect(a('large')).toBeCloseTo(0, 6);
    const fuseA = v('rail') / 30.2;
    expect(v('rail')).toBeCloseTo(4.95, 5);
    expect(a('small')).toBeCloseTo(1 / 4.95 + fuseA, 5);
    expect(unsettled).toBeUndefined();
  });

  it('stays off where it latches: the selector stays on the other', () => {
    const { v, a, tripped } = solved(shortedPort('latch-off'));
    expect(tripped).toEqual(['small overload', 'fuse trip', 's window']);
    expect([a('small'), v('one')]).toEqual([0, expect.closeTo(0, 6)]);
    expect(v('rail')).toBeCloseTo(4.95, 5);
  });

  it('is overloaded for good where nothing cuts off the short', () => {
    const { v, tripped } = solved(shortedPort('hiccup', false));
    expect(tripped).toContain('small overload');
    expect(tripped).not.toContain('fuse trip');
    expect(v('rail')).toBeCloseTo(0, 6);
  });

  it('starts again when its input is back: a regulator behind a selector that changed over', () => {
    const { v, tripped } = solved(
      new CircuitSketch()
        .battery('p', '0', 16, 0.01)
        .regulator('first', ['p', 'one', '0'], { limitA: 2 })
        .regulator('second', ['p', 'two', '0'], { limitA: 10 })
        // Before the selector, so that it shuts down before that has changed over.
        .regulator('logic', ['rail', '3v3', '0'], { ...logic, onOverload: 'latch-off' })
        .draw('load', '3v3', '0', { is: 'resistance', ohm: 33 })
        .selector('s', ['one', 'two'], 'rail', '0', { windows, dropV: 0.05 })
        .resistor('one', '0', 0.01),
    );
    expect(tripped).toEqual(['first overload', 's window']);
    expect([v('rail'), v('3v3')]).toEqual([expect.closeTo(4.95, 5), expect.closeTo(3.3, 5)]);
  });

  it('starts again one after the other: a selector goes back to the input whose regulator is back', () => {
    const high = [1, 2].map(() => ({ minV: 7, maxV: 17 }));
    const { v, a, tripped } = solved(
      new CircuitSketch()
        .battery('p', '0', 16, 0.01)
        .battery('q', '0', 12, 0.01)
        .regulator('pre', ['p', 'x', '0'], { setV: 9, limitA: 2 })
        .regulator('r', ['mid', 'one', '0'], { limitA: 5 })
        .regulator('spare', ['q', 'two', '0'], { limitA: 5 })
        .selector('late', ['one', 'two'], 'rail', '0', { windows, dropV: 0.05 })
        .selector('early', ['x', 'q'], 'mid', '0', { windows: high, dropV: 0.05 })
        .resistor('x', '0', 0.01)
        .draw('load', 'rail', '0', { is: 'constant-power', watts: 5, kneeV: 2 }),
    );
    expect(tripped).toEqual(['pre overload', 'early window']);
    expect([v('mid') > 11, a('r') > 0.9, a('spare')]).toEqual([true, true, expect.closeTo(0, 6)]);
    expect(v('rail')).toBeCloseTo(4.95, 5);
  });

  it('still tells of the first input where a selector goes back to its second', () => {
    const three = [1, 2, 3].map(() => ({ minV: 4.5, maxV: 5.7 }));
    const high = [1, 2].map(() => ({ minV: 7, maxV: 17 }));
    const result = solveCircuit(
      new CircuitSketch()
        .battery('p', '0', 16, 0.01)
        .battery('q', '0', 12, 0.01)
        .regulator('pre', ['p', 'x', '0'], { setV: 9, limitA: 2 })
        .regulator('gone', ['p', 'zero', '0'], { limitA: 2 })
        .regulator('r', ['mid', 'one', '0'], { limitA: 5 })
        .regulator('spare', ['q', 'two', '0'], { limitA: 5 })
        .selector('late', ['zero', 'one', 'two'], 'rail', '0', { windows: three, dropV: 0.05 })
        .selector('early', ['x', 'q'], 'mid', '0', { windows: high, dropV: 0.05 })
        .draw('short of x', 'x', '0', { is: 'resistance', ohm: 0.01 })
        .draw('short of zero', 'zero', '0', { is: 'resistance', ohm: 0.01 })
        .draw('load', 'rail', '0', { is: 'constant-power', watts: 5, kneeV: 2 }).circuit,
    );
    expect(result.trippings.map(({ device, what, input }) => [device, what, input]).sort()).toEqual([
      [2, 'overload', undefined],
      [3, 'overload', undefined],
      [6, 'window', 0],
      [7, 'window', 0],
    ]);
  });

  it('stays down where the input that came back goes away again with it', () => {
    const { v, tripped, unsettled } = solved(
      new CircuitSketch()
        .battery('p', '0', 8, 1)
        .regulator('r', ['p', 'out', '0'], { limitA: 9 })
        .draw('load', 'out', '0', { is: 'constant-current', amps: 4, kneeV: 1 }),
    );
    expect(tripped).toEqual(['r input-low']);
    // It is awake, and takes its quiescent current.
    expect(v('p')).toBeCloseTo(8 - 0.01, 5);
    expect(v('out')).toBeCloseTo(0, 6);
    expect(unsettled).toBeUndefined();
  });
});

describe('an input of a selector that nothing feeds', () => {
  it('is at 0 V for it, also where the first pack is cut off from its ground', () => {
    const { v, tripped } = solved(
      new CircuitSketch()
        .battery('pa', 'ma', 16, 0.01)
        .draw('cut off', 'pa', 'g', { is: 'open' })
        .battery('pb', 'g', 12, 0.01)
        .regulator('r', ['pb', 'one', 'g'], { limitA: 3 })
        .selector('s', ['nothing', 'one'], 'rail', 'g', { windows, dropV: 0.05 })
        .draw('logic', 'rail', 'g', { is: 'constant-power', watts: 1, kneeV: 2 }),
    );
    expect(v('nothing') - v('g')).toBeCloseTo(0, 9);
    expect(v('rail') - v('g')).toBeCloseTo(4.95, 5);
    expect(tripped).toEqual([]);
  });
});
