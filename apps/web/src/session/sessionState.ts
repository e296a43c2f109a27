import { applyEdit, insist, titleOf, type Design, type Edit, type EditId, type PutBack } from '@wired-falcon/core';
import type { HistoryEntry } from '@wired-falcon/contract';
import type { SubmittedEdit, Transport } from './transport.ts';

/** An edit that could not be made on what others did meanwhile; the person says what becomes of it. */
export interface Conflict {
  readonly editId: EditId;
  /** What the edit is called. */
  readonly title: string;
  /** Why it was not made. */
  readonly sentence: string;
  /** The edit as it would be made on what stands there now; undefined when there is nothing left to make it on. */
  readonly again: Edit | undefined;
}

/** Something that the person should know. */
export interface SessionMessage {
  readonly id: number;
  readonly sentence: string;
}

export interface SessionState {
  /** The document with every pending edit made. */
  readonly design: Design;
  /** Rises with every change of `design`. */
  readonly seq: number;
  /** How the design came from the one before: by one edit, which a worker can follow, or otherwise. */
  readonly last: { readonly is: 'edit'; readonly edit: Edit; readonly undoes?: PutBack } | { readonly is: 'reset' };
  /** The newest version that the server has acknowledged. */
  readonly version: number;
  readonly pending: number;
  readonly saving: 'saved' | 'saving' | 'offline';
  readonly savedAt: string;
  readonly undo: readonly HistoryEntry[];
  readonly redo: readonly HistoryEntry[];
  readonly messages: readonly SessionMessage[];
  readonly conflicts: readonly Conflict[];
}

/** What the session is given, so that it depends on no clock, no randomness and no network of its own. */
export interface SessionTools {
  readonly transport: Transport;
  readonly author: string;
  readonly makeId: () => string;
  readonly now: () => string;
  /** Runs `task` after a while; gives what cancels it. */
  readonly later: (task: () => void, ms: number) => () => void;
  /** Where unsent edits outlive the window; a session without one forgets them with it. */
  readonly keep?: (kept: Kept) => void;
}

/** What of a session must not be lost with its window. */
export interface Kept {
  readonly version: number;
  readonly edits: readonly SubmittedEdit[];
  readonly asked: readonly SubmittedEdit[];
}

/** What a person is asked about an edit that cannot be made on the design as it is now. */
export function conflictFor(design: Design, { editId, edit }: SubmittedEdit): Conflict {
  const result = applyEdit(design, edit);
  return {
    editId,
    title: titleOf(design, edit),
    sentence: 'refused' in result ? result.refused.sentence : 'It can be made now.',
    again: 'refused' in result ? insist(design, edit) : edit,
  };
}
