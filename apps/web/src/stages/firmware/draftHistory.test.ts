import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { draftOf, sampleDialects, type DialectDraft } from '@wired-falcon/core';
import { begun, changed, MOST_PAST, redone, undone, type ChangedIn, type DraftHistory } from './draftHistory.ts';

const base = draftOf(sampleDialects[0]);
const typed = (sheet: string): DialectDraft => ({ ...base, sheet });

/** A history as often taken back, or made again, as it goes. */
function asFarAsItGoes(history: DraftHistory, step: (history: DraftHistory) => DraftHistory | undefined): DraftHistory {
  let now = history;
  for (let next = step(now); next !== undefined; next = step(now)) now = next;
  return now;
}

const changes = fc.array(fc.tuple(fc.constantFrom<ChangedIn[]>('lines', 'tests', 'tables', 'code roles sbus', 'discard'), fc.string()), {
  maxLength: 30,
});

describe('the history of a draft', () => {
  it('taken back as far as it goes is the beginning, and made again the end', () => {
    fc.assert(
      fc.property(changes, (made) => {
        const end = made.reduce((history, [place, text]) => changed(history, place, typed(text)), begun(base));
        expect(asFarAsItGoes(end, undone).draft).toEqual(base);
        expect(asFarAsItGoes(asFarAsItGoes(end, undone), redone).draft).toEqual(end.draft);
      }),
    );
  });

  it('counts typing on in one place as one change, until it was taken back', () => {
    const twice = changed(changed(begun(base), 'lines', typed('a')), 'lines', typed('ab'));
    expect(undone(twice)?.draft).toBe(base);
    const back = undone(changed(twice, 'tests', typed('abc'))) ?? begun(base);
    expect(undone(changed(back, 'lines', typed('abd')))?.draft).toEqual(typed('ab'));
  });

  it('forgets what was taken back with the next change, and the oldest of very many', () => {
    const back = undone(changed(begun(base), 'lines', typed('a'))) ?? begun(base);
    expect(redone(back)?.draft).toEqual(typed('a'));
    expect(redone(changed(back, 'tests', typed('b')))).toBeUndefined();
    let long = begun(base);
    for (let n = 0; n < MOST_PAST + 50; n += 1) long = changed(long, n % 2 === 0 ? 'lines' : 'tests', typed(String(n)));
    expect(long.past).toHaveLength(MOST_PAST);
  });
});
