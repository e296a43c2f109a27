import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { CircuitSketch } from '../test/circuits.ts';
import { DOWN, ON } from './deviceStates.ts';
import { solveCircuit } from './solveCircuit.ts';
import { runningStart } from './startOf.ts';

interface Cell {
  readonly emfV: number;
  readonly ohm: number;
}

/** Packs on top of each other before a load, the ones of `order` first; each on the next by a wire. */
function stacked(packs: readonly Cell[], order: readonly number[], loadOhm: number): CircuitSketch {
  const sketch = new CircuitSketch();
  for (const i of order) {
    const { emfV, ohm } = packs[i] ?? { emfV: 0, ohm: 0 };
    sketch.battery(`plus${i}`, i === 0 ? 'ground' : `minus${i}`, emfV, ohm);
    if (i > 0) sketch.resistor(`plus${i - 1}`, `minus${i}`, 0.001);
  }
  sketch.draw('load', `plus${packs.length - 1}`, 'ground', { is: 'resistance', ohm: loadOhm });
  return sketch;
}

const packs = fc.array(
  fc.record({ emfV: fc.integer({ min: 3, max: 26 }), ohm: fc.integer({ min: 1, max: 60 }).map((milliohm) => milliohm / 1000) }),
  { minLength: 2, maxLength: 4 },
);

describe('packs in series', () => {
  it('give the sum of their voltages less what their resistances take, whichever stands first in the list', () => {
    fc.assert(
      fc.property(packs, fc.integer({ min: 1, max: 50 }), fc.boolean(), (cells, loadOhm, isReversed) => {
        const order = cells.map((_, i) => (isReversed ? cells.length - 1 - i : i));
        const sketch = stacked(cells, order, loadOhm);
        const { volts, unsettled } = solveCircuit(sketch.circuit);
        const emfV = cells.reduce((sum, cell) => sum + cell.emfV, 0);
        const innerOhm = cells.reduce((sum, cell) => sum + cell.ohm, 0) + 0.001 * (cells.length - 1);
        const across = (volts[sketch.node(`plus${cells.length - 1}`)] ?? NaN) - (volts[sketch.node('ground')] ?? NaN);
        expect(across).toBeCloseTo((emfV * loadOhm) / (loadOhm + innerOhm), 6);
        expect(unsettled).toBeUndefined();
        // The minus of the lowest is the ground of all.
        expect(volts[sketch.node('ground')]).toBe(0);
        expect(runningStart(sketch.circuit).volts[sketch.node(`plus${cells.length - 1}`)]).toBeCloseTo(emfV, 9);
      }),
      { numRuns: 200 },
    );
  });

  it('run a regulator over the whole stack, and one over the upper pack alone', () => {
    const sketch = new CircuitSketch()
      .battery('top', 'middle', 11, 0.01)
      .battery('middle', '0', 4, 0.01)
      .regulator('whole', ['top', 'five', '0'], { setV: 5, inputMinV: 13 })
      .regulator('upper', ['top', 'above', 'middle'], { setV: 5, inputMinV: 10 })
      .regulator('short', ['top', 'never', 'middle'], { setV: 5, inputMinV: 13 })
      .draw('a', 'five', '0', { is: 'resistance', ohm: 10 })
      .draw('b', 'above', 'middle', { is: 'resistance', ohm: 10 });
    const { volts, states } = solveCircuit(sketch.circuit);
    const at = (name: string): number => volts[sketch.node(name)] ?? NaN;
    expect(['whole', 'upper', 'short'].map((name) => states[sketch.names.indexOf(name)])).toEqual([ON, ON, DOWN]);
    expect(at('five') - at('0')).toBeCloseTo(5, 1);
    expect(at('above') - at('middle')).toBeCloseTo(5, 1);
  });

  it('by the hundred, on top of and beside each other, take no longer than the count of them', () => {
    const sketch = new CircuitSketch();
    for (let level = 0; level < 20; level += 1)
      for (let n = 0; n < 20; n += 1) sketch.battery(`level${level + 1}`, `level${level}`, 4, 0.01);
    sketch.draw('load', 'level20', 'level0', { is: 'resistance', ohm: 100 });
    expect(runningStart(sketch.circuit).volts[sketch.node('level20')]).toBeCloseTo(80, 9);
  });

  it('in a ring are a short and no stack without end', () => {
    const sketch = new CircuitSketch().battery('a', 'b', 12, 0.01).battery('b', 'a', 12, 0.01).resistor('a', 'c', 1);
    expect(Math.max(...runningStart(sketch.circuit).volts)).toBe(12);
    expect(solveCircuit(sketch.circuit).amps[0]).toBeCloseTo(1200, 0);
  });
});
