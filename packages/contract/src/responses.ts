import type {
  Aircraft,
  AircraftId,
  Dialect,
  DialectKey,
  Edit,
  EditId,
  ItemId,
  Part,
  PartKey,
  PutBack,
  Refusal,
  Severity,
} from '@wired-falcon/core';

/** One aircraft in the hangar, with what its checks say at its present version. */
export interface HangarEntry {
  readonly id: AircraftId;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly checked: HangarChecks;
}

/** What the checks say of an aircraft, as the hangar shows it. */
export type HangarChecks =
  /** Nothing of this version yet. Asking again tells. */
  | { readonly is: 'checking' }
  | { readonly is: 'checked'; readonly items: number; readonly cables: number; readonly findings: Readonly<Record<Severity, number>> }
  /** It cannot be opened or checked: why, as a sentence. */
  | { readonly is: 'problem'; readonly sentence: string };

/** An edit that can be taken back, or an undo that can be taken back. */
export interface HistoryEntry {
  readonly editId: EditId;
  readonly title: string;
  readonly inverse: PutBack;
}

export interface AircraftResponse {
  /**
   * Names the line of documents that versions count in. A workshop that was put back from a backup has another one: what
   * was seen of it before need not be in it any more, though the numbers may be the same.
   */
  readonly epoch: string;
  readonly aircraft: Aircraft;
  readonly version: number;
  readonly updatedAt: string;
  /** The parts that the aircraft uses, and those that its history can put back. */
  readonly parts: readonly Part[];
  /** The dialect that it uses, and those that its history can put back. */
  readonly dialects: readonly Dialect[];
  /** What the asking author can undo and redo, newest last. */
  readonly history: { readonly undo: readonly HistoryEntry[]; readonly redo: readonly HistoryEntry[] };
}

/** One row of the journal. */
export interface JournalEntry {
  readonly version: number;
  readonly editId: EditId;
  readonly at: string;
  readonly by: string;
  readonly title: string;
  readonly edit: Edit;
  /** For an undo: what it put back. */
  readonly undoes?: PutBack;
}

export type EditOutcome =
  | { readonly is: 'accepted'; readonly editId: EditId; readonly version: number; readonly title: string }
  | { readonly is: 'refused'; readonly editId: EditId; readonly refusal: Refusal }
  /** An earlier edit of the same request was refused, so that this one was left alone. */
  | { readonly is: 'not-tried'; readonly editId: EditId };

/**
 * What the sender has is no earlier state of the document that is here (the workshop was put back from a backup), or the way
 * from there to here cannot be told in edits. The sender loads the document anew.
 */
export interface OtherDocument {
  readonly is: 'other-document';
  readonly epoch: string;
}

/**
 * Answer to edits. Done: nothing lies between what the sender has seen, its own edits apart, and `version`. Stale: nothing was
 * done; `since` holds what the sender has not seen, with its own edits that had arrived before.
 */
export type EditsResponse =
  | { readonly is: 'done'; readonly version: number; readonly outcomes: readonly EditOutcome[] }
  | { readonly is: 'stale'; readonly version: number; readonly since: readonly JournalEntry[] }
  | OtherDocument;

export type EditsSinceResponse =
  { readonly is: 'since'; readonly version: number; readonly edits: readonly JournalEntry[] } | OtherDocument;

/** Which of some edits are in the journal, and as which versions. */
export interface ArrivedResponse {
  readonly arrived: readonly { readonly editId: EditId; readonly version: number }[];
}

/** The document as it was at an earlier version, brought to the present shape. Numbers given out since count as given out. */
export interface PositionResponse {
  readonly version: number;
  readonly aircraft: Aircraft;
  /** The revisions that the document used then, which the present one may no longer use. */
  readonly parts: readonly Part[];
  readonly dialects: readonly Dialect[];
}

/** One revision of a part that the workshop made itself. Revisions are never changed. */
export interface PartRevision {
  readonly part: Part;
  readonly key: PartKey;
  /** From 1, in the order in which they were saved. */
  readonly revision: number;
  readonly at: string;
  readonly by: string;
}

/** One revision of a dialect of the workshop's own, likewise. */
export interface DialectRevision {
  readonly dialect: Dialect;
  readonly key: DialectKey;
  readonly revision: number;
  readonly at: string;
  readonly by: string;
}

export interface CreatedResponse {
  readonly id: AircraftId;
  readonly name: string;
}

export const ERROR_CODES = [
  'bad-request',
  /** Of some edits, one or more do not have their form; which, the details say. */
  'bad-edit',
  /** The edits were made by a newer version of the product than this server is. */
  'older-server',
  'too-many-tries',
  'not-found',
  'too-large',
  'wrong-host',
  'wrong-origin',
  'no-access',
  'cannot-import',
  'cannot-open',
  'changed-since',
  'server-error',
] as const;

/** The one shape of every error. */
export interface ErrorResponse {
  readonly code: (typeof ERROR_CODES)[number];
  /** A sentence that says what is wrong and what to do. */
  readonly message: string;
  readonly details: readonly string[];
}

/** A dump of a controller that is kept, without its text. */
export interface DumpEntry {
  readonly id: string;
  readonly controller: ItemId;
  readonly at: string;
  readonly by: string;
  readonly note: string;
  readonly lines: number;
  /** Another aircraft of the workshop whose dump has the same calibration. */
  readonly copiedFrom?: { readonly aircraft: string; readonly lines: number };
}

/** A dump with its text, as it was read. */
export interface DumpResponse extends DumpEntry {
  readonly text: string;
}
