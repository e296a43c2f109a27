import { describe, expect, it } from '@jest/globals';
import { reedbed } from '../demo/reedbed.ts';
import { graphOf } from '../graph/graphOf.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import type { Check } from './finding.ts';
import { askChecks } from './findingsOf.ts';
import { checks } from './registry.ts';

let count = 0;
const demo = reedbed(asId<AircraftId>('reedbed'), () => `t${++count}`);
const context = { graph: graphOf(demo) };
const throwing: Check = {
  id: 'test.throws',
  stage: 'wiring',
  title: 'Throws',
  run: () => {
    throw new Error('No such pin.');
  },
};

describe('a check that throws', () => {
  it('is named, and every other check says what it says without it', () => {
    const whole = askChecks(checks, context);
    const half = Math.floor(checks.length / 2);
    const said = askChecks([...checks.slice(0, half), throwing, ...checks.slice(half)], context);
    expect(whole.broken).toEqual([]);
    expect(said.broken).toEqual([{ id: 'test.throws', title: 'Throws', error: 'No such pin.' }]);
    expect(said.findings).toEqual(whole.findings);
    expect(said.findings.length).toBeGreaterThan(10);
  });
});
