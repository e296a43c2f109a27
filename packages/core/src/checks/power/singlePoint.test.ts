import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { regulators } from '../../parts/regulators.ts';
import { set } from '../../test/checkCases/build.ts';
import { flyingCarrier } from '../../test/checkCases/powerDesigns.ts';
import { CASES } from '../../test/checkCases/cases.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';

function asked(design: Design): Design {
  return made(design, { kind: 'set-survives-faults', survives: true, was: false });
}

function severities(design: Design): readonly string[] {
  return findingsBy(design, 'power.single-point').map(({ severity }) => severity);
}

function oneRegulator(): Design {
  const wrong = CASES['power.single-point']?.wrong();
  if (wrong === undefined) throw new Error('There is no such case.');
  return wrong;
}

/** The carrier on one of its two power inputs: its rail has 6 V, which it does not take. With a regulator for 5 V whose output nothing is on. */
function carrierOnOneInput(hasIdle: boolean): Design {
  const design = set(flyingCarrier(false), 'BEC1', 'volts', 6);
  if (!hasIdle) return design;
  const draft = new DraftEdits(design);
  const [part] = regulators.filter(({ id }) => id === 'regulator-buck-5v-3a');
  const added = part === undefined ? undefined : draft.add(part, 'spare');
  if (added === undefined || !draft.wire(draft.port(itemOf(design, 'PWR1').id, 'b3'), draft.port(added, 'in')))
    throw new Error('It does not fit.');
  return made(design, draft.edit('A spare regulator'));
}

describe('one fault that costs control', () => {
  it('is a note where everybody does it, and to be mended where the brief asks that it be survived', () => {
    expect(new Set(severities(oneRegulator()))).toEqual(new Set(['note']));
    expect(new Set(severities(asked(oneRegulator())))).toEqual(new Set(['mend']));
  });

  it('is told with what would carry on, either way', () => {
    const [finding] = findingsBy(oneRegulator(), 'power.single-point');
    if (finding === undefined) throw new Error('Nothing is said.');
    expect(remediesOf(oneRegulator(), finding).map(({ label }) => label)).toContain('Add a servo pack');
  });

  it('is to be mended where what is in the aircraft would carry on, wired otherwise', () => {
    const idle = carrierOnOneInput(true);
    const lost = findingsBy(idle, 'power.single-point').filter(({ severity }) => severity === 'mend');
    expect(new Set(lost.map(({ why }) => why))).toEqual(new Set(['The same parts survive it when they are wired differently.']));
    const [finding] = lost;
    const [remedy] = finding === undefined ? [] : remediesOf(idle, finding);
    expect(remedy?.label).toBe('Wire the second input');
    if (remedy === undefined) throw new Error('Nothing is offered.');
    expect(severities(made(idle, remedy.edit))).not.toContain('mend');
    expect(severities(carrierOnOneInput(false))).not.toContain('mend');
  });
});
