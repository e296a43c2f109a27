import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { graphOf } from '../graph/graphOf.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { scenariosOf } from '../power/scenarios/scenario.ts';
import { solveScenario } from '../power/scenarios/solveScenario.ts';
import { compassWing } from '../test/checkCases/placement.ts';
import { cableOf, countingIds, emptyBench, made } from '../test/designs.ts';
import { currentSegments } from './currentPaths.ts';
import { fieldMap, fieldMapSteps, gridOver } from './fieldMap.ts';
import { fieldOfSegments } from './fieldOf.ts';

const { design } = compassWing([310, 40, 40]);
const graph = graphOf(design);
const grid = gridOver({ x: -300, y: 100, width: 600, height: 600 });

function levelUt(of: typeof graph, station: number, butt: number, water: number): number {
  const [then, still] = ['launch', 'battery-bench'].map((id) => {
    const scenario = scenariosOf(of.design.aircraft).find((one) => one.id === id);
    if (scenario === undefined) throw new Error('A situation is missing.');
    return fieldOfSegments(currentSegments(of, solveScenario(of, scenario)), [station, butt, water]);
  });
  return Math.hypot((then?.[0] ?? 0) - (still?.[0] ?? 0), (then?.[1] ?? 0) - (still?.[1] ?? 0));
}

describe('the map of the field', () => {
  it('has at least 200 by 120 points over any window, with square meshes', () => {
    for (const [width, height] of [
      [600, 600],
      [2000, 400],
      [300, 900],
    ] as const) {
      const { columns, rows, stepMm } = gridOver({ x: 0, y: 0, width, height });
      expect(columns).toBeGreaterThanOrEqual(200);
      expect(rows).toBeGreaterThanOrEqual(120);
      expect(columns * stepMm).toBeGreaterThanOrEqual(width);
      expect(rows * stepMm).toBeGreaterThanOrEqual(height);
    }
  });

  it('says at each point what the segments make there', () => {
    const map = fieldMap(graph, 'launch', 40, grid);
    for (const [row, column] of [
      [0, 0],
      [50, 90],
      [100, 120],
      [60, 30],
      [111, 7],
    ] as const) {
      const wanted = levelUt(graph, grid.stationMm + row * grid.stepMm, grid.buttMm + column * grid.stepMm, 40);
      expect(Math.abs((map[row * grid.columns + column] ?? NaN) - wanted)).toBeLessThanOrEqual(0.01 * wanted + 0.02);
    }
  });

  it('falls beside leads that are twisted', () => {
    const tags = ['W01', 'W02'];
    const twisted = tags.reduce((now, tag) => {
      const cable = cableOf(now, tag);
      const [leg] = Object.values(cable.legs);
      if (leg === undefined) throw new Error('The cable has no leg.');
      return made(now, { kind: 'set-leg-twist', cable: cable.id, leg: leg.id, twistMm: 30, was: null });
    }, design);
    const sum = (map: Float32Array): number => map.reduce((all, ut) => all + ut, 0);
    expect(sum(fieldMap(graphOf(twisted), 'launch', 40, grid))).toBeLessThan(sum(fieldMap(graph, 'launch', 40, grid)) / 3);
  });

  it('says it beside twisted leads too, whose currents do not come home beside them alone', () => {
    // On Saltmarsh a strap beside the leads of ESC1 carries a part of the return.
    let whole = saltmarsh(asId<AircraftId>('s'), countingIds('m'));
    for (const tag of ['W04', 'W02']) {
      const cable = cableOf(whole, tag);
      const [leg] = Object.values(cable.legs);
      if (leg === undefined) throw new Error('The cable has no leg.');
      whole = made(whole, { kind: 'set-leg-twist', cable: cable.id, leg: leg.id, twistMm: 40, was: null });
    }
    const of = graphOf(whole);
    const net = gridOver({ x: -600, y: 0, width: 1200, height: 1200 });
    const map = fieldMap(of, 'launch', 75, net);
    for (const [row, column] of [
      [20, 10],
      [90, 70],
      [130, 130],
      [60, 120],
      [115, 60],
      [150, 30],
    ] as const) {
      const wanted = levelUt(of, net.stationMm + row * net.stepMm, net.buttMm + column * net.stepMm, 75);
      expect(Math.abs((map[row * net.columns + column] ?? NaN) - wanted)).toBeLessThanOrEqual(0.03 * wanted + 0.03);
    }
  });

  it('can be left after any row, and is nothing without currents', () => {
    const steps = fieldMapSteps(graph, 'launch', 40, grid);
    expect(steps.next()).toEqual({ done: false, value: 1 / grid.rows });
    expect(fieldMap(graphOf(emptyBench().design), 'launch', 40, grid).every((ut) => ut === 0)).toBe(true);
    expect(fieldMap(graph, 'no such situation', 40, grid).every((ut) => ut === 0)).toBe(true);
  });
});
