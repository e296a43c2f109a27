import { describe, expect, it } from '@jest/globals';
import { Bench } from '../../demo/bench.ts';
import { demoAircraft } from '../../demo/demoAircraft.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import type { PowerPlan } from '../../model/powerPlan.ts';
import { countingIds, emptyBench } from '../../test/designs.ts';
import { cellVolts } from '../scenarios/cellVolts.ts';
import { enduranceOf, flyMission } from './flyMission.ts';

function demo(id: string): Design {
  const found = demoAircraft.find((each) => each.id === id);
  if (found === undefined) throw new Error(`There is no ${id}.`);
  return found.build(asId<AircraftId>(id), countingIds());
}

const planned = (design: Design, power: PowerPlan): Design => ({ ...design, aircraft: { ...design.aircraft, power } });

describe('a mission', () => {
  it('takes out of a pack what its current is over the time: a measured motor current lasts its capacity divided by it', () => {
    const bench = new Bench(asId<AircraftId>('m'), 'Motor', countingIds());
    for (const part of ['battery-lipo-4s-5000', 'motor-controller-40a-5v2a', 'motor-28mm-9x6', 'distribution-plain-bus'])
      bench.add(part, '');
    bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    bench.wire('PWR1 b1', 'ESC1 power', 'meaning', 100);
    bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
    const design = planned(bench.design, { cruiseA: 10, usableShare: 0.6, mission: [{ situation: 'cruise', minutes: 12 }] });
    const mission = flyMission(graphOf(design));
    const packOhm =
      [...design.parts.values()]
        .find(({ id }) => id === 'battery-lipo-4s-5000')
        ?.circuit.flatMap((element) => (element.is === 'battery' ? [Number(element.internalOhm)] : []))[0] ?? NaN;
    // 5000 mAh * 0.6 / (10 A and the regulator's 10 mA of its own).
    expect(enduranceOf(graphOf(design))?.minutes).toBeCloseTo((5 * 0.6 * 60) / 10.01, 2);
    expect(mission.samples.at(-1)?.packs[0]?.consumedMah).toBeCloseTo((10_010 * 12) / 60, 0);
    expect(mission).toMatchObject({ totalMin: 12, isExample: false, emptyAtMin: undefined });
    expect(mission.samples.at(-1)?.minute).toBeCloseTo(12, 9);
    // Its voltage is that of its cells at what is left, less what its resistance takes.
    for (const { packs } of mission.samples) {
      const pack = packs[0];
      expect(pack?.volts).toBeCloseTo(4 * cellVolts('lipo', pack?.charge ?? NaN) - (pack?.amps ?? NaN) * packOhm, 6);
    }
    expect(mission.samples.at(-1)?.packs[0]?.volts).toBeLessThan((mission.samples[0]?.packs[0]?.volts ?? NaN) - 0.5);
  });

  it('draws each pack down by itself, never up, and says which is empty first and when', () => {
    const mission = flyMission(graphOf(planned(demo('mudflat'), { mission: [{ situation: 'hover', minutes: 90 }] })));
    expect(mission.packs.map(({ ref }) => ref)).toEqual(['BAT1', 'BAT2']);
    for (let k = 0; k < 2; k++) {
      const used = mission.samples.map(({ packs }) => packs[k]?.consumedMah ?? NaN);
      expect(used.every((value, i) => i === 0 || value >= (used[i - 1] ?? 0))).toBe(true);
    }
    expect(mission.emptyPack).toBe('BAT1');
    expect(mission.emptyAtMin).toBeLessThan(90);
    for (const { packs } of mission.samples) for (const pack of packs) expect(Number.isFinite(pack.volts)).toBe(true);
  });

  it('takes no more out of a pack than it holds, and shows it at its empty voltage then', () => {
    const mission = flyMission(graphOf(planned(demo('mudflat'), { mission: [{ situation: 'hover', minutes: 240 }] })));
    for (const { packs } of mission.samples) {
      packs.forEach(({ consumedMah, charge, volts, amps }, k) => {
        expect(consumedMah).toBeLessThanOrEqual(mission.packs[k]?.capacityMah ?? NaN);
        if (charge <= 1e-9) expect([volts, amps]).toEqual([6 * cellVolts('li-ion', 0), 0]);
      });
    }
    const last = mission.samples.at(-1)?.packs[mission.packs.findIndex(({ ref }) => ref === 'BAT1')];
    expect(last?.charge).toBeCloseTo(0, 6);
  });

  it('leaves everything to the other one of two packs side by side when one is empty', () => {
    const bench = new Bench(asId<AircraftId>('p'), 'Two packs', countingIds());
    for (const part of [
      'battery-lipo-4s-5000',
      'battery-li-ion-4s-7000',
      'lead-parallel-xt60',
      'distribution-plain-bus',
      'motor-controller-40a-5v2a',
      'motor-28mm-9x6',
    ])
      bench.add(part, '');
    bench.wire('BAT1 main', 'PWR1 A', 'straight', 100);
    bench.wire('BAT2 main', 'PWR1 B', 'straight', 100);
    bench.wire('PWR1 out', 'PWR2 battery', 'straight', 100);
    bench.wire('PWR2 b1', 'ESC1 power', 'meaning', 100);
    bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
    const { samples } = flyMission(graphOf(planned(bench.design, { cruiseA: 10, mission: [{ situation: 'cruise', minutes: 80 }] })));
    const after = samples.filter(({ packs }) => packs.filter(({ charge }) => charge <= 1e-9).length === 1);
    expect(after.length).toBeGreaterThan(0);
    for (const { packs } of after) expect(packs.reduce((sum, { amps }) => sum + amps, 0)).toBeCloseTo(10.01, 2);
  });

  it('has an example where none is entered, and nothing at all without a pack', () => {
    const { power: _power, ...aircraft } = demo('saltmarsh').aircraft;
    const mission = flyMission(graphOf({ ...demo('saltmarsh'), aircraft }));
    expect(mission.isExample).toBe(true);
    expect(mission.legs.map(({ situation }) => situation)).toEqual(['launch', 'climb', 'cruise']);
    expect(enduranceOf(graphOf(demo('saltmarsh')))?.minutes).toBeGreaterThan(30);
    expect(flyMission(graphOf(emptyBench().design))).toMatchObject({ packs: [], samples: [] });
    expect(enduranceOf(graphOf(emptyBench().design))?.minutes).toBeUndefined();
  });

  it('flies in situations of a person, at the states that they say', () => {
    const tow = {
      title: 'Tow',
      charge: 0.9,
      durationS: 60,
      cruiseThrottle: 0.5,
      liftThrottle: 0,
      servos: 1,
      transmitters: 'off' as const,
      others: 'idle' as const,
      internalFactor: 1,
    };
    const amps = (cruiseThrottle: number): number => {
      const power = { situations: { 'own-1': { ...tow, cruiseThrottle } }, mission: [{ situation: 'own-1', minutes: 1 }] };
      return flyMission(graphOf(planned(demo('saltmarsh'), power))).samples[0]?.packs[0]?.amps ?? NaN;
    };
    expect(amps(1)).toBeGreaterThan(amps(0.5) * 1.5);
    expect(amps(0.5)).toBeGreaterThan(amps(0));
  });
});
