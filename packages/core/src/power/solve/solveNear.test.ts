import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { CircuitSketch } from '../test/circuits.ts';
import { numbersFrom, randomCircuit } from '../test/randomCircuit.ts';
import { bridgesOf } from './bridgesOf.ts';
import type { Circuit } from './circuit.ts';
import { comesBack } from './returns.ts';
import { solveCircuit, solveNear } from './solveCircuit.ts';

const seeds = fc.integer({ min: 1, max: 2_000_000_000 });
const sizes = fc.integer({ min: 2, max: 30 });

function reaches(circuit: Circuit, without: number): boolean {
  const group = Int32Array.from({ length: circuit.shape.nodeCount }, (_, i) => i);
  const unite = (a: number, b: number): void => {
    const [from, to] = [group[a], group[b]];
    group.forEach((of, node) => of === from && (group[node] = to ?? 0));
  };
  circuit.ohms.forEach((ohm, i) => ohm !== Infinity && unite(circuit.shape.resistorA[i] ?? 0, circuit.shape.resistorB[i] ?? 0));
  circuit.shape.devices.forEach(({ nodes }, i) => {
    if (i !== without && circuit.laws[i]?.is !== 'open') for (const node of nodes) unite(nodes[0] ?? 0, node);
  });
  const [a = 0, b = 0] = circuit.shape.devices[without]?.nodes ?? [];
  return group[a] === group[b];
}

/** The circuit with a resistor or two open, or a load taken out. */
function hurt(circuit: Circuit, random: () => number): Circuit {
  const ohms = circuit.ohms.slice();
  const laws = [...circuit.laws];
  const draws = circuit.shape.devices.flatMap(({ kind }, i) => (kind === 'draw' ? [i] : []));
  if (random() < 0.4 && draws.length > 0) laws[draws[Math.floor(random() * draws.length)] ?? 0] = { is: 'open' };
  else for (let n = 0; n < 1 + Math.floor(2 * random()); n++) ohms[Math.floor(random() * ohms.length)] = Infinity;
  return { ...circuit, ohms, laws };
}

describe('a balance that is followed from a known one', () => {
  it('is the one that a running start comes down to', () => {
    let followed = 0;
    fc.assert(
      fc.property(seeds, sizes, (seed, branches) => {
        const random = numbersFrom(seed);
        const circuit = randomCircuit(random, { jumps: true, branches }).circuit;
        const intact = solveCircuit(circuit);
        if (intact.unsettled !== undefined || intact.trippings.length > 0) return;
        const changed = hurt(circuit, random);
        const near = solveNear(changed, intact);
        if (near === undefined || comesBack(changed, near)) return;
        const cold = solveCircuit(changed);
        if (cold.unsettled !== undefined || cold.trippings.length > 0) return;
        followed++;
        const isBridge = bridgesOf(changed);
        // What hangs free on one node has no voltage that means anything.
        changed.shape.devices.forEach(({ nodes: [a = 0, b = 0] }, i) => {
          if (isBridge[i] === 1 || changed.laws[i]?.is === 'open') return;
          expect((near.volts[a] ?? 0) - (near.volts[b] ?? 0)).toBeCloseTo((cold.volts[a] ?? 0) - (cold.volts[b] ?? 0), 6);
        });
      }),
      { numRuns: 400 },
    );
    expect(followed).toBeGreaterThan(60);
  });

  it('is not found where a load has lost its supply, or a regulator its input', () => {
    const sketch = new CircuitSketch()
      .battery('bat', '0', 16, 0.01)
      .resistor('bat', 'p', 0.01)
      .draw('load', 'p', '0', { is: 'constant-power', watts: 20, kneeV: 5 });
    const circuit = sketch.circuit;
    expect(solveNear({ ...circuit, ohms: Float64Array.of(Infinity) }, solveCircuit(circuit))).toBeUndefined();
  });
});

describe('a constant power over more and more wire', () => {
  const over = (ohm: number): Circuit =>
    new CircuitSketch()
      .battery('bat', '0', 10, 1e-6)
      .resistor('bat', 'p', ohm)
      .draw('load', 'p', '0', { is: 'constant-power', watts: 20, kneeV: 3 }).circuit;
  const { shape, laws } = over(0.1);
  const wired = (ohm: number): Circuit => ({ shape, laws, ohms: Float64Array.of(ohm) });
  const intact = solveCircuit(wired(0.1));
  const voltsOf = (solved: { readonly volts: Float64Array } | undefined): number => {
    const [a = 0, b = 0] = shape.devices[1]?.nodes ?? [];
    return (solved?.volts[a] ?? NaN) - (solved?.volts[b] ?? NaN);
  };

  it('is followed to its high root: V = E/2 + sqrt(E E/4 - P R)', () => {
    expect(voltsOf(solveNear(wired(1.2), intact))).toBeCloseTo(5 + Math.sqrt(25 - 24), 4);
  });

  it('is not followed to where there is none, below its knee; brought down from high it is the resistance there', () => {
    expect(solveNear(wired(1.3), intact)).toBeUndefined();
    expect(voltsOf(solveCircuit(wired(1.3)))).toBeCloseTo((10 * 0.45) / (0.45 + 1.3), 4);
  });
});

describe('the bridges of a circuit', () => {
  it('are the devices without which their two nodes are apart', () => {
    fc.assert(
      fc.property(seeds, sizes, (seed, branches) => {
        const random = numbersFrom(seed);
        const circuit = hurt(randomCircuit(random, { jumps: true, branches }).circuit, random);
        const isBridge = bridgesOf(circuit);
        circuit.shape.devices.forEach(({ nodes }, i) => {
          const isJoint = nodes.length === 2 && circuit.laws[i]?.is !== 'open';
          expect([i, isBridge[i] === 1]).toEqual([i, isJoint && !reaches(circuit, i)]);
        });
      }),
      { numRuns: 200 },
    );
  });
});
