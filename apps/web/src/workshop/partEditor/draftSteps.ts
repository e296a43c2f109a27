import type { Json } from '@wired-falcon/core';

/** A draft with its steps back and forth. */
export interface DraftSteps {
  readonly now: Json;
  readonly past: readonly Json[];
  readonly future: readonly Json[];
  /** Where the last change was made: what is typed on in one field is one step back. */
  readonly place: string;
}

/** How the steps of a draft go: each gives the steps after it, and the same steps where there is nothing to do. */
export const draftSteps = {
  start: (draft: Json): DraftSteps => ({ now: draft, past: [], future: [], place: '' }),

  /** A change at a place; at no place ('') it is a step of its own. */
  change: (was: DraftSteps, now: Json, place: string): DraftSteps => ({
    now,
    past: place !== '' && place === was.place ? was.past : [...was.past, was.now],
    future: [],
    place,
  }),

  undo: (was: DraftSteps): DraftSteps => {
    const before = was.past.at(-1);
    return before === undefined ? was : { now: before, past: was.past.slice(0, -1), future: [was.now, ...was.future], place: '' };
  },

  redo: (was: DraftSteps): DraftSteps => {
    const [after, ...rest] = was.future;
    return after === undefined ? was : { now: after, past: [...was.past, was.now], future: rest, place: '' };
  },
} as const;
