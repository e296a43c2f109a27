import { useState } from 'react';
import { dialectKeyOf, DialectSchema, draftOf, hasShape, type Dialect, type DialectDraft } from '@wired-falcon/core';
import { forgetText, rememberedText, rememberText } from '../../ui/rememberedText.ts';

/** What a change was made in: typing on in the same place is one change. */
type ChangedIn = 'lines' | 'tests' | 'tables' | `code ${string}` | 'lesson' | 'discard';

interface History {
  readonly past: readonly DialectDraft[];
  readonly draft: DialectDraft;
  readonly future: readonly DialectDraft[];
  readonly last: ChangedIn | undefined;
}

export interface EditedDraft {
  readonly draft: DialectDraft;
  readonly change: (changedIn: ChangedIn, draft: DialectDraft) => void;
  /** Back to the dialect as it is saved; this too can be undone. */
  readonly discard: () => void;
  /** As it is saved from now on, with nothing to undo. */
  readonly forget: () => void;
  /** Undefined where there is nothing to undo, or to do again. */
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
}

const MOST_PAST = 200;

/** A draft of a dialect, remembered by this browser until it is saved or discarded: a colleague may change the dialect of the aircraft meanwhile. */
export function useDialectDraft(dialect: Dialect): EditedDraft {
  const key = `wired-falcon-dialect-draft-${dialectKeyOf(dialect)}`;
  const [{ past, draft, future, last }, setHistory] = useState<History>(() => ({
    past: [],
    draft: rememberedDraft(rememberedText(key)) ?? draftOf(dialect),
    future: [],
    last: undefined,
  }));
  const go = (history: History): void => {
    rememberText(key, JSON.stringify(history.draft));
    setHistory(history);
  };
  const change = (changedIn: ChangedIn, next: DialectDraft): void =>
    go({ past: changedIn === last ? past : [...past, draft].slice(-MOST_PAST), draft: next, future: [], last: changedIn });
  const [before, after] = [past.at(-1), future[0]];
  return {
    draft,
    change,
    discard: () => {
      change('discard', draftOf(dialect));
      forgetText(key);
    },
    forget: () => {
      forgetText(key);
      setHistory({ past: [], draft: draftOf(dialect), future: [], last: undefined });
    },
    undo:
      before === undefined ? undefined : () => go({ past: past.slice(0, -1), draft: before, future: [draft, ...future], last: undefined }),
    redo: after === undefined ? undefined : () => go({ past: [...past, draft], draft: after, future: future.slice(1), last: undefined }),
  };
}

/** What was remembered, where it still has its shape. */
function rememberedDraft(text: string | undefined): DialectDraft | undefined {
  if (text === undefined) return undefined;
  try {
    const value: unknown = JSON.parse(text);
    if (
      typeof value !== 'object' ||
      value === null ||
      !('dialect' in value) ||
      !('sheet' in value) ||
      !('tests' in value) ||
      !('tables' in value)
    )
      return undefined;
    const { dialect, sheet, tests, tables } = value;
    return typeof sheet === 'string' && typeof tests === 'string' && typeof tables === 'string' && hasShape(DialectSchema, dialect)
      ? { dialect, sheet, tests, tables }
      : undefined;
  } catch {
    return undefined;
  }
}
