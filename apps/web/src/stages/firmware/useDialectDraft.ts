import { useState } from 'react';
import { dialectKeyOf, DialectSchema, draftOf, hasShape, type Dialect, type DialectDraft } from '@wired-falcon/core';
import { forgetText, rememberedText, rememberText } from '../../ui/rememberedText.ts';

/** A draft of a dialect, remembered by this browser until it is saved or discarded: a colleague may change the dialect of the aircraft meanwhile. */
export function useDialectDraft(dialect: Dialect): {
  readonly draft: DialectDraft;
  readonly setDraft: (draft: DialectDraft) => void;
  readonly discard: () => void;
} {
  const key = `wired-falcon-dialect-draft-${dialectKeyOf(dialect)}`;
  const [draft, setDraft] = useState<DialectDraft>(() => rememberedDraft(rememberedText(key)) ?? draftOf(dialect));
  return {
    draft,
    setDraft: (next) => {
      rememberText(key, JSON.stringify(next));
      setDraft(next);
    },
    discard: () => {
      forgetText(key);
      setDraft(draftOf(dialect));
    },
  };
}

/** What was remembered, where it still has its shape. */
function rememberedDraft(text: string | undefined): DialectDraft | undefined {
  if (text === undefined) return undefined;
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value !== 'object' || value === null || !('dialect' in value) || !('sheet' in value) || !('tests' in value))
      return undefined;
    const { dialect, sheet, tests } = value;
    return typeof sheet === 'string' && typeof tests === 'string' && hasShape(DialectSchema, dialect)
      ? { dialect, sheet, tests }
      : undefined;
  } catch {
    return undefined;
  }
}
