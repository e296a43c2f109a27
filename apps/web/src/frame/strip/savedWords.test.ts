import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { SessionState } from '../../session/sessionState.ts';
import { savedWords } from './savedWords.ts';

type Saved = Parameters<typeof savedWords>[0];
const conflict: SessionState['conflicts'][number] = { editId: 'e' as never, title: '', sentence: '', again: undefined, text: '' };
const state: Saved = { saving: 'saved', savedAt: '2026-11-24T10:31:00', pending: 0, trouble: undefined, keeping: 'browser', conflicts: [] };

describe('the words of the strip', () => {
  it.each([
    [{}, 'saved 10:31'],
    [{ trouble: { is: 'away' } }, 'saved 10:31; the server does not answer; trying again'],
    [{ keeping: 'window', conflicts: [conflict] }, 'saved 10:31; 1 not made, in this window only'],
    [{ saving: 'saving', pending: 2 }, 'saving 2'],
    [{ saving: 'saving', pending: 2, keeping: 'window' }, 'saving 2; this browser stores nothing'],
    [{ saving: 'waiting', pending: 3, trouble: { is: 'away' } }, '3 kept in this browser: the server does not answer; trying again'],
    [{ saving: 'waiting', pending: 3, keeping: 'writing', trouble: { is: 'key' } }, '3 waiting: the workshop needs its access key'],
    [
      { saving: 'waiting', pending: 3, keeping: 'window', trouble: { is: 'held', sentence: 'x' } },
      '3 in this window only, leave it open: the server does not accept edits now',
    ],
  ] as [Partial<Saved>, string][])('%j: %s', (change, words) => {
    expect(savedWords({ ...state, ...change })).toBe(words);
  });

  it('never say "saved" of what is not, nor "kept in this browser" of what is not', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Saved['saving']>('saving', 'waiting'),
        fc.constantFrom<Saved['keeping']>('browser', 'writing', 'window'),
        fc.constantFrom<Saved['trouble']>(undefined, { is: 'away' }, { is: 'key' }, { is: 'held', sentence: 'x' }),
        fc.integer({ min: 1, max: 9 }),
        (saving, keeping, trouble, pending) => {
          const words = savedWords({ ...state, saving, keeping, trouble, pending });
          expect(words).not.toContain('saved');
          if (keeping !== 'browser') expect(words).not.toContain('kept in this browser');
          expect(words).toContain(String(pending));
        },
      ),
    );
  });
});
