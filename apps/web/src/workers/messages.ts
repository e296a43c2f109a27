import type { Aircraft, Edit, PutBack, Revisions } from '@wired-falcon/core';

/** What the page sends to the worker, in order. With a question goes the port for its replies. */
export type ToWorker =
  | { readonly is: 'load'; readonly seq: number; readonly aircraft: Aircraft; readonly revisions: Revisions }
  | { readonly is: 'follow'; readonly seq: number; readonly edit: Edit; readonly undoes: PutBack | undefined }
  | { readonly is: 'ask'; readonly seq: number; readonly calculator: string; readonly ask: unknown };

/** What the worker sends of itself: it could not follow to this version, and needs the document. */
export interface FromWorker {
  readonly lostAt: number;
}

/** What comes back over the port of a question. Of the last three one comes, as the last. */
export type Reply<Answer> =
  | { readonly is: 'share'; readonly share: number }
  | { readonly is: 'answer'; readonly answer: Answer }
  /** It threw this. */
  | { readonly is: 'failed'; readonly sentence: string }
  /** It was stopped, or is about a document that is gone. */
  | { readonly is: 'dropped' };

/** One side of the channel between page and worker. */
export interface Endpoint {
  readonly postMessage: (message: unknown, transfer: Transferable[]) => void;
  onmessage: ((event: MessageEvent) => void) | null;
  /** The thread could not be started, or ended by itself. */
  onerror?: ((event: ErrorEvent) => void) | null;
}

export const STOP = 'stop';
