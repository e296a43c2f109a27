import { ERROR_CODES, type ErrorResponse } from '@wired-falcon/contract';

/** This server answered, and its answer is an error with a sentence. */
export class ServerRefusal extends Error {
  constructor(
    readonly status: number,
    readonly answer: ErrorResponse,
  ) {
    super([answer.message, ...answer.details].join(' '));
  }
}

/** Nobody answered, or something that is not this product did. */
export class NoAnswer extends Error {
  constructor() {
    super('The server does not answer.');
  }
}

export function isErrorResponse(value: unknown): value is ErrorResponse {
  return (
    typeof value === 'object' &&
    value !== null &&
    'code' in value &&
    ERROR_CODES.some((code) => code === value.code) &&
    'message' in value &&
    typeof value.message === 'string' &&
    'details' in value &&
    Array.isArray(value.details)
  );
}

/** What a request that failed says about the edits that wait. None of these is a reason to let go of one, but for the last two. */
export type Failure =
  /** Nobody is there, or too busy: tried again by itself. */
  | { readonly is: 'away' }
  /** The workshop asks for its key. */
  | { readonly is: 'key' }
  /** The server cannot take edits of this aircraft now, for the reason that it gives. */
  | { readonly is: 'held'; readonly sentence: string }
  /** Too much at once. */
  | { readonly is: 'too-large'; readonly sentence: string }
  /** One of the edits has a form that this server does not take. */
  | { readonly is: 'bad-edit'; readonly sentence: string };

export function failureOf(error: unknown): Failure {
  if (!(error instanceof ServerRefusal)) return { is: 'away' };
  const { message: sentence } = error;
  switch (error.answer.code) {
    case 'no-access':
      return { is: 'key' };
    case 'too-large':
      return { is: 'too-large', sentence };
    case 'bad-edit':
      // Which of those that were sent it is, the sender finds by itself.
      return { is: 'bad-edit', sentence: error.answer.details.map((detail) => detail.replace(/^edits\.\d+\.(edit: )?/, '')).join(' ') };
    case 'server-error':
    case 'too-many-tries':
      return { is: 'away' };
    case 'bad-request':
    case 'not-found':
    case 'wrong-host':
    case 'wrong-origin':
    case 'cannot-import':
    case 'cannot-open':
    case 'changed-since':
    case 'older-server':
      return { is: 'held', sentence };
  }
}
