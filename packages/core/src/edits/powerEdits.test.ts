import { describe, expect, it } from '@jest/globals';
import type { Design } from '../model/design.ts';
import { LIMITS } from '../model/limits.ts';
import type { OwnSituation } from '../model/powerPlan.ts';
import { scenariosOf } from '../power/scenarios/scenario.ts';
import { demoDesign, made } from '../test/designs.ts';
import { applyEdit } from './applyEdit.ts';
import { insist } from './insist.ts';
import type { SimpleEdit } from './registry.ts';

const tow: OwnSituation = {
  title: 'Tow',
  charge: 0.8,
  durationS: null,
  cruiseThrottle: 1,
  liftThrottle: 0,
  servos: 0.3,
  transmitters: 'typical',
  others: 'typical',
  internalFactor: 1,
};
const add: SimpleEdit = { kind: 'set-own-situation', id: 'own-1', situation: tow, was: null };

function refusal(design: Design, edit: SimpleEdit): string {
  const result = applyEdit(design, edit);
  return 'refused' in result ? result.refused.sentence : 'accepted';
}

describe('what a person says about power', () => {
  it('a situation of their own stands beside the others, and is the same object until it changes', () => {
    const { aircraft } = made(demoDesign(), add);
    expect(scenariosOf(aircraft).at(-1)).toMatchObject({ id: 'own-1', title: 'Tow', durationS: Infinity });
    expect(scenariosOf(aircraft)).toBe(
      scenariosOf(made({ ...demoDesign(), aircraft }, { kind: 'set-aircraft-name', name: 'Other', was: aircraft.name }).aircraft),
    );
    const { aircraft: without } = made(made(demoDesign(), add), { ...add, situation: null, was: tow });
    expect(without).toEqual(demoDesign().aircraft);
  });

  it('a situation that the mission needs stays, and there are only so many', () => {
    const flown = made(made(demoDesign(), add), { kind: 'set-mission', mission: [{ situation: 'own-1', minutes: 3 }], was: [] });
    expect(refusal(flown, { ...add, situation: null, was: tow })).toContain('Remove the leg first');
    let full = demoDesign();
    for (let n = 0; n < LIMITS.ownSituations; n++) full = made(full, { ...add, id: `own-${n}` });
    expect(refusal(full, { ...add, id: 'own-z' })).toContain(`at most ${LIMITS.ownSituations}`);
  });

  it('figures keep their limits, and go back to the usual', () => {
    const edit: SimpleEdit = { kind: 'set-power-figure', figure: 'usbA', value: 1.5, was: null };
    const after = made(demoDesign(), edit);
    expect(scenariosOf(after.aircraft).find(({ id }) => id === 'usb-only')?.usbA).toBe(1.5);
    expect(refusal(demoDesign(), { ...edit, value: 50 })).toBe('"USB port current" must be from 0.1 to 5.');
    expect(made(after, { ...edit, value: null, was: 1.5 }).aircraft.power).toBeUndefined();
  });

  it('changes that crossed are told, and can be insisted on', () => {
    const other = made(demoDesign(), { kind: 'set-power-figure', figure: 'usableShare', value: 0.7, was: null });
    const late: SimpleEdit = { kind: 'set-power-figure', figure: 'usableShare', value: 0.9, was: null };
    expect(refusal(other, late)).toContain('was changed meanwhile');
    expect(insist(other, late)).toEqual({ ...late, was: 0.7 });
    const flown = made(other, { kind: 'set-mission', mission: [{ situation: 'cruise', minutes: 3 }], was: [] });
    expect(refusal(flown, { kind: 'set-mission', mission: [], was: [] })).toContain('was changed meanwhile');
    expect(insist(flown, { kind: 'set-mission', mission: [], was: [] })).toMatchObject({ was: [{ situation: 'cruise', minutes: 3 }] });
    expect(insist(made(flown, add), { ...add, situation: { ...tow, charge: 0.5 } })).toMatchObject({ was: tow });
  });
});
