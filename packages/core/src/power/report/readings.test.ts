import { describe, expect, it } from '@jest/globals';
import { Bench } from '../../demo/bench.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { sizesBetween, sizesOf, wireAmps } from '../../harness/wireLimits.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { AWG_SIZES } from '../../model/aircraft.ts';
import { countingIds, cableOf } from '../../test/designs.ts';
import { contactOhm, wireOhm } from '../network/wireOhm.ts';
import { solveScenario, voltsAcross, type ScenarioResult } from '../scenarios/solveScenario.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { dropPath } from './dropPath.ts';
import { senseReadings } from './senseReadings.ts';
import { wireProposals } from './wireProposals.ts';

/** A pack, a bus, a motor controller that takes a measured 20 A, over leads of a known gauge and length. */
function motorOn(awg: number, lengthMm: number): Design {
  const bench = new Bench(asId<AircraftId>('m'), 'Motor', countingIds());
  for (const part of [
    'battery-lipo-4s-5000',
    'power-module-analog-60a',
    'distribution-plain-bus',
    'motor-controller-80a-opto',
    'motor-28mm-9x6',
  ])
    bench.add(part, '');
  bench.wire('BAT1 main', 'PM1 battery', 'meaning', 100);
  bench.wire('PM1 load', 'PWR1 battery', 'meaning', 100);
  bench.wire('PWR1 b1', 'ESC1 power', 'meaning', lengthMm);
  bench.gauge(awg);
  bench.wire('ESC1 motor', 'MOT1 phases', 'straight', 60);
  return { ...bench.design, aircraft: { ...bench.design.aircraft, power: { cruiseA: 20 } } };
}

function cruise(design: Design): ScenarioResult {
  const scenario = scenariosOf(design.aircraft).find(({ id }) => id === 'cruise');
  if (scenario === undefined) throw new Error('There is no cruise.');
  return solveScenario(graphOf(design), scenario);
}

describe('what lowers the voltage of a load', () => {
  const design = motorOn(16, 400);
  const result = cruise(design);
  const drive = result.network.devices.findIndex(({ device }) => device.is === 'element' && device.element.is === 'drive');
  const drops = dropPath(result, drive);

  it('is every wire and contact on its way, out and back, by I times R', () => {
    // Beside the motor the logic of the controller takes its idle 30 mA over the same wires.
    const amps = result.before.amps[drive] ?? NaN;
    expect(amps).toBeCloseTo(20, 6);
    const wire = drops.find(({ name }) => name.startsWith('W03 wire 1'));
    expect(wire?.volts).toBeCloseTo((amps + 0.03) * wireOhm(16, 400), 4);
    const pads = cableOf(design, 'W03').nodes;
    const [end] = Object.values(pads).filter((node) => node.is === 'end');
    const contact = drops.find(({ name }) => name.startsWith('W03 contact 1'));
    expect(contact?.volts).toBeCloseTo(
      (amps + 0.03) * contactOhm(end?.is === 'end' ? end.connector : { family: 'XT60', positions: 2, gender: 'plug' }),
      4,
    );
    expect(drops.filter(({ name }) => name.startsWith('W03 wire 2'))).toHaveLength(1);
  });

  it('adds up to what is missing between the cells and the load', () => {
    const pack = result.circuit.laws.find((law) => law.is === 'supply' && law.maxA === Infinity);
    const emfV = pack?.is === 'supply' ? pack.emfV : NaN;
    const lost = drops.reduce((sum, { volts }) => sum + volts, 0);
    expect(lost).toBeCloseTo(emfV - voltsAcross(result.network, result.before, drive), 2);
  });

  it('names the largest first: the cells with their resistance, then the longest wires', () => {
    expect(drops[0]).toMatchObject({ is: 'battery', name: 'BAT1 pack' });
    expect(drops.map(({ volts }) => volts)).toEqual([...drops.map(({ volts }) => volts)].sort((a, b) => b - a));
    expect(drops[1]?.name).toMatch(/^W03 wire/);
  });
});

