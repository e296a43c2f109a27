import { afterRow, applyEdit, emptyStacks, type Design, type Edit, type EditId, type PutBack, type UndoStacks } from '@wired-falcon/core';
import type { AircraftResponse, HistoryEntry } from '@wired-falcon/contract';
import type { SubmittedEdit } from './transport.ts';

/** What a person can take back and bring back: what the journal holds of theirs, then what still waits. */
export class History {
  #entries = new Map<EditId, HistoryEntry>();
  #confirmed: UndoStacks = emptyStacks;
  #stacks: UndoStacks = emptyStacks;

  /** Begins anew with what the server says. */
  load({ undo, redo }: AircraftResponse['history']): void {
    this.#entries = new Map([...undo, ...redo].map((entry) => [entry.editId, entry]));
    this.#confirmed = { undo: undo.map(({ editId }) => editId), redo: redo.map(({ editId }) => editId) };
    this.#stacks = this.#confirmed;
  }

  /** An edit of this person is in the journal. */
  confirm(edit: Edit, entry: HistoryEntry): void {
    this.#entries.set(entry.editId, entry);
    this.#confirmed = afterRow(this.#confirmed, markOf(entry.editId, edit));
  }

  /** These edits wait, in this order; what waited before and does not any more is forgotten. */
  wait(pending: readonly SubmittedEdit[], entries: readonly HistoryEntry[]): void {
    for (const entry of entries) this.#entries.set(entry.editId, entry);
    this.#stacks = pending.reduce((stacks, { editId, edit }) => afterRow(stacks, markOf(editId, edit)), this.#confirmed);
  }

  inverseOf(of: EditId): PutBack | undefined {
    return this.#entries.get(of)?.inverse;
  }

  /** What undo takes back, newest last. */
  get undo(): readonly HistoryEntry[] {
    return this.#entriesOf(this.#stacks.undo);
  }

  /** What redo brings back, newest last. */
  get redo(): readonly HistoryEntry[] {
    return this.#entriesOf(this.#stacks.redo);
  }

  /** The part that the journal holds. */
  get confirmed(): AircraftResponse['history'] {
    return { undo: this.#entriesOf(this.#confirmed.undo), redo: this.#entriesOf(this.#confirmed.redo) };
  }

  #entriesOf(ids: readonly EditId[]): readonly HistoryEntry[] {
    return ids.map((id) => this.#entries.get(id)).filter((entry) => entry !== undefined);
  }
}

function markOf(editId: EditId, edit: Edit) {
  return edit.kind === 'undo' ? { editId, undoOf: edit.of } : { editId };
}

/** The newest entry that can be taken back on the design as it is now, the very newest left out. */
export function newestPossible(design: Design, stack: readonly HistoryEntry[]): HistoryEntry | undefined {
  return stack.slice(0, -1).findLast(({ editId, inverse }) => 'design' in applyEdit(design, { kind: 'undo', of: editId }, () => inverse));
}
