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

/** The stacks after one more row of the same author. A new edit clears redo. */
export function afterRow(stacks: UndoStacks, row: JournalMark): UndoStacks {
  if (row.undoOf === undefined) return { undo: [...stacks.undo, row.editId], redo: [] };
  if (stacks.undo.at(-1) === row.undoOf) return { undo: stacks.undo.slice(0, -1), redo: [...stacks.redo, row.editId] };
  if (stacks.redo.at(-1) === row.undoOf) return { undo: [...stacks.undo, row.editId], redo: stacks.redo.slice(0, -1) };
  return stacks;
}

/** The stacks of one author, from that author's rows in the order of the journal. */
export function undoStacksOf(rows: readonly JournalMark[]): UndoStacks {
  return rows.reduce(afterRow, emptyStacks);
}
