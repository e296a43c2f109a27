import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { ErrorResponse } from '@wired-falcon/contract';
import type { Response } from 'express';
import { Problem } from './errors.ts';

/** Gives every error the one shape. What went wrong inside is logged and not told. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  readonly #log = new Logger('Error');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const { status, body } = errorAnswer(error);
    if (status >= 500) this.#log.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    if (!response.headersSent) response.status(status).json(body);
  }
}

/** What an error is answered with. */
export interface ErrorAnswer {
  readonly status: number;
  readonly body: ErrorResponse;
}

/** The answer to an error that was thrown while a request was worked on. */
export function errorAnswer(error: unknown): ErrorAnswer {
  if (error instanceof Problem) return { status: error.getStatus(), body: error.body };
  const status = statusOf(error);
  if (status === 413) {
    return {
      status,
      body: { code: 'too-large', message: 'The request is too large. Send fewer edits at once, or a smaller file.', details: [] },
    };
  }
  if (status === 404) {
    const message = error instanceof Error && !error.message.startsWith('Cannot ') ? error.message : 'There is nothing at this address.';
    return { status, body: { code: 'not-found', message, details: [] } };
  }
  if (status >= 400 && status < 500) {
    const message = isParseError(error)
      ? 'The request is not JSON.'
      : error instanceof Error
        ? error.message
        : 'The request cannot be read.';
    return { status, body: { code: 'bad-request', message, details: [] } };
  }
  const body: ErrorResponse = {
    code: 'server-error',
    message: 'Something went wrong on the server. Nothing was changed. Try again; if it persists, check the server log.',
    details: [],
  };
  return { status: 500, body };
}

function statusOf(error: unknown): number {
  if (error instanceof HttpException) return error.getStatus();
  if (typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number') return error.status;
  return 500;
}

function isParseError(error: unknown): boolean {
  return error instanceof SyntaxError || (error instanceof Error && /JSON/.test(error.message));
}
