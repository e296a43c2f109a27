import { describe, expect, it } from '@jest/globals';
import { Bench } from '../../demo/bench.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { shipped } from '../../edits/library.ts';
import { newAircraft } from '../../edits/newAircraft.ts';
import { cellVolts } from './cellVolts.ts';
import { SCENARIOS, scenariosOf } from './scenario.ts';
import { solveScenario, solveScenarios, voltsAcross, type ScenarioResult } from './solveScenario.ts';

let made = 0;
const makeId = (): string => `q${++made}`;

function resultOf(design: Design, id: string): ScenarioResult {
  const scenario = SCENARIOS.find((candidate) => candidate.id === id);
  if (scenario === undefined) throw new Error(`There is no scenario ${id}.`);
  return solveScenario(graphOf(design), scenario);
}

function deviceOf({ network }: ScenarioResult, ref: string, element: string): number {
  return network.devices.findIndex(
    ({ device }) => device.is === 'element' && device.element.id === element && network.graph.items[device.item]?.item.ref === ref,
  );
}

const volts = (result: ScenarioResult, ref: string, element: string): number =>
  voltsAcross(result.network, result.before, deviceOf(result, ref, element));
const amps = (result: ScenarioResult, ref: string, element: string): number => result.before.amps[deviceOf(result, ref, element)] ?? NaN;

/** A pack, a regulator and a rail with so many servos. */
function rail(servo: string, count: number, regulator = 'regulator-buck-5v-3a'): Design {
  const bench = new Bench(asId<AircraftId>('rail'), 'Rail', makeId);
  bench.add('controller-h7-carrier', 'controller');
  bench.add('battery-lipo-4s-5000', 'pack');
  bench.add('distribution-plain-bus', 'bus');
  bench.add(regulator, 'rail');
  bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
  bench.wire('PWR1 b1', 'BEC1 in', 'meaning', 100);
  bench.wire('BEC1 out', 'FC1 m8', 'meaning', 100);
  for (let i = 1; i <= count; i++) {
    bench.add(servo, `servo ${i}`);
    bench.wire(`SRV${i} lead`, `FC1 m${i}`, 'meaning', 300);
  }
  return bench.design;
}

