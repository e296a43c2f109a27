import { describe, expect, it } from '@jest/globals';
import { asId, demoAircraft, graphOf, mixerOf, racksOf, slotsIn, type AircraftId, type Graph } from '@wired-falcon/core';
import { AT_REST, movedBy, slotUs, valueWords } from './motion.ts';

let count = 0;
function demoGraph(id: string): Graph {
  const demo = demoAircraft.find((one) => one.id === id);
  if (demo === undefined) throw new Error(`There is no ${id}.`);
  return graphOf(demo.build(asId<AircraftId>(id), () => `k${++count}`));
}

describe('what moves', () => {
  it('takes by a slider only what no channel is planned for', () => {
    const graph = demoGraph('saltmarsh');
    const rows = mixerOf(graph.design);
    const uses = Object.values(graph.design.aircraft.rc.channels).map(({ use }) => use);
    expect(uses).toContain('camera-trigger');
    const { unplanned, values } = movedBy(graph, rows, { ...AT_REST, others: { 'camera-trigger': 0.5 } });
    expect(unplanned).not.toContain('camera-trigger');
    // The switch is in its first position, whatever a slider said once.
    expect(values.get('camera-trigger')?.value).toBeCloseTo(-1, 2);
    const pressed = movedBy(graph, rows, { ...AT_REST, hands: { ...AT_REST.hands, switches: { s4: 1 } } });
    const trigger = pressed.values.get('camera-trigger');
    expect(trigger?.value).toBeCloseTo(1, 2);
    expect(trigger === undefined ? '' : valueWords(trigger)).toBe('on');
  });

  it('gives every output with a function a pulse within its limits, and no other one', () => {
    const graph = demoGraph('mudflat');
    const moved = movedBy(graph, mixerOf(graph.design), AT_REST);
    for (const slot of racksOf(graph).flatMap(slotsIn)) {
      const us = slotUs(moved, slot);
      if (slot.use === undefined) expect(us).toBeUndefined();
      else expect(us).toBeGreaterThanOrEqual(slot.use.minUs ?? 1000);
    }
  });
});
