import { describe, expect, it } from '@jest/globals';
import { CircuitSketch } from '../test/circuits.ts';
import { solveCircuit } from './solveCircuit.ts';

/** Solves a sketch and gives voltages by the name of the node and amps by the name of the device. */
function solved(sketch: CircuitSketch) {
  const result = solveCircuit(sketch.circuit);
  return {
    ...result,
    v: (name: string) => result.volts[sketch.node(name)] ?? NaN,
    a: (name: string) => result.amps[sketch.names.indexOf(name)] ?? NaN,
    tripped: result.trippings.map(({ device, what }) => `${sketch.names[device] ?? '?'} ${what}`),
  };
}

describe('each element by its own law', () => {
  it('divides a voltage', () => {
    const { v, a, unsettled } = solved(new CircuitSketch().battery('p', '0', 10, 0.5).resistor('p', 'm', 1.5).resistor('m', '0', 3));
    expect(v('m')).toBeCloseTo(6, 5);
    expect(v('p')).toBeCloseTo(9, 5);
    expect(a('battery')).toBeCloseTo(2, 5);
    expect(unsettled).toBeUndefined();
  });

  it('feeds a constant power through a resistance: the upper of both roots', () => {
    const { v } = solved(
      new CircuitSketch()
        .battery('p', '0', 12, 0)
        .resistor('p', 'm', 1)
        .draw('load', 'm', '0', { is: 'constant-power', watts: 20, kneeV: 1 }),
    );
    expect(v('m')).toBeCloseTo(6 + Math.sqrt(36 - 20), 5);
  });

  it('falls to the resistance below the knee where no supply can give the power', () => {
    const { v, unsettled } = solved(
      new CircuitSketch()
        .battery('p', '0', 5, 0)
        .resistor('p', 'm', 1)
        .draw('load', 'm', '0', { is: 'constant-power', watts: 10, kneeV: 2 }),
    );
    // Below the knee it is 2 * 2 / 10 = 0.4 ohm.
    expect(v('m')).toBeCloseTo((5 * 0.4) / 1.4, 5);
    expect(unsettled).toBeUndefined();
  });

  it('draws a constant current, and a motor by the square of its voltage', () => {
    const sketch = new CircuitSketch()
      .battery('p', '0', 10, 0)
      .resistor('p', 'm', 2)
      .draw('load', 'm', '0', { is: 'constant-current', amps: 1.5, kneeV: 1 });
    expect(solved(sketch).v('m')).toBeCloseTo(7, 5);
    const motor = solved(
      new CircuitSketch().battery('p', '0', 10, 0).resistor('p', 'm', 1).draw('drive', 'm', '0', { is: 'square', ampsPerV2: 0.1 }),
    );
    // 0.1 V2 + V - 10 = 0
    expect(motor.v('m')).toBeCloseTo((-1 + Math.sqrt(5)) / 0.2, 5);
  });

  it('passes a diode one way only', () => {
    const there = solved(
      new CircuitSketch().battery('p', '0', 5, 0).device('d', 'diode', ['p', 'm'], { is: 'diode', dropV: 0.4 }).resistor('m', '0', 2),
    );
    expect([there.v('m'), there.a('d')]).toEqual([expect.closeTo(4.6, 5), expect.closeTo(2.3, 5)]);
    const back = solved(
      new CircuitSketch().battery('p', '0', 5, 0).device('d', 'diode', ['m', 'p'], { is: 'diode', dropV: 0.4 }).resistor('m', '0', 2),
    );
    expect([back.v('m'), back.a('d')]).toEqual([expect.closeTo(0, 5), expect.closeTo(0, 12)]);
  });

  it('takes the higher of two supplies behind diodes, and shares where both stand equally high', () => {
    const or = (a: number, b: number) =>
      solved(
        new CircuitSketch()
          .battery('a', '0', a, 0.1)
          .battery('b', '0', b, 0.1)
          .device('da', 'diode', ['a', 'm'], { is: 'diode', dropV: 0.3 })
          .device('db', 'diode', ['b', 'm'], { is: 'diode', dropV: 0.3 })
          .resistor('m', '0', 5),
      );
    expect([or(6, 5).a('da') > 0.9, or(6, 5).a('db')]).toEqual([true, expect.closeTo(0, 10)]);
    expect([or(5, 6).a('da'), or(5, 6).a('db') > 0.9]).toEqual([expect.closeTo(0, 10), true]);
    expect(or(6, 6).a('da')).toBeCloseTo(or(6, 6).a('db'), 6);
  });

  it('clamps above its voltage and not below', () => {
    const clamp = (emfV: number) =>
      solved(
        new CircuitSketch().battery('p', '0', emfV, 0).resistor('p', 'm', 10).draw('z', 'm', '0', { is: 'clamp', volts: 5.6, ohm: 2 }),
      );
    expect(clamp(5).v('m')).toBeCloseTo(5, 5);
    expect(clamp(8).v('m')).toBeCloseTo(5.6 + (2 * 2.4) / 12, 5);
  });

  it('reads a current through a sense element of 0 ohm', () => {
    const { a } = solved(
      new CircuitSketch().battery('p', '0', 12, 0.1).device('s', 'sense', ['p', 'm'], { is: 'sense', ohm: 0 }).resistor('m', '0', 0.9),
    );
    expect(a('s')).toBeCloseTo(12, 5);
  });

  it('limits what a source gives', () => {
    const usb = (ohm: number) => solved(new CircuitSketch().source('p', '0', 5, 0.25, 0.5).resistor('p', '0', ohm));
    expect(usb(19.75).v('p')).toBeCloseTo(4.9375, 5);
    expect([usb(2).v('p'), usb(2).a('source')]).toEqual([expect.closeTo(1, 5), expect.closeTo(0.5, 6)]);
  });

  it('lets a fuse carry, and trips it into a short that it keeps warm', () => {
    const fuse = (ohm: number) =>
      solved(
        new CircuitSketch()
          .battery('p', '0', 5, 0)
          .limiter('f', 'p', 'm', { ohm: 0.05, tripA: 2, trippedOhm: 31.25 })
          .resistor('m', '0', ohm),
      );
    expect(fuse(4.95).a('f')).toBeCloseTo(1, 5);
    const short = fuse(0.5);
    expect(short.tripped).toEqual(['f trip']);
    expect(short.v('m')).toBeCloseTo((5 * 0.5) / 31.75, 5);
  });
});

