import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { CircuitSketch } from '../test/circuits.ts';
import { numbersFrom, randomCircuit } from '../test/randomCircuit.ts';
import type { Circuit, Law, Solved } from './circuit.ts';
import { LEAK_S, LEAST_OHM } from './circuit.ts';
import { inputOf } from './deviceStates.ts';
import { equationsOf } from './equations.ts';
import { solveCircuit } from './solveCircuit.ts';

const seeds = fc.integer({ min: 1, max: 2_000_000_000 });
const sizes = fc.integer({ min: 2, max: 40 });

/** The currents that leave each node through each element of it, recomputed from the voltages; and the powers. */
function ledger({ shape, ohms, laws }: Circuit, { volts, amps, states }: Solved) {
  const leaving = new Float64Array(shape.nodeCount);
  let largestA = 0;
  let [givenW, usedW] = [0, 0];
  const flow = (from: number, to: number, current: number): void => {
    leaving[from] = (leaving[from] ?? 0) + current;
    leaving[to] = (leaving[to] ?? 0) - current;
    largestA = Math.max(largestA, Math.abs(current));
    usedW += current * ((volts[from] ?? 0) - (volts[to] ?? 0));
  };
  ohms.forEach((ohm, i) => {
    const [a, b] = [shape.resistorA[i] ?? 0, shape.resistorB[i] ?? 0];
    flow(a, b, ((volts[a] ?? 0) - (volts[b] ?? 0)) / ohm);
  });
  const { isReference, leads } = equationsOf(shape);
  // The leak goes to the reference; whatever reaches that is not asked below.
  for (let node = 0; node < shape.nodeCount; node++) {
    const v = leads.isEnd[node] === 1 ? 0 : (volts[node] ?? 0);
    leaving[node] = (leaving[node] ?? 0) + v * LEAK_S;
    usedW += v * v * LEAK_S;
  }
  laws.forEach((law, i) => {
    const nodes = shape.devices[i]?.nodes ?? [];
    const [a = 0, b = 0, c = 0] = nodes;
    const current = amps[i] ?? 0;
    const v = (n: number): number => volts[n] ?? 0;
    if (law.is === 'supply') {
      flow(b, a, current);
      usedW -= current * (v(b) - v(a));
      givenW += law.emfV * current;
      usedW += law.emfV * current - current * (v(a) - v(b));
    } else if (law.is === 'regulator') {
      const share = law.topology === 'linear' ? 1 : (v(b) - v(c)) / (law.efficiency * (v(a) - v(c)));
      const isAwake = states[i] !== 4 || v(a) - v(c) >= law.inputMinV;
      const inA = (isAwake ? law.quiescentA : 0) + (states[i] === 4 ? 0 : share * current);
      flow(a, c, inA);
      flow(c, b, current);
    } else if (law.is === 'selector') {
      const input = nodes[inputOf(states[i] ?? 0)];
      if (input !== undefined) flow(input, nodes[nodes.length - 2] ?? 0, current);
    } else flow(a, b, current);
  });
  return { leaving, largestA, givenW, usedW, isReference };
}

