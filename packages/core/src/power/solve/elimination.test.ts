import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { CircuitSketch } from '../test/circuits.ts';
import { numbersFrom, randomCircuit } from '../test/randomCircuit.ts';
import { Elimination } from './elimination.ts';
import { equationsOf } from './equations.ts';
import { leadsOf } from './leadsOf.ts';
import { patternOf, type Columns, type PivotPlan } from './matrixPattern.ts';
import { minimumDegree } from './minimumDegree.ts';
import { PivotSearch } from './pivotSearch.ts';

interface Matrix extends Columns {
  readonly values: Float64Array;
}

/** A sparse matrix from its dense rows. */
function sparse(dense: readonly (readonly number[])[]): Matrix {
  const starts = [0];
  const rows: number[] = [];
  const values: number[] = [];
  dense.forEach((_, column) => {
    dense.forEach((row, r) => {
      if ((row[column] ?? 0) === 0) return;
      rows.push(r);
      values.push(row[column] ?? 0);
    });
    starts.push(rows.length);
  });
  return { size: dense.length, starts: Int32Array.from(starts), rows: Int32Array.from(rows), values: Float64Array.from(values) };
}

function times(dense: readonly (readonly number[])[], x: Float64Array): number[] {
  return dense.map((row) => row.reduce((sum, value, i) => sum + value * (x[i] ?? 0), 0));
}

function neighboursOf(dense: readonly (readonly number[])[]): Set<number>[] {
  return dense.map((row, i) => new Set(row.flatMap((value, j) => (j !== i && (value !== 0 || (dense[j]?.[i] ?? 0) !== 0) ? [j] : []))));
}

/** A matrix with few entries and a large diagonal. */
function randomDense(seed: number, size: number): number[][] {
  const random = numbersFrom(seed);
  return Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (__, j) => (i === j ? 3 + random() : random() < 2 / size ? random() - 0.5 : 0)),
  );
}

const plainPlan = (dense: readonly (readonly number[])[]): PivotPlan => ({
  order: minimumDegree(neighboursOf(dense)),
  pivotRows: Int32Array.from(dense.keys()),
  isTwin: new Uint8Array(dense.length),
});

function expectSolved(dense: readonly (readonly number[])[], lu: Elimination): void {
  const wanted = dense.map((_, i) => Math.sin(i + 1));
  const x = Float64Array.from(times(dense, Float64Array.from(wanted)));
  lu.solve(x);
  wanted.forEach((value, i) => expect(x[i]).toBeCloseTo(value, 8));
}

describe('the elimination that is laid out beforehand', () => {
  it('solves what it is given, with pivots laid down and with pivots looked for', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), fc.integer({ min: 1, max: 30 }), (seed, size) => {
        const dense = randomDense(seed, size);
        const matrix = sparse(dense);
        const plan = plainPlan(dense);
        const laidDown = new Elimination(matrix, patternOf(matrix, plan));
        expect(laidDown.factor(matrix.values)).toBe(true);
        expectSolved(dense, laidDown);
        const found = new PivotSearch(plan.order, size).search(matrix, matrix.values);
        if (found === undefined) throw new Error('A matrix with a large diagonal is not singular.');
        const searched = new Elimination(matrix, found);
        expect(searched.factor(matrix.values)).toBe(true);
        expectSolved(dense, searched);
      }),
      { numRuns: 200 },
    );
  });

  it('lets twins change rows when the first pivot is nothing, and not otherwise', () => {
    const on = [
      [0, 1, -1],
      [2, 0.5, 0],
      [0, 1, 4],
    ];
    const matrix = sparse([
      [1, 1, -1],
      [2, 0.5, 0],
      [0, 1, 4],
    ]);
    const plan: PivotPlan = {
      order: Int32Array.from([0, 1, 2]),
      pivotRows: Int32Array.from([0, 1, 2]),
      isTwin: Uint8Array.from([1, 0, 0]),
    };
    const values = Float64Array.from([0, 2, 1, 0.5, 1, -1, 4]);
    const twins = new Elimination(matrix, patternOf(matrix, plan));
    expect(twins.factor(values)).toBe(true);
    expectSolved(on, twins);
    const alone = new Elimination(matrix, patternOf(matrix, { ...plan, isTwin: new Uint8Array(3) }));
    expect(alone.factor(values)).toBe(false);
    expect(twins.factor(matrix.values)).toBe(true);
    expectSolved(
      [
        [1, 1, -1],
        [2, 0.5, 0],
        [0, 1, 4],
      ],
      twins,
    );
  });

  it('says that a matrix is singular', () => {
    const dense = [
      [1, 2],
      [2, 4],
    ];
    const matrix = sparse(dense);
    expect(new Elimination(matrix, patternOf(matrix, plainPlan(dense))).factor(matrix.values)).toBe(false);
    const none = sparse([
      [0, 1],
      [0, 4],
    ]);
    expect(new PivotSearch(Int32Array.from([0, 1]), 2).search(none, none.values)).toBeUndefined();
  });
});

describe('the pivots of a circuit', () => {
  it('give every unknown but the ends of leads one row of its own, and a device its node right before it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), fc.integer({ min: 2, max: 40 }), (seed, branches) => {
        const { circuit } = randomCircuit(numbersFrom(seed), { jumps: true, branches });
        const { size, pivots, leads, branchOf } = equationsOf(circuit.shape);
        const { order, pivotRows, isTwin } = pivots;
        const ends = leads.isEnd.reduce((sum, end) => sum + end, 0);
        expect(order.length).toBe(size - ends);
        expect(new Set(order).size).toBe(order.length);
        expect(new Set(order.map((unknown) => pivotRows[unknown] ?? -1)).size).toBe(order.length);
        order.forEach((unknown, k) => {
          if (isTwin[unknown] !== 1) return;
          const branch = order[k + 1] ?? -1;
          expect(branchOf).toContain(branch);
          expect([pivotRows[unknown], pivotRows[branch]]).toEqual([branch, unknown]);
        });
      }),
      { numRuns: 100 },
    );
  });
});

describe('leads', () => {
  it('are the resistors to nodes that nothing else is on, and never both of two that meet', () => {
    // A pack, a hub, a load with both wires of its own, and a load that shares its minus with another.
    const { circuit } = new CircuitSketch()
      .battery('bat', '0', 12, 0.01)
      .resistor('bat', 'p', 0.1)
      .resistor('0', 'm', 0.1)
      .draw('l1', 'p', 'm', { is: 'constant-current', amps: 1, kneeV: 1 })
      .resistor('bat', 'q', 0.2)
      .draw('l2', 'q', '0', { is: 'constant-current', amps: 1, kneeV: 1 });
    const { resistorOf, isEnd, isLead } = leadsOf(circuit.shape);
    expect([...isLead]).toEqual([1, 1, 1]);
    expect([...resistorOf]).toEqual([-1, -1, 0, 1, 2, -1]);
    expect(isEnd.reduce((sum, end) => sum + end, 0)).toBe(3);
    const chain = new CircuitSketch()
      .battery('bat', '0', 12, 0.01)
      .draw('l3', 'bat', 'a', { is: 'resistance', ohm: 5 })
      .resistor('a', 'b', 1)
      .draw('l4', 'b', '0', { is: 'resistance', ohm: 6 });
    const met = leadsOf(chain.circuit.shape);
    expect(met.isEnd.reduce((sum, end) => sum + end, 0)).toBe(1);
  });
});