describe('scenarios', () => {
  it('are those of the kind of airframe', () => {
    expect(scenariosOf({ airframe: { kind: 'v-tail' } }).map(({ id }) => id)).not.toContain('hover');
    expect(scenariosOf({ airframe: { kind: 'quad' } }).map(({ id }) => id)).toEqual(expect.arrayContaining(['hover', 'transition']));
    expect(new Set(SCENARIOS.map(({ id }) => id)).size).toBe(SCENARIOS.length);
  });

  it('a cell falls with its charge and is full at 4.2 V', () => {
    for (const chemistry of ['lipo', 'li-ion'] as const) {
      const steps = Array.from({ length: 21 }, (_, i) => cellVolts(chemistry, i / 20));
      expect(steps.every((value, i) => i === 0 || value > (steps[i - 1] ?? 0))).toBe(true);
      expect(cellVolts(chemistry, 1)).toBe(4.2);
    }
  });

  it('a pack gives its open voltage less what its resistance takes', () => {
    const result = resultOf(saltmarsh(asId<AircraftId>('s'), makeId), 'climb');
    const current = amps(result, 'BAT1', 'pack');
    expect(current).toBeGreaterThan(35);
    expect(volts(result, 'BAT1', 'pack')).toBeCloseTo(6 * 4.06 - 0.014 * current, 4);
    const cold = resultOf(saltmarsh(asId<AircraftId>('s'), makeId), 'cold');
    expect(volts(cold, 'BAT1', 'pack')).toBeCloseTo(6 * 4.06 - 0.028 * amps(cold, 'BAT1', 'pack'), 4);
  });

  it('of a small and a large servo the large one hurts more, wherever it stands in the list', () => {
    for (const order of [
      ['servo-9g-digital', 'servo-20g-standard'],
      ['servo-20g-standard', 'servo-9g-digital'],
    ] as const) {
      const mixed = new Bench(asId<AircraftId>('mixed'), 'Mixed', makeId);
      mixed.add('controller-h7-carrier', 'controller');
      mixed.add('battery-lipo-4s-5000', 'pack');
      mixed.add('distribution-plain-bus', 'bus');
      mixed.add('regulator-buck-5v-3a', 'rail');
      mixed.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
      mixed.wire('PWR1 b1', 'BEC1 in', 'meaning', 100);
      mixed.wire('BEC1 out', 'FC1 m8', 'meaning', 100);
      order.forEach((servo, i) => {
        mixed.add(servo, '');
        mixed.wire(`SRV${i + 1} lead`, `FC1 m${i + 1}`, 'meaning', 300);
      });
      const result = resultOf(mixed.design, 'jammed');
      const { device } = result.network.devices[result.stalled ?? -1] ?? {};
      expect(result.network.graph.items[device?.item ?? -1]?.item.ref).toBe(`SRV${order.indexOf('servo-20g-standard') + 1}`);
    }
  });

  it('a jammed servo is the one that leaves the least, and its rail is told before anything falls', () => {
    const result = resultOf(rail('servo-20g-standard', 2), 'jammed');
    expect(result.stalled).toBeDefined();
    const stalled = result.network.devices[result.stalled ?? -1]?.device;
    // 1.8 A at 5 V, and the wires on the way.
    const ref = result.network.graph.items[stalled?.item ?? -1]?.item.ref ?? '';
    expect(volts(result, ref, 'servo')).toBeCloseTo((5 / 1.8) * amps(result, ref, 'servo'), 6);
    expect(amps(result, ref, 'servo')).toBeGreaterThan(1.5);
  });

  it('a rail that asks more than its regulator gives shuts it down, and the numbers say why', () => {
    const result = resultOf(rail('servo-20g-standard', 6), 'jammed');
    const regulator = deviceOf(result, 'BEC1', 'buck');
    expect(result.before.trippings[0]).toMatchObject({ device: regulator, what: 'overload', limit: 3 });
    expect(result.before.trippings[0]?.value).toBeGreaterThan(3);
  });

  it('for two seconds a regulator gives its burst current', () => {
    const design = rail('servo-20g-standard', 7);
    expect(resultOf(design, 'servo-storm').before.trippings).toEqual([]);
    expect(amps(resultOf(design, 'servo-storm'), 'BEC1', 'buck')).toBeGreaterThan(3);
  });

  it('on USB alone the controller lives and the servo rail does not', () => {
    const result = resultOf(rail('servo-20g-standard', 2), 'usb-only');
    expect(volts(result, 'FC1', 'logic')).toBeGreaterThan(4.5);
    expect(volts(result, 'SRV1', 'servo')).toBeCloseTo(0, 6);
  });

  it('an empty aircraft, and one without a pack, give an answer', () => {
    const empty: Design = { aircraft: newAircraft(asId<AircraftId>('e'), 'Empty'), ...shipped };
    for (const result of solveScenarios(graphOf(empty))) expect(result.falls).toEqual([]);
    const bench = new Bench(asId<AircraftId>('b'), 'No pack', makeId);
    bench.add('regulator-buck-5v-3a', 'rail');
    bench.add('servo-9g-analog', 'servo');
    bench.wire('BEC1 out', 'SRV1 lead', 'straight', 100);
    for (const result of solveScenarios(graphOf(bench.design))) {
      expect(result.before.unsettled).toBeUndefined();
      expect(result.before.volts.every((value) => Number.isFinite(value))).toBe(true);
    }
  });
});

describe('loads that fall', () => {
  it('fall one at a time, the furthest short first, and what is left stands', () => {
    const bench = new Bench(asId<AircraftId>('f'), 'Long wires', makeId);
    bench.add('battery-lipo-4s-5000', 'pack');
    bench.add('distribution-plain-bus', 'bus');
    bench.add('regulator-linear-5v-1a5', 'weak');
    bench.add('companion-small-5v', 'mapping');
    bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    bench.wire('PWR1 b1', 'BEC1 in', 'meaning', 100);
    bench.wire('BEC1 out', 'CC1 header', 'meaning', 4000);
    const result = resultOf(bench.design, 'cruise');
    expect(result.falls.map(({ device }) => device)).toEqual([deviceOf(result, 'CC1', 'computer')]);
    expect(result.falls[0]?.volts).toBeLessThan(result.falls[0]?.minV ?? 0);
    expect(result.after.amps[deviceOf(result, 'CC1', 'computer')]).toBe(0);
  });
});
