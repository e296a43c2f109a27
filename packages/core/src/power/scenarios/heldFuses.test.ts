import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import { carrier } from '../../test/checkCases/powerDesigns.ts';
import { runningStart } from '../solve/startOf.ts';
import { solveScenarios, type ScenarioResult } from './solveScenario.ts';

/** What the fuses of a situation take when they hold everything, by reference and element: volts that come to them, and watts. */
function fuses({
  network,
  circuit,
}: ScenarioResult): readonly { readonly volts: number; readonly watts: number; readonly stated: number }[] {
  const { volts } = runningStart(circuit);
  return network.devices.flatMap(({ device }, i) => {
    const law = circuit.laws[i];
    if (device.is !== 'element' || device.element.is !== 'limiter' || law?.is !== 'limiter') return [];
    const before = volts[network.shape.devices[i]?.nodes[0] ?? -1] ?? NaN;
    return [{ volts: before, watts: (before * before) / law.trippedOhm, stated: device.element.trippedW }];
  });
}

describe('a resettable fuse that has tripped', () => {
  it('takes its stated power at the voltage of each situation, on a computer and in flight', () => {
    const one = carrier();
    one.wire('PM1 out', 'FC1 PWR1', 'meaning', 150);
    const results = solveScenarios(graphOf(one.design));
    const of = (id: string) => fuses(results.find(({ scenario }) => scenario.id === id) ?? fail(id));
    const [desk, flight] = [of('usb-only'), of('cruise')];
    const fed = [...desk, ...flight].filter(({ volts }) => volts > 1);
    expect(fed.length).toBeGreaterThan(1);
    for (const { watts, stated } of fed) expect(watts).toBeCloseTo(stated, 9);
    // A computer gives 5 V, and the power module more.
    const most = (all: typeof desk): number => Math.max(...all.map(({ volts }) => volts));
    expect(most(desk)).toBeLessThanOrEqual(5);
    expect(most(flight)).toBeGreaterThan(5.05);
  });
});

function fail(id: string): never {
  throw new Error(`There is no situation ${id}.`);
}
