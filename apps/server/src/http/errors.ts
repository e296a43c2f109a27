import { HttpException } from '@nestjs/common';
import type { ErrorResponse } from '@wired-falcon/contract';

/** An error that a person meets: its code, the sentence, and the places. */
export class Problem extends HttpException {
  constructor(
    status: number,
    readonly body: ErrorResponse,
  ) {
    super(body, status);
  }
}

export class CannotImport extends Problem {
  constructor(sentence: string) {
    super(422, { code: 'cannot-import', message: sentence, details: [] });
  }
}

/** Somebody else was there first: nothing is done, and the sender looks again. */
export class ChangedSince extends Problem {
  constructor(sentence: string) {
    super(409, { code: 'changed-since', message: sentence, details: [] });
  }
}

/** The sender is of a newer version of the product. Its edits are its to keep, until this server is newer too. */
export class OlderServer extends Problem {
  constructor() {
    super(409, {
      code: 'older-server',
      message: 'The edits were made by a newer version of the product than this server runs. Update the server to save them.',
      details: [],
    });
  }
}

/** The stored document cannot be read by this version of the product. It is left as it is. */
export class CannotOpen extends Problem {
  constructor(sentence: string) {
    super(409, { code: 'cannot-open', message: sentence, details: [] });
  }
}
