import type { Design, Edit, PutBack } from '@wired-falcon/core';
import type { AircraftResponse, HistoryEntry } from '@wired-falcon/contract';
import type { Conflict, SetAside } from './setAside.ts';
import type { SubmittedEdit, Transport } from './transport.ts';

/** Something that the person should know. */
export interface SessionMessage {
  readonly id: number;
  readonly sentence: string;
  /** What can be done about it, under a name. */
  readonly offer?: { readonly title: string; readonly edit: Edit };
}

/** What stands between the edits that wait and the server; undefined while nothing does. */
export type Trouble =
  /** Nobody answers, or something else than this product does. Tried again by itself. */
  | { readonly is: 'away' }
  /** The workshop asks for its key. */
  | { readonly is: 'key' }
  /** The server does not take edits of this aircraft, for the reason that it gives. Tried again now and then. */
  | { readonly is: 'held'; readonly sentence: string };

/** Where the edits that wait would be found again if the window were gone: in the browser, on their way there, or nowhere. */
export type Keeping = 'browser' | 'writing' | 'window';

export interface SessionState {
  /** The document with every pending edit made. */
  readonly design: Design;
  /** Rises with every change of `design`. */
  readonly seq: number;
  /** How the design came from the one before: by one edit, which a worker can follow, or otherwise. */
  readonly last: { readonly is: 'edit'; readonly edit: Edit; readonly undoes?: PutBack } | { readonly is: 'reset' };
  /** The newest version that the server has acknowledged, in the epoch of the workshop that it counts in. */
  readonly version: number;
  readonly epoch: string;
  readonly pending: number;
  /** Saved: the server has acknowledged every edit of this window that was not set aside. */
  readonly saving: 'saved' | 'saving' | 'waiting';
  readonly trouble: Trouble | undefined;
  readonly keeping: Keeping;
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
  /** Where unsent edits outlive the window; rejects when they do not. A session without one forgets them with it. */
  readonly keep?: (kept: Kept) => Promise<void>;
}

/** What of a session must not be lost with its window. */
export interface Kept {
  readonly epoch: string;
  readonly version: number;
  readonly edits: readonly SubmittedEdit[];
  readonly aside: readonly SetAside[];
}

/** A document to begin with: as the server gave it, or as this browser kept it. */
export interface Opened {
  readonly loaded: AircraftResponse;
  readonly from: 'server' | 'browser';
}
