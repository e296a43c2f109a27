import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '../checks/findingsOf.ts';
import { Bench } from '../demo/bench.ts';
import { multiplied } from '../demo/multiplied.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { graphOf } from '../graph/graphOf.ts';
import { editProblems } from '../edits/registry.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { countingIds, emptyBench, made } from '../test/designs.ts';
import { faultSteps, faultSweep } from './faults/faultSweep.ts';
import { enduranceOf, flyMission } from './mission/flyMission.ts';
import { powerReport } from './report/powerReport.ts';
import { solveScenarios } from './scenarios/solveScenario.ts';

function bench(...parts: readonly string[]): Bench {
  const one = new Bench(asId<AircraftId>('bad'), 'Bad', countingIds());
  for (const part of parts) one.add(part, '');
  return one;
}

function noGround(): Design {
  const one = bench('battery-lipo-4s-5000', 'controller-f4-wing', 'radio-900-class');
  one.wire('BAT1 main', 'FC1 battery', 'meaning', 100);
  one.forget(2);
  one.wire('RADIO1 UART', 'FC1 S1', 'meaning', 100);
  return one.design;
}

function ringOfRegulators(): Design {
  const one = bench(
    'battery-lipo-4s-5000',
    'distribution-plain-bus',
    'regulator-buck-boost-5v-4a',
    'regulator-buck-boost-5v-4a',
    'companion-small-5v',
  );
  one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
  one.wire('PWR1 b1', 'BEC1 in', 'straight', 80);
  one.wire('BEC1 out', 'BEC2 in', 'mirrored', 80);
  one.wire('BEC2 out', 'BEC1 in', 'mirrored', 80);
  one.wire('BEC2 out', 'CC1 header', 'meaning', 80);
  return one.design;
}

function shortedPack(): Design {
  const one = bench('battery-lipo-4s-5000', 'distribution-plain-bus', 'regulator-buck-5v-3a');
  one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
  one.wire('PWR1 b1', 'PWR1 b2', 'mirrored', 50);
  one.wire('PWR1 b3', 'BEC1 in', 'straight', 80);
  return one.design;
}

const BAD: readonly (readonly [string, () => Design])[] = [
  ['nothing at all', () => emptyBench().design],
  ['no pack', () => bench('controller-f4-wing', 'radio-900-class').design],
  ['a pack without a ground', noGround],
  ['regulators in a ring', ringOfRegulators],
  ['a pack that is shorted', shortedPack],
];

/** Every number in it, at any depth. */
function numbersIn(value: unknown, seen: number[] = []): readonly number[] {
  if (typeof value === 'number') seen.push(value);
  else if (typeof value === 'object' && value !== null) for (const member of Object.values(value)) numbersIn(member, seen);
  return seen;
}

describe('an aircraft that is bad or not complete', () => {
  it.each(BAD)('%s: figures everywhere, an answer in words', (_, build) => {
    const graph = graphOf(build());
    const report = powerReport(graph);
    const figures = [...numbersIn(report), ...numbersIn(faultSweep(graph).lines), ...numbersIn(flyMission(graph).samples)];
    // What lasts is infinite by design; nothing else may be.
    expect(figures.filter((figure) => Number.isNaN(figure))).toEqual([]);
    for (const { loads, supplies } of report.scenarios) {
      for (const line of [...loads, ...supplies])
        expect([line.ref, Number.isFinite(line.volts), Number.isFinite(line.amps)]).toEqual([line.ref, true, true]);
    }
    const words = findingsOf(graph.design)
      .map(({ what, why }) => `${what} ${why}`)
      .join(' ');
    expect(words).not.toMatch(/NaN|Infinity|undefined/);
    expect(String(enduranceOf(graph)?.minutes ?? 'none')).not.toContain('NaN');
  });

  it('a pack without a ground feeds nothing, and a shorted one is over its rating', () => {
    const dark = powerReport(graphOf(noGround())).scenarios.find(({ id }) => id === 'cruise');
    expect(dark?.loads.filter(({ state }) => state !== 'unpowered' && state !== 'off')).toEqual([]);
    const shorted = powerReport(graphOf(shortedPack())).scenarios.find(({ id }) => id === 'cruise');
    expect(shorted?.supplies.find(({ is }) => is === 'battery')?.amps).toBeGreaterThan(200);
    expect(findingsOf(shortedPack()).map(({ check }) => check)).toEqual(expect.arrayContaining(['power.battery', 'power.over-current']));
  });

  it('a wire of no length is refused, and one of nearly none is solved', () => {
    const one = bench('battery-lipo-4s-5000', 'distribution-plain-bus');
    one.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    const [cable] = Object.values(one.design.aircraft.cables);
    const [leg] = Object.values(cable?.legs ?? {});
    if (cable === undefined || leg === undefined) throw new Error('There is no cable.');
    const lengthen = (lengthMm: number) =>
      ({ kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm, was: leg.typedLengthMm ?? null }) as const;
    expect(editProblems(lengthen(0)).length).toBeGreaterThan(0);
    expect(editProblems(lengthen(1e-6))).toEqual([]);
    const nearly = made(one.design, lengthen(1e-6));
    for (const { before } of solveScenarios(graphOf(nearly))) expect(before.volts.every(Number.isFinite)).toBe(true);
  });

  it('2,000 items are solved, and the faults can be left in the middle', () => {
    const one = saltmarsh(asId<AircraftId>('s'), countingIds());
    const many = multiplied(one, Math.ceil(2000 / Object.keys(one.aircraft.items).length));
    expect(Object.keys(many.aircraft.items).length).toBeGreaterThanOrEqual(2000);
    const graph = graphOf(many);
    for (const { before, scenario } of solveScenarios(graph)) expect([scenario.id, before.unsettled]).toEqual([scenario.id, undefined]);
    const steps = faultSteps(graph);
    expect(steps.next().done).toBe(false);
  });
});
