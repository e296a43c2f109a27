import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import { contactAmps } from '../../model/connector.ts';
import { motorised } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy } from '../../test/designs.ts';
import { withPlainSpaces } from '../../text/numbers.ts';
import { SCENARIOS } from '../../power/scenarios/scenario.ts';
import { wireLoads } from '../../power/report/wireLoads.ts';
import { situationWords, workingSituations } from './helpers/situations.ts';

describe('ratings for a short time', () => {
  it('a contact carries half as much again for a launch, and no more for a climb', () => {
    expect([contactAmps('XT60', 10), contactAmps('XT60', 10.1), contactAmps('XT60', Infinity)]).toEqual([90, 60, 60]);
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
