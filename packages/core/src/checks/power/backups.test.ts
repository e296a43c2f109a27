import { describe, expect, it } from '@jest/globals';
import type { Design } from '../../model/design.ts';
import { bench, set } from '../../test/checkCases/build.ts';
import { carrierOver, flyingCarrier } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { sampleParts } from '../../parts/catalogue.ts';

function said(design: Design, check: string): readonly string[] {
  return findingsBy(design, check).map(({ severity, what }) => `${severity}: ${what}`);
}

/** The carrier, whose servo rail of 5 V is its backup, with a conditioner that begins at so many volts. */
function conditioned(clampV: number): Design {
  const design = flyingCarrier(false);
  const draft = new DraftEdits(design);
  const part = sampleParts.find(({ id }) => id === 'conditioner-rail-5v6');
  const added = part === undefined ? undefined : draft.add(part, 'rail', { clamp: clampV });
  if (added === undefined || !draft.wire(draft.port(added, 'lead'), draft.port(itemOf(design, 'FC1').id, 'm6')))
    throw new Error('It does not fit.');
  return made(design, draft.edit('A conditioner'));
}

describe('an input that waits for another one to fail', () => {
  it('is told where the controller would refuse it', () => {
    expect(said(flyingCarrier(false), 'power.input-window')).toEqual([]);
    expect(said(set(flyingCarrier(false), 'BEC1', 'volts', 6), 'power.input-window')).toEqual([
      'mend: Input 3 of FC1 power-inputs is at 5.98 V; it accepts at most 5.70 V.',
    ]);
  });

  it('is told once where it is refused already', () => {
    expect(said(carrierOver(20_000), 'power.input-window')).toEqual([
      'stop: Input 1 of FC1 power-inputs gets 1.90 V; it accepts at least 4.10 V (cold).',
    ]);
  });
});

describe('the conditioner of a rail that is a backup', () => {
  it('counts where it begins between the rail and what the input accepts', () => {
    expect(said(conditioned(5.6), 'power.backup-unconditioned')).toEqual([]);
  });

  it('does not where it begins too late, or below the rail', () => {
    expect(said(conditioned(9.1), 'power.backup-unconditioned')).toEqual([
      'mend: The clamp on the servo rail starts at 9.10 V; FC1 accepts at most 5.70 V there.',
    ]);
    const tooLate = conditioned(9.1);
    const [late] = findingsBy(tooLate, 'power.backup-unconditioned');
    const [remedy] = late === undefined ? [] : remediesOf(tooLate, late);
    if (remedy === undefined) throw new Error('Nothing is offered.');
    expect(remedy.label).toMatch(/ to 5\.6 V$/);
    expect(said(made(tooLate, remedy.edit), 'power.backup-unconditioned')).toEqual([]);
    expect(said(set(conditioned(5.1), 'BEC1', 'volts', 5.2), 'power.backup-unconditioned')[0]).toMatch(
      /^mend: The clamp on the servo rail starts at 5\.10 V, below the 5\.\d\d V of the rail: it conducts all the time\.$/,
    );
  });
});

describe('a board at a desk', () => {
  it('lives on the USB of a computer, and what wants a pack is a note', () => {
    const desk = bench('controller-f4-wing', 'gnss-serial');
    desk.add('computer-bench', 'desk', {}, 'ground');
    desk.wire('PC1 usb1', 'FC1 usb', 'meaning', 500);
    expect(said(desk.design, 'power.no-supply')).toEqual([]);
    desk.wire('GNSS1 UART', 'FC1 S1', 'meaning', 100);
    expect(said(desk.design, 'power.no-supply')).toEqual(['note: On USB power alone GNSS1 stays unpowered.']);
  });
});
