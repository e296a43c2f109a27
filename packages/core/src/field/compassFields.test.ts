import { describe, expect, it } from '@jest/globals';
import type { Bench } from '../demo/bench.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { compassWing } from '../test/checkCases/placement.ts';
import { cableOf, countingIds, made } from '../test/designs.ts';
import { compassesInUse, compassFields } from './compassFields.ts';
import { ampsIn, currentSegments, loadedWires } from './currentPaths.ts';
import { fieldOfSegments } from './fieldOf.ts';
import { solveScenarios } from '../power/scenarios/solveScenario.ts';
import { difference, lengthOf, ZERO } from './vector.ts';

function worst(design: Design) {
  const [field] = compassFields(graphOf(design));
  if (field === undefined) throw new Error('There is no compass.');
  return field;
}

function twisted(design: Design, tags: readonly string[], twistMm = 30): Design {
  return tags.reduce((now, tag) => {
    const cable = cableOf(now, tag);
    const [leg] = Object.values(cable.legs);
    if (leg === undefined) throw new Error('The cable has no leg.');
    return made(now, { kind: 'set-leg-twist', cable: cable.id, leg: leg.id, twistMm, was: null });
  }, design);
}

describe('the field at a compass', () => {
  const near = (): Bench => compassWing([310, 40, 40]);

  it('rises with the throttle, and is nothing on the bench where it was calibrated', () => {
    const { situations } = worst(near().design);
    const of = (title: string): number => situations.find((one) => one.title === title)?.levelUt ?? NaN;
    expect(of('On the bench')).toBe(0);
    expect(of('Launch')).toBeGreaterThan(of('Cruise'));
    expect(of('Cruise')).toBeGreaterThan(0);
  });

  it('falls far below when the leads are twisted', () => {
    const design = near().design;
    const tags = worst(design)
      .legs.slice(0, 2)
      .map(({ of }) => of.cable.tag);
    expect(worst(twisted(design, tags)).worst.levelUt).toBeLessThan(worst(design).worst.levelUt / 5);
  });

  it('falls with distance, and is that of the segments of its situation', () => {
    const [close, far] = [worst(near().design), worst(compassWing([310, 300, 40]).design)];
    expect(far.worst.levelUt).toBeLessThan(close.worst.levelUt / 10);
    const graph = graphOf(near().design);
    const at = close.compass.place.at;
    const results = solveScenarios(graph);
    const of = (title: string) => {
      const result = results.find(({ scenario }) => scenario.title === title);
      return result === undefined ? [] : currentSegments(graph, result);
    };
    const [then, rest] = [fieldOfSegments(of(close.worst.title), at), fieldOfSegments(of('On the bench'), at)];
    // The compass's own cable is in the segments, and carries little.
    expect(then[2] - rest[2]).toBeCloseTo(close.worst.varyingUt[2], 0);
  });

  it('is turned into a heading error by the level field of the earth', () => {
    const { worst: there } = worst(near().design);
    expect(there.errorDeg).toBeCloseTo((Math.asin(Math.min(1, there.levelUt / 20)) * 180) / Math.PI, 9);
    const strong = made(near().design, { kind: 'set-frame-number', number: 'earthFieldUt', value: 40, was: null });
    expect(worst(strong).worst.errorDeg).toBeLessThan(there.errorDeg);
  });

  it('counts compasses that are in use: one of its own before the one in the controller', () => {
    const graph = graphOf(saltmarsh(asId<AircraftId>('s'), countingIds('c')));
    expect(compassesInUse(graph).map(({ item }) => item.ref)).toEqual(['GNSS1']);
  });

  it('is a number with a compass on the very wire', () => {
    for (const at of [
      [310, 0, 0],
      [200, 0, 0],
      [420, 0, 0],
    ] as const) {
      const { worst: there, constantUt } = worst(compassWing(at).design);
      expect([there.errorDeg, there.levelUt, ...constantUt].every(Number.isFinite)).toBe(true);
      expect(there.errorDeg).toBeLessThanOrEqual(90);
    }
  });
});

describe('wires on their ways', () => {
  it('lie side by side at their thickness, and turn round each other where they are twisted', () => {
    const design = compassWing([310, 40, 40]).design;
    const legs = (of: Design) => {
      const graph = graphOf(of);
      return loadedWires(graph, solveScenarios(graph).map(ampsIn));
    };
    const plain = legs(design).find(({ cable }) => cable.tag === 'W01');
    const [plus, minus] = plain?.wires ?? [];
    expect(plain?.wires).toHaveLength(2);
    // They meet in the ports; between them they lie beside each other.
    expect(plus?.spots[0]).toEqual(minus?.spots[0]);
    const [a = ZERO, b = ZERO] = [plus?.spots[1], minus?.spots[1]];
    const apartMm = lengthOf(difference(a, b));
    expect(apartMm).toBeGreaterThan(2);
    expect(apartMm).toBeLessThan(8);
    const wound = legs(twisted(design, ['W01'], 30)).find(({ cable }) => cable.tag === 'W01');
    expect(wound?.wires[0]?.spots.length ?? 0).toBeGreaterThan(20);
  });
});
