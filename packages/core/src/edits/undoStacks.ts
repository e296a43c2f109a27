import type { EditId } from '../model/ids.ts';

/** What undo needs to know of a journal row. */
export interface JournalMark {
  readonly editId: EditId;
  /** The row that this one undid; absent for every other edit. */
  readonly undoOf?: EditId | undefined;
}

export interface UndoStacks {
  /** Rows that undo takes back, newest last. A redone edit stands here under the id of its redo. */
  readonly undo: readonly EditId[];
  /** Undo rows that redo takes back, newest last. */
  readonly redo: readonly EditId[];
}

export const emptyStacks: UndoStacks = { undo: [], redo: [] };

/**
 * The stacks after one more row of the same author. A new edit clears redo. An undo need not be of the newest edit: where
 * others came in its way, an older one may be taken back.
 */
export function afterRow(stacks: UndoStacks, { editId, undoOf }: JournalMark): UndoStacks {
  if (undoOf === undefined) return { undo: [...stacks.undo, editId], redo: [] };
  if (stacks.undo.includes(undoOf)) return { undo: without(stacks.undo, undoOf), redo: [...stacks.redo, editId] };
  if (stacks.redo.includes(undoOf)) return { undo: [...stacks.undo, editId], redo: without(stacks.redo, undoOf) };
  return stacks;
}

function without(ids: readonly EditId[], id: EditId): readonly EditId[] {
  return ids.filter((other) => other !== id);
}

/** The stacks of one author, from that author's rows in the order of the journal. */
export function undoStacksOf(rows: readonly JournalMark[]): UndoStacks {
  return rows.reduce(afterRow, emptyStacks);
}
