import { EPOCH_HEADER } from '@wired-falcon/contract';
import type { NextFunction, Request, Response } from 'express';

/** Marks every answer as this workshop's own, so that a browser can tell it from those of another program on the same port. */
export function epochHeader(epoch: { readonly value: string }) {
  return (_request: Request, response: Response, next: NextFunction): void => {
    response.setHeader(EPOCH_HEADER, epoch.value);
    next();
  };
}
