import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import type { Endpoint } from '../../model/part.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { flyMission } from '../../power/mission/flyMission.ts';
import { bench, powered, withPart } from '../../test/checkCases/build.ts';
import { CASES } from '../../test/checkCases/cases.ts';
import { motorised } from '../../test/checkCases/powerDesigns.ts';
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

describe('a pack without a current sensor', () => {
  const CARRIER = 'controller-h7-carrier';
  /** A pack on a carrier that has endpoints of these kinds alone. */
  const on = (...kinds: readonly Endpoint['is'][]): Design => {
    const one = bench('battery-lipo-4s-5000', 'regulator-buck-5v-3a', CARRIER);
    one.wire('BAT1 main', 'BEC1 in', 'meaning', 60);
    one.wire('BEC1 out', 'FC1 m8', 'meaning', 60);
    return withPart(one.design, CARRIER, (part) => ({ ...part, endpoints: part.endpoints.filter(({ is }) => kinds.includes(is)) }));
  };

  it.each(['analog-sense', 'i2c-host', 'can'] as const)('is to be mended on a board with %s for one', (kind) => {
    expect(findingsBy(on('uart', kind), 'power.no-monitor').map(({ severity, what }) => [severity, what])).toEqual([
      ['mend', 'Nothing measures the current of BAT1.'],
    ]);
  });

  it('is a note on a board that has no input for one, and nothing without a board', () => {
    expect(findingsBy(on('uart', 'pulse-out'), 'power.no-monitor').map(({ severity }) => severity)).toEqual(['note']);
    expect(findingsBy(motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10).design, 'power.no-monitor')).toEqual([]);
  });
});

describe('an analog signal above what its input reads', () => {
  const airspeed = (fullScaleV: number): Design => {
    const board = bench('controller-h7-carrier', 'airspeed-analog-2k');
    board.wire('ASPD1 lead', 'FC1 ADC', 'meaning', 100);
    return withPart(board.design, 'airspeed-analog-2k', (part) => ({
      ...part,
      endpoints: part.endpoints.map((endpoint) => (endpoint.is === 'analog-out' ? { ...endpoint, fullScaleV } : endpoint)),
    }));
  };

  it('is told with both, at the sensor and at the board', () => {
    expect(findingsBy(airspeed(6.6), 'power.sense-scale')).toEqual([]);
    const [finding] = findingsBy(airspeed(6.7), 'power.sense-scale');
    expect(finding?.what).toMatch(/^ASPD1 airspeed outputs up to 6\.7 V and FC1 reads up to 6\.6 V\.$/);
    expect(finding?.where).toHaveLength(2);
  });
});
