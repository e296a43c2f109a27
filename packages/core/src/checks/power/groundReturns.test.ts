import { describe, expect, it } from '@jest/globals';
import { removed, withElement } from '../../test/checkCases/build.ts';
import { motorWired } from '../../test/checkCases/wiring.ts';
import { findingsBy, made } from '../../test/designs.ts';
import { findingsOf, remediesOf } from '../findingsOf.ts';

describe('the ground of a signal lead beside a thick one', () => {
  it('is a note on an aircraft that is wired as everybody does it, and a star ground takes it over', () => {
    const [note, ...others] = findingsBy(motorWired(), 'power.ground-return');
    expect([note?.severity, others]).toEqual(['note', []]);
    expect(note?.what).toMatch(/^If the ground wire of W02 opens, W04 contact 3 at ESC1 carries .*, rated 3\.00 A\.$/);
    const [remedy] = note === undefined ? [] : remediesOf(motorWired(), note);
    expect(remedy?.label).toBe('Add a star ground');
  });

  it('that carries the motor current now is one finding, a stop, with all that burns under it', () => {
    const open = removed(motorWired(), 'W02', 2);
    const [finding, ...others] = findingsOf(open).filter(({ cause }) => cause?.of.startsWith('cable ') === true);
    expect(others).toEqual([]);
    expect([finding?.check, finding?.severity]).toEqual(['power.ground-return', 'stop']);
    expect(new Set(finding?.follows.map(({ check }) => check))).toEqual(new Set(['power.over-current', 'power.wire-gauge']));
    const [remedy] = finding === undefined ? [] : remediesOf(open, finding);
    if (remedy === undefined) throw new Error('Nothing is offered.');
    expect(remedy.label).toBe('Add the ground wire');
    expect(findingsBy(made(open, remedy.edit), 'power.ground-return').map(({ severity }) => severity)).toEqual(['note']);
  });

  it.each([
    [2.5, []],
    [3.6, ['mend']],
    [6, ['stop']],
  ])('is judged by the rating of its contact while the motor takes %d A at full throttle', (fullA, severities) => {
    const open = withElement(removed(motorWired(), 'W02', 2), 'motor-28mm-9x6', 'motor', (element) => ({
      table: element.table.map((row) => ({ ...row, currentA: row.throttle * fullA })),
    }));
    const found = findingsBy(open, 'power.ground-return').filter(({ what }) => what.startsWith('Return current'));
    expect(found.map(({ severity }) => severity)).toEqual(severities);
  });
});
