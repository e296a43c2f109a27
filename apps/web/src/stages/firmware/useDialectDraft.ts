import { useState } from 'react';
import { dialectKeyOf, DialectSchema, draftOf, hasShape, type Dialect, type DialectDraft } from '@wired-falcon/core';
import { forgetText, rememberedText, rememberText } from '../../ui/rememberedText.ts';
import { begun, changed, redone, undone, type ChangedIn, type DraftHistory } from './draftHistory.ts';

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

/** A draft of a dialect, remembered by this browser until it is saved or discarded: a colleague may change the dialect of the aircraft meanwhile. */
export function useDialectDraft(dialect: Dialect): EditedDraft {
  const key = `wired-falcon-dialect-draft-${dialectKeyOf(dialect)}`;
  const [history, setHistory] = useState<DraftHistory>(() => begun(rememberedDraft(rememberedText(key)) ?? draftOf(dialect)));
  const go = (next: DraftHistory): void => {
    rememberText(key, JSON.stringify(next.draft));
    setHistory(next);
  };
  const [before, after] = [undone(history), redone(history)];
  return {
    draft: history.draft,
    change: (changedIn, draft) => go(changed(history, changedIn, draft)),
    discard: () => {
      forgetText(key);
      setHistory(changed(history, 'discard', draftOf(dialect)));
    },
    forget: () => {
      forgetText(key);
      setHistory(begun(draftOf(dialect)));
    },
    undo: before === undefined ? undefined : () => go(before),
    redo: after === undefined ? undefined : () => go(after),
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