describe('a regulator', () => {
  const fed = (emfV: number, loadA: number, law: Parameters<CircuitSketch['regulator']>[2] = {}) =>
    solved(
      new CircuitSketch()
        .battery('p', '0', emfV, 0.02)
        .regulator('r', ['p', 'out', '0'], law)
        .draw('load', 'out', '0', { is: 'constant-current', amps: loadA, kneeV: 0.5 }),
    );

  it('holds its setpoint and takes its power over its efficiency', () => {
    const { v, a } = fed(12, 2);
    expect(v('out')).toBeCloseTo(5, 6);
    const input = 0.01 + (5 * 2) / (0.9 * v('p'));
    expect(a('battery')).toBeCloseTo(input, 5);
  });

  it('a linear one passes its current on', () => {
    expect(fed(9, 1, { topology: 'linear' }).a('battery')).toBeCloseTo(1.01, 5);
  });

  it('follows its input below setpoint and dropout, and shuts down below its least input', () => {
    const low = fed(6.2, 0.5, { inputMinV: 5 });
    expect(low.v('out')).toBeCloseTo(5, 6);
    const follows = fed(5.6, 0.5, { inputMinV: 5 });
    expect(follows.v('out')).toBeCloseTo(follows.v('p') - 1, 6);
    const off = fed(6, 0.5);
    expect([off.v('out'), off.a('r')]).toEqual([expect.closeTo(0, 6), expect.closeTo(0, 6)]);
  });

  it('a buck-boost one holds its setpoint from a lower input too, for more current', () => {
    const raised = fed(4, 0.5, { topology: 'buck-boost', inputMinV: 3, dropoutV: 1 });
    expect(raised.v('out')).toBeCloseTo(5, 6);
    expect(raised.a('battery')).toBeCloseTo(0.01 + (5 * 0.5) / (0.9 * raised.v('p')), 5);
    expect(fed(5.2, 0.5, { topology: 'buck-boost', inputMinV: 3, dropoutV: 1 }).v('out')).toBeCloseTo(5, 6);
    expect(fed(2.9, 0.5, { topology: 'buck-boost', inputMinV: 3 }).v('out')).toBeCloseTo(0, 6);
  });

  it('sags into a shutdown that is told with its numbers', () => {
    const sagging = solved(
      new CircuitSketch()
        .battery('b', '0', 7, 0.2)
        .resistor('b', 'p', 0.01)
        .regulator('r', ['p', 'out', '0'], {})
        .resistor('out', '0', 5)
        .draw('motor', 'p', '0', { is: 'constant-current', amps: 3, kneeV: 1 }),
    );
    expect(sagging.tripped).toEqual(['r input-low']);
    expect(sagging.trippings[0]?.value).toBeLessThan(6.5);
    expect(sagging.v('out')).toBeCloseTo(0, 5);
  });

  it('when overloaded holds its current, folds back, or shuts down', () => {
    const held = fed(12, 4, { onOverload: 'constant-current' });
    // The load of 4 A gets 3 A: it is below its knee of 0.5 V, where it is a resistance of 0.125 ohm.
    expect([held.a('r'), held.v('out')]).toEqual([expect.closeTo(3, 6), expect.closeTo(0.375, 5)]);
    const folded = solved(
      new CircuitSketch().battery('p', '0', 12, 0).regulator('r', ['p', 'out', '0'], { onOverload: 'foldback' }).resistor('out', '0', 1),
    );
    // I = 3 (0.3 + 0.7 V / 5) and V = 1 I
    expect(folded.v('out')).toBeCloseTo(0.9 / (1 - 0.42), 5);
    for (const onOverload of ['hiccup', 'latch-off'] as const) {
      const off = fed(12, 4, { onOverload });
      expect([off.tripped, off.v('out')]).toEqual([['r overload'], expect.closeTo(0, 6)]);
    }
  });

  it('takes nothing back from a higher supply on its output', () => {
    const { a, v } = solved(
      new CircuitSketch()
        .battery('p', '0', 12, 0)
        .battery('q', '0', 6, 0.1)
        .resistor('q', 'out', 0.1)
        .regulator('r', ['p', 'out', '0'], {})
        .resistor('out', '0', 10),
    );
    expect(a('r')).toBeCloseTo(0, 6);
    expect(v('out')).toBeCloseTo((6 * 10) / 10.2, 5);
  });
});

