import { describe, expect, it } from '@jest/globals';
import { airframeKinds, isWingless, requiredFunctions } from '../model/airframes.ts';
import { OUTPUT_FUNCTIONS } from '../model/outputFunctions.ts';
import { surfaceShapes } from './surfaceShapes.ts';
import { usualFrame } from './usualFrame.ts';

const planes = airframeKinds.filter((kind) => !isWingless(kind));

describe.each(planes.map((kind) => [kind] as const))('the surfaces of %s', (kind) => {
  const frame = usualFrame(kind, 1600);
  const shapes = surfaceShapes(kind, frame);

  it('are drawn, each on its own side, inside of the span', () => {
    const moved = requiredFunctions(kind).filter((name) => OUTPUT_FUNCTIONS[name].drives === 'servo');
    expect([...new Set(shapes.map((shape) => shape.function))].sort()).toEqual([...moved].sort());
    for (const { function: name, hinge, chordMm } of shapes) {
      const butts = hinge.map(([, butt]) => butt);
      if (name.endsWith('-left')) expect(Math.max(...butts)).toBeLessThan(0);
      if (name.endsWith('-right')) expect(Math.min(...butts)).toBeGreaterThan(0);
      for (const butt of butts) expect(Math.abs(butt)).toBeLessThanOrEqual(800);
      expect(chordMm).toBeGreaterThan(0);
    }
  });

  it('are alike on both sides', () => {
    for (const shape of shapes) {
      if (!shape.function.endsWith('-left')) continue;
      const other = shapes.find((one) => one.function === shape.function.replace(/left$/, 'right'));
      const mirrored = shape.hinge.map(([station, butt]) => `${Math.round(station)} ${Math.round(-butt)}`).sort();
      expect(other?.hinge.map(([station, butt]) => `${Math.round(station)} ${Math.round(butt)}`).sort()).toEqual(mirrored);
    }
  });

  it('are none where the airframe has no numbers', () => {
    expect(surfaceShapes(kind, { numbers: {}, bays: {}, points: {}, routes: {} })).toEqual([]);
  });
});
