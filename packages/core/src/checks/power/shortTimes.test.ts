import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import type { Design } from '../../model/design.ts';
import { contactAmps } from '../../model/connector.ts';
import { motorised } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy } from '../../test/designs.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { SCENARIOS } from '../../power/scenarios/scenario.ts';
import { wireLoads } from '../../power/report/wireLoads.ts';
import { overloads } from './helpers/overloads.ts';
import { situationWords, workingSituations } from './helpers/situations.ts';

describe('ratings for a short time', () => {
  it('a contact carries half as much again for a launch, and no more for a climb', () => {
    expect([contactAmps('XT60', 10), contactAmps('XT60', 10.1), contactAmps('XT60', Infinity)]).toEqual([90, 60, 60]);
  });

  it('the same current is too much for a minute, and not for ten seconds', () => {
    const on = (motor: string) => motorised('motor-controller-80a-opto', motor, 10, 80, 'battery-li-ion-6s-14000').design;
    const [fits, tooMuch] = [on('motor-28mm-9x6'), on('motor-50mm-18x10')];
    const amps = (design: Design, id: string): number => {
      const found = workingSituations(graphOf(design)).find(({ scenario }) => scenario.id === id);
      return Math.max(...(found?.before.amps ?? []));
    };
    const contacts = (design: Design) =>
      overloads(graphOf(design)).flatMap(({ name, share, result }) =>
        share > 1 && name.includes('contact') ? [`${name} ${result.scenario.id}`] : [],
      );
    // Over the 60 A of an XT60 in the launch, and under it in the climb.
    expect([amps(fits, 'launch') > 60, amps(fits, 'climb') < 60]).toEqual([true, true]);
    expect(contacts(fits)).toEqual([]);
    expect(amps(tooMuch, 'climb')).toBeGreaterThan(60);
    expect(contacts(tooMuch)).toEqual(['W01 contact 1 at BAT1 climb', 'W01 contact 2 at BAT1 climb']);
    // Its ground is the return of its own supply, and no other's.
    expect(findingsBy(tooMuch, 'power.ground-return').filter(({ severity }) => severity !== 'note')).toEqual([]);
    // The pack is rated for 56 A: told for the climb, though it gives more in the launch.
    expect(findingsBy(fits, 'power.battery').map(({ what }) => what)).toEqual([
      'BAT1 delivers 59.84 A, rated 56.00 A (climb, full throttle for 60 s).',
    ]);
  });

  it('what is said names throttle and time', () => {
    const words = Object.fromEntries(SCENARIOS.map((scenario) => [scenario.id, withPlainSpaces(situationWords(scenario))]));
    expect(words).toMatchObject({
      launch: 'launch, full throttle for 10 s',
      climb: 'climb, full throttle for 60 s',
      transition: 'transition, full throttle for 10 s',
      cruise: 'cruise',
      hover: 'hover, for 60 s',
      glide: 'glide',
    });
    const said = findingsBy(motorised('motor-controller-60a-5v5a', 'motor-28mm-9x6', 24).design, 'power.wire-gauge').map(
      ({ what }) => what,
    );
    expect(said.join(' ')).toMatch(/\(climb, full throttle for 60 s\)/);
  });

  it('a length that nobody has said is called assumed', () => {
    const { design } = motorised('motor-controller-60a-5v5a', 'motor-28mm-9x6', 24);
    const cables = Object.fromEntries(
      Object.entries(design.aircraft.cables).map(([id, cable]) => [
        id,
        { ...cable, legs: Object.fromEntries(Object.entries(cable.legs).map(([leg, { typedLengthMm: _typed, ...rest }]) => [leg, rest])) },
      ]),
    );
    const unsaid = { ...design, aircraft: { ...design.aircraft, cables } };
    const loads = (one: typeof design): readonly boolean[] => {
      const graph = graphOf(one);
      return [...new Set(wireLoads(graph, workingSituations(graph)).map(({ isAssumed }) => isAssumed))];
    };
    expect([loads(design), loads(unsaid)]).toEqual([[false], [true]]);
    const labels = findingsBy(unsaid, 'power.wire-gauge').flatMap(({ evidence }) => evidence.map(({ label }) => label));
    expect(labels.filter((label) => label.startsWith('lost on')).every((label) => label.endsWith('(assumed)'))).toBe(true);
  });
});
