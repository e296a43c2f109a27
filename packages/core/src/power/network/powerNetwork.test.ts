import { describe, expect, it } from '@jest/globals';
import { demoDesign } from '../../test/designs.ts';
import { mudflat } from '../../demo/mudflat.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { solveScenarios } from '../scenarios/solveScenario.ts';
import type { CircuitShape } from '../solve/circuit.ts';
import { solveCircuit } from '../solve/solveCircuit.ts';
import { powerNetwork } from './powerNetwork.ts';
import { ampsOfEdges, voltsAtNode } from './readings.ts';
import { reduceCopper, type CopperEdge } from './reduceCopper.ts';
import { wireOhm } from './wireOhm.ts';

let made = 0;
const makeId = (): string => `n${++made}`;
const demos = [saltmarsh(asId<AircraftId>('saltmarsh'), makeId), demoDesign(), mudflat(asId<AircraftId>('mudflat'), makeId)];

describe('wires', () => {
  it('have the resistance of the tables: AWG 22 is 52.9, AWG 12 5.2 milliohm a metre at 20 C', () => {
    expect(wireOhm(22, 1000)).toBeCloseTo(0.0529, 3);
    expect(wireOhm(12, 1000)).toBeCloseTo(0.0052, 4);
    expect(wireOhm(22, 1000, 60) / wireOhm(22, 1000)).toBeCloseTo(1.157, 3);
  });
});

describe('reducing copper', () => {
  it('adds edges in series, drops what hangs on, and keeps where the pieces between stand', () => {
    // 0 -1- 1 -2- 2 with 3 hanging on 1, and devices on 0 and 2
    const edges: CopperEdge[] = [
      { edge: 10, a: 0, b: 1, ohm: 1 },
      { edge: 11, a: 2, b: 1, ohm: 2 },
      { edge: 12, a: 1, b: 3, ohm: 5 },
    ];
    const reduced = reduceCopper(5, edges, Uint8Array.of(1, 0, 1, 0, 0));
    expect(reduced.nodeCount).toBe(2);
    expect(reduced.branches).toHaveLength(1);
    const [branch] = reduced.branches;
    expect(branch?.ohm).toBe(3);
    const fromA = branch?.a === reduced.nodeOf[0] ? 1 : 2;
    for (const piece of [1, 3]) expect(reduced.places[piece]).toEqual({ is: 'inside', branch: 0, ohmFromA: fromA });
    expect(reduced.places[4]).toEqual({ is: 'apart' });
  });

  it('keeps a ring without devices from vanishing into itself', () => {
    const ring: CopperEdge[] = [0, 1, 2].map((i) => ({ edge: i, a: i, b: (i + 1) % 3, ohm: 1 }));
    expect(() => reduceCopper(4, [...ring, { edge: 3, a: 0, b: 3, ohm: 1 }], Uint8Array.of(0, 0, 0, 1))).not.toThrow();
  });
});

describe('the network of an aircraft', () => {
  it('gives at every contact what the network gives that is not reduced, and every wire its drop', () => {
    for (const design of demos) {
      const graph = graphOf(design);
      const network = powerNetwork(graph);
      const wires = network.copper.branches.flatMap(({ edges }) => edges);
      const piece = (node: number | undefined): number => network.pieceOf[node ?? -1] ?? 0;
      const shape: CircuitShape = {
        nodeCount: Math.max(...network.pieceOf) + 1,
        resistorA: Int32Array.from(wires, ({ edge }) => piece(graph.edges[edge]?.a)),
        resistorB: Int32Array.from(wires, ({ edge }) => piece(graph.edges[edge]?.b)),
        devices: network.devices.map(({ kind, nodes }) => ({ kind, nodes: nodes.map(piece) })),
      };
      for (const { circuit, live, before } of solveScenarios(graph)) {
        const whole = solveCircuit({ shape, ohms: Float64Array.from(wires, ({ ohm }) => ohm), laws: live.laws });
        const amps = ampsOfEdges(network, before, circuit.ohms);
        for (const { edge, ohm } of wires) {
          const { a = 0, b = 0 } = graph.edges[edge] ?? {};
          const [va, vb] = [voltsAtNode(network, before, a) ?? NaN, voltsAtNode(network, before, b) ?? NaN];
          expect(va - vb).toBeCloseTo((amps[edge] ?? NaN) * ohm, 9);
          expect(va - vb).toBeCloseTo((whole.volts[piece(a)] ?? NaN) - (whole.volts[piece(b)] ?? NaN), 6);
          if (Math.abs(amps[edge] ?? 0) > 1e-3) expect(va).toBeCloseTo(whole.volts[piece(a)] ?? NaN, 4);
        }
      }
    }
  });

  it('leaves signals out and keeps grounds in', () => {
    const [design] = demos;
    if (design === undefined) throw new Error('There is no demo.');
    const graph = graphOf(design);
    const amps = ampsOfEdges(powerNetwork(graph), solveScenarios(graph)[5]?.before ?? { volts: new Float64Array() });
    let [grounds, signals] = [0, 0];
    graph.edges.forEach((edge, i) => {
      if (edge.is !== 'conductor') return;
      if (edge.conductor.colour === 'black' && Math.abs(amps[i] ?? 0) > 1e-3) grounds += 1;
      if (edge.conductor.colour === 'yellow') signals += Math.abs(amps[i] ?? 0);
    });
    expect(grounds).toBeGreaterThan(10);
    expect(signals).toBe(0);
  });
});
