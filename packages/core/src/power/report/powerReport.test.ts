import { describe, expect, it } from '@jest/globals';
import { quantity } from '../../text/numbers.ts';
import { demoDesign } from '../../test/designs.ts';
import { mudflat } from '../../demo/mudflat.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { powerReport, type ScenarioReport } from './powerReport.ts';

let made = 0;
const makeId = (): string => `r${++made}`;
const salt = saltmarsh(asId<AircraftId>('saltmarsh'), makeId);

function reportOf(design: Design, id: string): ScenarioReport {
  const found = powerReport(graphOf(design)).scenarios.find((scenario) => scenario.id === id);
  if (found === undefined) throw new Error(`There is no ${id}.`);
  return found;
}

const supply = (report: ScenarioReport, name: string) => report.supplies.find(({ ref, element }) => `${ref} ${element}` === name);
const load = (report: ScenarioReport, name: string) => report.loads.find(({ ref, element }) => `${ref} ${element}` === name);

describe('the report of an aircraft that is right', () => {
  it('has nothing that falls or stands short in any situation on its pack', () => {
    for (const { id, events, loads, unsettled } of powerReport(graphOf(salt)).scenarios) {
      expect([id, unsettled]).toEqual([id, undefined]);
      if (id === 'usb-only') continue;
      expect([id, events]).toEqual([id, []]);
      expect([id, loads.filter(({ state }) => !['on', 'off', 'stalled'].includes(state))]).toEqual([id, []]);
    }
  });

  it('names the servo that jams, and what carries the rail against what it may', () => {
    const jammed = reportOf(salt, 'jammed');
    expect(jammed.stalled).toMatch(/^SRV/);
    expect(load(jammed, `${jammed.stalled ?? ''} servo`)?.state).toBe('stalled');
    expect(supply(jammed, 'BEC1 buck')).toMatchObject({ state: 'on', ratedA: 10, volts: expect.closeTo(5.2, 3) });
  });

  it('feeds every load from a supply, and what flows in flows on', () => {
    const { feeds, supplies, loads } = reportOf(salt, 'climb');
    const from = new Map(feeds.map((feed) => [feed.to, feed.from] as const));
    const names = new Map([...supplies, ...loads].map((line) => [line.device, `${line.ref} ${line.element}`] as const));
    const pathOf = (name: string): string[] => {
      const path: string[] = [];
      let at = [...names].find(([, candidate]) => candidate === name)?.[0];
      while (at !== undefined) {
        path.push(names.get(at) ?? '?');
        at = from.get(at);
      }
      return path;
    };
    expect(pathOf('SRV1 servo')).toEqual(['SRV1 servo', 'FC1 main-fuse', 'PWR2 diode-a', 'BEC1 buck', 'PM1 battery-current', 'BAT1 pack']);
    expect(pathOf('GNSS1 receiver')).toEqual(['GNSS1 receiver', 'FC1 port-fuse', 'FC1 power-inputs', 'PM1 reg-5v', 'BAT1 pack']);
    // The sense element carries what is behind it.
    const sense = supplies.find(({ element }) => element === 'battery-current');
    const behind = feeds.filter(({ from: giver }) => giver === sense?.device).reduce((sum, { amps }) => sum + amps, 0);
    expect(behind).toBeCloseTo(sense?.amps ?? NaN, 3);
  });
});

describe('starting from zero', () => {
  it('takes at most P / V of every load where it begins to regulate itself: half its least voltage', () => {
    const cruise = reportOf(demoDesign(), 'cruise');
    // On the 9 V regulator hang VTX1 and VTX2, with what the samples say of them.
    const upA = ['VTX1', 'VTX2'].reduce((sum, ref) => {
      const item = Object.values(demoDesign().aircraft.items).find((one) => one.ref === ref);
      const element = demoDesign()
        .parts.get(item?.part ?? asId('none'))
        ?.circuit.find(({ is }) => is === 'load');
      if (element?.is !== 'load') throw new Error(`${ref} has no load.`);
      return sum + (Number(element.typicalA) * Number(element.nominalV)) / (Number(element.minV) / 2);
    }, 0);
    expect(cruise.starts).toEqual([
      expect.stringContaining(`FC1 reg-9v runs, but may not start into its load: up to ${quantity(upA, 'A')}`),
    ]);
  });

  it('is no question where every supply gives more than that', () => {
    for (const { starts, charge } of powerReport(graphOf(salt)).scenarios) if (charge !== undefined) expect(starts).toEqual([]);
  });
});

describe('the report of aircraft that are not', () => {
  it('tells what is reversed, what no supply reaches, and what two supplies on one rail give', () => {
    const cruise = reportOf(demoDesign(), 'cruise');
    expect(load(cruise, 'RNG1 sensor')?.state).toBe('reversed');
    expect(load(cruise, 'CC1 computer')?.state).toBe('unpowered');
    // Both stand at 5.0 V behind wires of their own, so that they share until one of them drifts.
    for (const name of ['BEC1 buck', 'ESC1 built-in']) expect(supply(cruise, name)?.amps).toBeGreaterThan(0.05);
  });

  it('measures every item against its own ground', () => {
    const climb = reportOf(mudflat(asId<AircraftId>('mudflat'), makeId), 'climb');
    const [pack, sensed] = [supply(climb, 'BAT2 pack'), supply(climb, 'PM2 battery-current')];
    expect(sensed?.volts).toBeLessThanOrEqual(pack?.volts ?? 0);
  });

  it('an aircraft without anything has a report without anything', () => {
    const { scenarios } = powerReport(graphOf({ ...salt, aircraft: { ...salt.aircraft, items: {}, cables: {}, outputs: {} } }));
    for (const { supplies, loads, feeds } of scenarios) expect([supplies, loads, feeds]).toEqual([[], [], []]);
  });
});