describe('a selector', () => {
  const windows = [
    { minV: 4.5, maxV: 5.7 },
    { minV: 4.5, maxV: 5.7 },
  ];
  const choosing = (first: number, second: number) =>
    solved(
      new CircuitSketch()
        .battery('a', '0', first, 0.05)
        .battery('b', '0', second, 0.05)
        .selector('s', ['a', 'b'], 'out', '0', { windows, dropV: 0.05 })
        .draw('load', 'out', '0', { is: 'constant-current', amps: 1, kneeV: 1 }),
    );

  it('takes the first input inside its window, and nothing flows into the other', () => {
    expect(choosing(5, 5.5).v('out')).toBeCloseTo(4.9, 5);
    expect(choosing(6, 5.5).v('out')).toBeCloseTo(5.4, 5);
    expect(choosing(4, 5.5).v('out')).toBeCloseTo(5.4, 5);
    expect(choosing(4, 6).v('out')).toBeCloseTo(0, 5);
  });

  it('leaves an input that sags out of its window, and says so', () => {
    const sagged = choosing(4.52, 5);
    expect(sagged.trippings).toEqual([expect.objectContaining({ what: 'window', input: 0, value: expect.closeTo(4.47, 5), limit: 4.5 })]);
    expect(sagged.v('out')).toBeCloseTo(4.9, 5);
  });
});

describe('a selector of three inputs', () => {
  it('goes on from an input that sags, and not back to one that it has left', () => {
    const windows = [1, 2, 3].map(() => ({ minV: 4.5, maxV: 5.7 }));
    const { v, trippings, unsettled } = solved(
      new CircuitSketch()
        .battery('a', '0', 4.52, 0.05)
        .battery('b', '0', 4.53, 0.05)
        .battery('c', '0', 5, 0.05)
        .selector('s', ['a', 'b', 'c'], 'out', '0', { windows, dropV: 0.05 })
        .draw('load', 'out', '0', { is: 'constant-current', amps: 1, kneeV: 1 }),
    );
    expect(trippings.map(({ what, input }) => [what, input])).toEqual([
      ['window', 0],
      ['window', 1],
    ]);
    expect(v('out')).toBeCloseTo(4.9, 5);
    expect(v('a')).toBeCloseTo(4.52, 5);
    expect(unsettled).toBeUndefined();
  });
});

describe('grounds and islands', () => {
  it('gives the drop of a ground return', () => {
    const { v } = solved(
      new CircuitSketch()
        .battery('p', '0', 12, 0)
        .resistor('p', 'm', 0.1)
        .draw('load', 'm', 'g', { is: 'constant-current', amps: 5, kneeV: 1 })
        .resistor('g', '0', 0.1),
    );
    expect([v('m'), v('g')]).toEqual([expect.closeTo(11.5, 5), expect.closeTo(0.5, 5)]);
  });

  it('lets a load without its ground take nothing', () => {
    const { v, a } = solved(
      new CircuitSketch()
        .battery('p', '0', 12, 0)
        .resistor('p', 'm', 0.1)
        .draw('load', 'm', 'g', { is: 'constant-current', amps: 5, kneeV: 1 })
        .resistor('g', '0', Infinity),
    );
    expect(v('m') - v('g')).toBeCloseTo(0, 5);
    expect(a('load')).toBeCloseTo(0, 5);
  });

  it('solves two packs that do not touch each by itself, and leaves what has no supply at nothing', () => {
    const { v } = solved(
      new CircuitSketch()
        .battery('p', '0', 12, 0)
        .resistor('p', '0', 5)
        .battery('q', 'n', 8, 1)
        .resistor('q', 'n', 3)
        .resistor('x', 'y', 2),
    );
    expect([v('p'), v('q') - v('n'), v('x')]).toEqual([expect.closeTo(12, 5), expect.closeTo(6, 5), 0]);
  });
});
