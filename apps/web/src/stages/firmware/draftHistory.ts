import type { DialectDraft } from '@wired-falcon/core';

/** What a change of a draft was made in: typing on in the same place is one change. */
export type ChangedIn = 'lines' | 'tests' | 'tables' | `code ${string}` | 'lesson' | 'discard';

/** A draft with what it was before, and what was taken back of it. */
export interface DraftHistory {
  readonly past: readonly DialectDraft[];
  readonly draft: DialectDraft;
  readonly future: readonly DialectDraft[];
  readonly last: ChangedIn | undefined;
}

/** So many steps can be taken back. */
export const MOST_PAST = 200;

/** A draft that nothing was done to. */
export function begun(draft: DialectDraft): DraftHistory {
  return { past: [], draft, future: [], last: undefined };
}

/** The history after a change: what was taken back before it is gone. */
export function changed({ past, draft, last }: DraftHistory, changedIn: ChangedIn, next: DialectDraft): DraftHistory {
  const isGoingOn = changedIn === last;
  return { past: isGoingOn ? past : [...past, draft].slice(-MOST_PAST), draft: next, future: [], last: changedIn };
}

/** One change back; undefined where there is none. */
export function undone({ past, draft, future }: DraftHistory): DraftHistory | undefined {
  const before = past.at(-1);
  return before === undefined ? undefined : { past: past.slice(0, -1), draft: before, future: [draft, ...future], last: undefined };
}

/** The change that was taken back last, made again; undefined where there is none. */
export function redone({ past, draft, future: [after, ...future] }: DraftHistory): DraftHistory | undefined {
  return after === undefined ? undefined : { past: [...past, draft], draft: after, future, last: undefined };
}