describe('what the sensors read', () => {
  it('is what is behind them; what a module takes before its sensor is its own, and is named', () => {
    const result = cruise(motorOn(10, 100));
    const { sensors, packs } = senseReadings(result);
    const drive = result.network.devices.findIndex(({ device }) => device.is === 'element' && device.element.is === 'drive');
    expect(sensors).toEqual([
      { name: 'PM1 battery-current', amps: expect.closeTo((result.before.amps[drive] ?? NaN) + 0.03, 3), fullScaleA: 60 },
    ]);
    const [pack] = packs;
    expect(pack).toMatchObject({ ref: 'BAT1', hasSensor: true, unseen: [{ name: 'PM1 reg-5v', isOwn: true }] });
    expect((pack?.unseenA ?? NaN) + (sensors[0]?.amps ?? NaN)).toBeCloseTo(pack?.amps ?? NaN, 4);
  });

  it('is nothing where a pack has none', () => {
    const bench = new Bench(asId<AircraftId>('n'), 'None', countingIds());
    for (const part of ['battery-lipo-3s-3300', 'distribution-two-regulators', 'companion-small-5v']) bench.add(part, '');
    bench.wire('BAT1 main', 'PWR1 battery', 'meaning', 100);
    bench.wire('PWR1 v5', 'CC1 header', 'meaning', 100);
    const { sensors, packs } = senseReadings(cruise(bench.design));
    expect(sensors).toEqual([]);
    expect(packs[0]?.hasSensor).toBe(false);
    expect(packs[0]?.unseenA).toBeCloseTo(packs[0]?.amps ?? NaN, 3);
    // Three cells are too little for the 12 V regulator: it is down, and takes nothing.
    expect(packs[0]?.unseen).toEqual([{ device: expect.any(Number), name: 'PWR1 reg-5v', isOwn: false, amps: packs[0]?.unseenA }]);
  });
});

describe('the gauge of a supply wire', () => {
  it('is the thinnest that carries the current and keeps the drop, of what the contacts take', () => {
    const wire = wireProposals(graphOf(motorOn(20, 300))).find(({ tag, contact }) => tag === 'W03' && contact === 1);
    if (wire === undefined) throw new Error('W03 carries nothing.');
    const needed = AWG_SIZES.filter((awg) => awg >= 10 && awg <= 20)
      .sort((a, b) => b - a)
      .find((awg) => (wireAmps(awg, Infinity) ?? 0) >= 20.03 && 20.03 * wireOhm(awg, 300) <= wire.allowedV);
    expect(wire.awg).toBe(20);
    // At full throttle it carries more than in cruise, so that it is at least that thick.
    expect(wire.proposedAwg).toBeLessThanOrEqual(needed ?? 0);
    expect(wire.amps).toBeGreaterThan(wire.limitA);
    expect(wire.dropV).toBeCloseTo(wire.amps * wireOhm(20, 300), 1);
  });

  it('keeps to what both contacts take, and doubles what a wire carries for half a minute', () => {
    const cable = cableOf(motorOn(10, 100), 'W03');
    const [conductor] = Object.values(cable.conductors);
    if (conductor === undefined) throw new Error('W03 has no wire.');
    expect(sizesOf(cable, conductor)).toEqual([20, 18, 16, 14, 12, 10, 8, 6]);
    const locking = { family: 'locking-1.25', positions: 4, gender: 'plug' } as const;
    expect(sizesBetween(locking, { ...locking, family: 'pin-2.54' })).toEqual([28, 26]);
    expect(sizesBetween(locking, { ...locking, family: 'XT60' })).toEqual([]);
    expect(wireAmps(12, 10)).toBe(2 * (wireAmps(12, 60) ?? NaN));
    expect(wireAmps(13, 60)).toBeUndefined();
  });
});