describe('what holds for every network', () => {
  it('no current is lost at any node, and what the sources give is used', () => {
    fc.assert(
      fc.property(seeds, sizes, fc.boolean(), (seed, branches, jumps) => {
        const { circuit } = randomCircuit(numbersFrom(seed), { jumps, branches });
        const solved = solveCircuit(circuit);
        expect(solved.unsettled).toBeUndefined();
        const { leaving, largestA, givenW, usedW, isReference } = ledger(circuit, solved);
        leaving.forEach((amps, node) => {
          if (isReference[node] !== 1) expect(Math.abs(amps)).toBeLessThan(1e-9 * largestA + 1e-12);
        });
        expect(Math.abs(givenW - usedW)).toBeLessThan(1e-6 * givenW + 1e-6);
      }),
      { numRuns: 400, seed: 4 },
    );
  });

  it('the order of items does not matter', () => {
    fc.assert(
      fc.property(seeds, sizes, (seed, branches) => {
        const { circuit } = randomCircuit(numbersFrom(seed), { jumps: true, branches });
        const order = circuit.laws.map((_, i) => i).reverse();
        const turned: Circuit = {
          shape: {
            ...circuit.shape,
            resistorA: circuit.shape.resistorA.slice().reverse(),
            resistorB: circuit.shape.resistorB.slice().reverse(),
            devices: order.flatMap((i) => circuit.shape.devices[i] ?? []),
          },
          ohms: circuit.ohms.slice().reverse(),
          laws: order.flatMap((i) => circuit.laws[i] ?? []),
        };
        const [a, b] = [solveCircuit(circuit), solveCircuit(turned)];
        a.volts.forEach((volts, node) => expect(b.volts[node]).toBeCloseTo(volts, 6));
      }),
      { numRuns: 100, seed: 5 },
    );
  });

  it('on trees of constant currents more resistance never raises the voltage at a load', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 2, max: 25 }), fc.nat(), (seed, count, which) => {
        const random = numbersFrom(seed);
        const sketch = new CircuitSketch().battery('n0', '0', 12, 0.01);
        for (let i = 1; i <= count; i++) {
          sketch.resistor(`n${Math.floor(random() * i)}`, `n${i}`, 0.01 + random());
          sketch.draw(`l${i}`, `n${i}`, '0', { is: 'constant-current', amps: random() * 0.1, kneeV: 0.1 });
        }
        const { circuit } = sketch;
        const ohms = circuit.ohms.slice();
        const at = which % ohms.length;
        ohms[at] = (ohms[at] ?? 0) * 1.5;
        const [before, after] = [solveCircuit(circuit), solveCircuit({ ...circuit, ohms })];
        before.volts.forEach((volts, node) => expect(after.volts[node]).toBeLessThanOrEqual(volts + 1e-9));
      }),
      { numRuns: 100, seed: 6 },
    );
  });

  it('in resistive networks more resistance never raises the current of the source', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 2, max: 25 }), fc.nat(), (seed, count, which) => {
        const random = numbersFrom(seed);
        const sketch = new CircuitSketch().battery('n0', '0', 12, 0.01);
        for (let i = 1; i <= count; i++) sketch.resistor(`n${Math.floor(random() * i)}`, `n${i}`, 0.01 + random());
        for (let i = 0; i < count; i++)
          sketch.resistor(`n${1 + Math.floor(random() * count)}`, i % 2 === 0 ? '0' : `n${1 + Math.floor(random() * count)}`, 1 + random());
        const { circuit } = sketch;
        const ohms = circuit.ohms.slice();
        const at = which % ohms.length;
        ohms[at] = (ohms[at] ?? 0) * 2;
        expect(solveCircuit({ ...circuit, ohms }).amps[0]).toBeLessThanOrEqual((solveCircuit(circuit).amps[0] ?? 0) + 1e-9);
      }),
      { numRuns: 100, seed: 7 },
    );
  });
});

