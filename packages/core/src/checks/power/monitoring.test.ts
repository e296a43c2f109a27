import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { flyMission } from '../../power/mission/flyMission.ts';
import { bench, powered } from '../../test/checkCases/build.ts';
import { CASES } from '../../test/checkCases/cases.ts';
import { countingIds, findingsBy, made } from '../../test/designs.ts';

const whole = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());

describe('a mission against its packs', () => {
  it.each([10, 40, 55, 60, 64, 68, 72, 76, 80, 100])('of %i minutes in cruise speaks just when a pack is used up on the way', (minutes) => {
    const was = [...(whole.aircraft.power?.mission ?? [])];
    const design = made(whole, { kind: 'set-mission', mission: [{ situation: 'cruise', minutes }], was });
    const { emptyAtMin } = flyMission(graphOf(design));
    const said = findingsBy(design, 'power.battery').map(({ what }) => what);
    if (emptyAtMin === undefined) expect(said).toEqual([]);
    else expect(said).toEqual([expect.stringContaining(`after ${emptyAtMin.toFixed(0)} of the ${minutes} minutes`)]);
  });

  it('is long enough at one end of that list and too long at the other', () => {
    const emptyAt = (minutes: number) =>
      flyMission(
        graphOf(
          made(whole, {
            kind: 'set-mission',
            mission: [{ situation: 'cruise', minutes }],
            was: [...(whole.aircraft.power?.mission ?? [])],
          }),
        ),
      ).emptyAtMin;
    expect(emptyAt(10)).toBeUndefined();
    expect(emptyAt(100)).toBeGreaterThan(50);
  });
});

describe('current that no sensor counts', () => {
  it('is to be mended above a tenth of the cruise current, and a note below; what a module takes for itself is never more', () => {
    const wrong = CASES['power.unmeasured']?.wrong() ?? whole;
    const [much] = findingsBy(wrong, 'power.unmeasured');
    expect(Number(/^(\d+)\s%/.exec(much?.what ?? '')?.[1])).toBeGreaterThan(10);
    expect(much?.severity).toBe('mend');
    const little = findingsBy(whole, 'power.unmeasured');
    expect(little.map(({ severity }) => severity)).toEqual(['note', 'note']);
    for (const { what } of little) expect(Number(/^(\d+)\s%/.exec(what)?.[1])).toBeLessThan(10);
  });

  it('is nothing to mend on a desk without a motor, or of a pack that stays on the ground', () => {
    const desk = powered('regulator-buck-5v-3a', 'companion-small-5v');
    desk.wire('FC1 battery', 'BEC1 in', 'straight', 80);
    desk.wire('BEC1 out', 'CC1 header', 'meaning', 80);
    expect(findingsBy(desk.design, 'power.unmeasured')).toEqual([]);
    const station = bench('battery-lipo-4s-5000');
    station.add('battery-lipo-3s-3300', 'ground station', {}, 'ground');
    station.add('companion-large-12v', 'ground station', {}, 'ground');
    station.add('controller-f4-wing', '');
    station.wire('BAT2 main', 'CC1 power', 'straight', 80);
    expect(findingsBy(station.design, 'power.no-monitor')).toEqual([]);
  });
});
