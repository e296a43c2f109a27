import { applyEdit, type Design, type Edit, type PutBack } from '@wired-falcon/core';
import type { JournalEntry } from '@wired-falcon/contract';
import { unknownUndo } from './rebuild.ts';

/** A document after rows of the journal, and what takes each of them back. */
interface FollowedEntries {
  readonly design: Design;
  readonly made: readonly { readonly entry: JournalEntry; readonly inverse: PutBack }[];
}

/**
 * Makes the rows that come right after a version of a document.
 * @param undoesOf what an undo takes back, where the row does not say it
 * @returns undefined where they cannot be followed: one leaves a gap, or is refused here, for example since its part is not known
 */
export function followEntries(
  confirmed: Design,
  version: number,
  entries: readonly JournalEntry[],
  undoesOf: (edit: Edit) => PutBack | undefined,
): FollowedEntries | undefined {
  let design = confirmed;
  const made: { readonly entry: JournalEntry; readonly inverse: PutBack }[] = [];
  for (const [i, entry] of entries.entries()) {
    const result = applyEdit(design, entry.edit, () => entry.undoes ?? undoesOf(entry.edit) ?? { refused: unknownUndo });
    if ('refused' in result || entry.version !== version + i + 1) return undefined;
    design = result.design;
    made.push({ entry, inverse: result.inverse });
  }
  return { design, made };
}
