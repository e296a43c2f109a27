import { applyEdit, rebaseEdit, type Design, type EditId, type PutBack, type Refusal, type Renaming } from '@wired-falcon/core';
import type { HistoryEntry } from '@wired-falcon/contract';
import type { SetAside } from './setAside.ts';
import type { SubmittedEdit } from './transport.ts';

/** What becomes of the edits that wait when the document below them changed. */
export interface Rebuilt {
  /** The document with every edit that could be made. */
  readonly design: Design;
  /** Those edits, as they were made. */
  readonly pending: readonly SubmittedEdit[];
  /** What takes each of them back. */
  readonly entries: readonly HistoryEntry[];
  /** Those that could not be made, after those that could not be made before. */
  readonly aside: readonly SetAside[];
  /** What the person is told. */
  readonly sentences: readonly string[];
}

/** What takes an edit back, of those that are in the journal. */
export type InverseOf = (of: EditId) => PutBack | undefined;

/**
 * Makes the edits that wait again, in order, on a newer document.
 *
 * 1. A name that others took becomes the next free one, in all edits that follow.
 * 2. An undo of an edit that could not be made has nothing to take back: both go, and a redo brings the edit back as one that
 *    could not be made.
 * 3. What cannot be made is set aside for the person. An undo that cannot be made is told: there is nothing of the person's
 *    own in it.
 *
 * @param before what was set aside before
 */
export function rebuild(confirmed: Design, waiting: readonly SubmittedEdit[], before: readonly SetAside[], inverseOf: InverseOf): Rebuilt {
  let design = confirmed;
  const pending: SubmittedEdit[] = [];
  const entries = new Map<EditId, HistoryEntry>();
  const aside = new Map(before.map((one) => [one.submitted.editId, one] as const));
  /** Edits that were set aside and then undone, by their undo. */
  const undone = new Map<EditId, SetAside>();
  const renamed: Renaming[] = [];
  const sentences: string[] = [];
  for (const submitted of waiting) {
    const { editId } = submitted;
    if (submitted.edit.kind === 'undo') {
      const { of } = submitted.edit;
      if (moved(aside, of, undone, editId) || moved(undone, of, aside, editId)) continue;
    }
    const rebased = rebaseEdit(design, submitted.edit, renamed);
    const { edit } = rebased;
    const result = applyEdit(design, edit, (of) => entries.get(of)?.inverse ?? inverseOf(of) ?? { refused: unknownUndo });
    if ('refused' in result) {
      if (edit.kind === 'undo') sentences.push(result.refused.sentence);
      else aside.set(editId, { submitted: { ...submitted, edit } });
      continue;
    }
    design = result.design;
    pending.push({ ...submitted, edit });
    entries.set(editId, { editId, title: result.title, inverse: result.inverse });
    renamed.push(...rebased.renamed);
    for (const { from, to } of rebased.renamed) sentences.push(`${from} was used by someone else meanwhile; yours is now ${to}.`);
  }
  return { design, pending, entries: [...entries.values()], aside: [...aside.values()], sentences };
}

function moved(from: Map<EditId, SetAside>, key: EditId, to: Map<EditId, SetAside>, as: EditId): boolean {
  const found = from.get(key);
  if (found === undefined) return false;
  from.delete(key);
  to.set(as, found);
  return true;
}

export const unknownUndo: Refusal = {
  code: 'unknown-edit',
  sentence: 'Cannot undo: the edit is not known here. Reload the page and try again.',
  about: [],
};