describe('against every combination of states', () => {
  /** Diodes, clamps and limited sources: each is linear in each of its states, so that all combinations can be tried. */
  function sketchOf(random: () => number, devices?: number): CircuitSketch {
    const sketch = new CircuitSketch().battery('n0', '0', 6 + 6 * random(), 0.05);
    const nodes = ['n0', 'n1', 'n2', 'n3', 'n4'];
    const pick = (but = ''): string => {
      const others = nodes.filter((node) => node !== but);
      return others[Math.floor(random() * others.length)] ?? 'n0';
    };
    for (let i = 1; i < nodes.length; i++) {
      sketch.resistor(nodes[i - 1] ?? 'n0', nodes[i] ?? 'n1', 0.2 + 3 * random()).resistor(nodes[i] ?? 'n1', '0', 3 + 20 * random());
    }
    const count = devices ?? 4 + Math.floor(random() * 6);
    for (let i = 0; i < count; i++) {
      const choice = random();
      const from = pick();
      if (choice < 0.6) sketch.device(`d${i}`, 'diode', [from, random() < 0.2 ? '0' : pick(from)], { is: 'diode', dropV: 0.2 + random() });
      else if (choice < 0.85) sketch.draw(`z${i}`, pick(), '0', { is: 'clamp', volts: 2 + 6 * random(), ohm: 0.5 + random() });
      else sketch.source(pick(), '0', 4 + 6 * random(), 0.3, 0.3 + random());
    }
    return sketch;
  }

  /** Node voltages with each device in a given state, by plain elimination; undefined when that is no network. */
  function withStates({ shape, ohms, laws }: Circuit, choice: readonly number[], ground: number): { v: number[]; i: number[] } | undefined {
    const size = shape.nodeCount + laws.length;
    const m = Array.from({ length: size }, () => new Float64Array(size + 1));
    const put = (row: number, column: number, value: number): void => {
      const line = m[row];
      if (line !== undefined) line[column] = (line[column] ?? 0) + value;
    };
    for (let n = 0; n < shape.nodeCount; n++) put(n, n, LEAK_S);
    ohms.forEach((ohm, k) => {
      const [a, b] = [shape.resistorA[k] ?? 0, shape.resistorB[k] ?? 0];
      for (const [row, column, sign] of [
        [a, a, 1],
        [b, b, 1],
        [a, b, -1],
        [b, a, -1],
      ] as const)
        put(row, column, sign / ohm);
    });
    laws.forEach((law, k) => {
      const [a = 0, b = 0] = shape.devices[k]?.nodes ?? [];
      const row = shape.nodeCount + k;
      const out = law.is === 'supply' ? -1 : 1;
      put(a, row, out);
      put(b, row, -out);
      const line = lineOf(law, choice[k] ?? 0);
      put(row, a, line.v);
      put(row, b, -line.v);
      put(row, row, line.i);
      put(row, size, line.is);
    });
    m[ground]?.fill(0);
    put(ground, ground, 1);
    return eliminated(m, shape.nodeCount);
  }

  /** `v * V + i * I = is`, for one state. */
  function lineOf(law: Law, state: number): { v: number; i: number; is: number } {
    if (law.is === 'diode') return state === 0 ? { v: 1, i: -LEAST_OHM, is: law.dropV } : { v: 0, i: 1, is: 0 };
    if (law.is === 'clamp') return state === 0 ? { v: 0, i: 1, is: 0 } : { v: 1, i: -law.ohm, is: law.volts };
    if (law.is === 'supply' && state === 0) return { v: 1, i: law.ohm, is: law.emfV };
    return { v: 0, i: 1, is: law.is === 'supply' && state === 1 ? law.maxA : 0 };
  }

  function fits(law: Law, state: number, v: number, i: number): boolean {
    const hair = 1e-7;
    if (law.is === 'diode') return state === 0 ? i >= -hair : v <= law.dropV + hair;
    if (law.is === 'clamp') return state === 0 ? v <= law.volts + hair : i >= -hair;
    if (law.is !== 'supply') return false;
    if (law.maxA === Infinity) return true;
    if (state === 0) return i >= -hair && i <= law.maxA + hair;
    return state === 1 ? v <= law.emfV - law.ohm * law.maxA + hair : v >= law.emfV - hair;
  }

  const choices = (law: Law): number => (law.is === 'supply' ? (law.maxA === Infinity ? 1 : 3) : 2);

  it('finds the one that fits', () => {
    for (let seed = 1; seed <= 60; seed++) {
      // Most are small, since the number of combinations doubles with each device; a few have twelve.
      const { circuit } = sketchOf(numbersFrom(seed), seed % 20 === 0 ? 12 : undefined);
      const ground = circuit.shape.devices[0]?.nodes[1] ?? 0;
      const solved = solveCircuit(circuit);
      expect(solved.unsettled).toBeUndefined();
      const total = circuit.laws.reduce((product, law) => product * choices(law), 1);
      let found = 0;
      for (let code = 0; code < total; code++) {
        let rest = code;
        const choice = circuit.laws.map((law) => {
          const state = rest % choices(law);
          rest = Math.floor(rest / choices(law));
          return state;
        });
        const answer = withStates(circuit, choice, ground);
        if (answer === undefined) continue;
        const isFit = circuit.laws.every((law, k) => {
          const [a = 0, b = 0] = circuit.shape.devices[k]?.nodes ?? [];
          return fits(law, choice[k] ?? 0, (answer.v[a] ?? 0) - (answer.v[b] ?? 0), answer.i[k] ?? 0);
        });
        if (!isFit) continue;
        found += 1;
        answer.v.forEach((volts, node) => expect(Math.abs(volts - (solved.volts[node] ?? NaN))).toBeLessThan(1e-5));
      }
      expect(found).toBeGreaterThan(0);
    }
  });
});

/** Gauss with the largest pivot; undefined for a singular matrix. */
function eliminated(m: Float64Array[], nodeCount: number): { v: number[]; i: number[] } | undefined {
  const size = m.length;
  for (let k = 0; k < size; k++) {
    let pivot = k;
    for (let row = k + 1; row < size; row++) if (Math.abs(m[row]?.[k] ?? 0) > Math.abs(m[pivot]?.[k] ?? 0)) pivot = row;
    if (Math.abs(m[pivot]?.[k] ?? 0) < 1e-12) return undefined;
    const [upper, lower] = [m[k], m[pivot]];
    if (upper === undefined || lower === undefined) return undefined;
    [m[k], m[pivot]] = [lower, upper];
    for (let row = 0; row < size; row++) {
      const target = m[row];
      const factor = (target?.[k] ?? 0) / (lower[k] ?? 1);
      if (row === k || target === undefined || factor === 0) continue;
      for (let column = k; column <= size; column++) target[column] = (target[column] ?? 0) - factor * (lower[column] ?? 0);
    }
  }
  const x = m.map((row, k) => (row[size] ?? 0) / (row[k] ?? 1));
  return { v: x.slice(0, nodeCount), i: x.slice(nodeCount) };
}
