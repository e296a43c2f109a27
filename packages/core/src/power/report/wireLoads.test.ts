import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import { powered } from '../../test/checkCases/build.ts';
import { servos } from '../../test/checkCases/powerDesigns.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { wireOhm } from '../network/wireOhm.ts';
import { solveScenarios } from '../scenarios/solveScenario.ts';
import { wireLoads } from './wireLoads.ts';

describe('what one wire of a lead may lose', () => {
  it('is half of 2 % of the voltage that the cable carries, for supplies', () => {
    const bench = powered('radio-900-class');
    bench.wire('RADIO1 UART', 'FC1 S1', 'meaning', 300);
    const graph = graphOf(bench.design);
    const loads = wireLoads(graph, solveScenarios(graph)).filter(({ cable }) =>
      Object.values(cable.nodes).some(
        (node) => node.is === 'end' && node.at.is === 'port' && graph.items[graph.itemIx.get(node.at.item) ?? -1]?.item.ref === 'RADIO1',
      ),
    );
    const highest = Math.max(
      ...graph.nodes.map((at, node) =>
        at.is === 'contact' && loads.some(({ cable }) => graph.cables[at.cable] === cable) ? (voltsAt(graph, node) ?? 0) : 0,
      ),
    );
    expect(highest).toBeGreaterThan(4.5);
    expect(loads.length).toBeGreaterThan(0);
    for (const { drop } of loads) expect(drop.allowedV).toBeCloseTo((highest * 0.02) / 2, 9);
  });

  it('is half of 0.15 V for a servo that moves and of 0.5 V for the one that stalls, and the drop is I times R', () => {
    const graph = graphOf(servos('regulator-buck-selectable-10a', 2, 'servo-20g-standard', 400));
    const all = solveScenarios(graph);
    const loads = wireLoads(graph, all).filter(({ lengthMm }) => lengthMm === 400);
    expect(loads.length).toBeGreaterThan(1);
    const moving = all.filter(({ stalled }) => stalled === undefined);
    for (const { drop } of wireLoads(graph, moving).filter(({ lengthMm }) => lengthMm === 400)) expect(drop.allowedV).toBeCloseTo(0.075, 9);
    const stalling = loads.filter(({ drop }) => drop.result.stalled !== undefined);
    for (const { drop, conductor, heat } of stalling) {
      expect([0.075, 0.25].some((allowed) => Math.abs(drop.allowedV - allowed) < 1e-9)).toBe(true);
      expect(heat.amps).toBeGreaterThan(0);
      expect(drop.volts).toBeGreaterThan(0);
      expect(drop.volts / wireOhm(conductor.awg, 400)).toBeLessThan(20);
    }
    const jam = all.filter(({ stalled }) => stalled !== undefined);
    expect(wireLoads(graph, jam).some(({ drop }) => Math.abs(drop.allowedV - 0.25) < 1e-9)).toBe(true);
  });
});
