import type { NextFunction, Request, Response } from 'express';
import { Problem } from './errors.ts';

/** Far deeper than anything that this product sends or stores. */
const DEEPEST = 60;

/** Refuses a body whose lists and objects lie in one another without end: what walks through it later may walk in steps of its own stack. */
export function depthCheck() {
  return (request: Request, _response: Response, next: NextFunction): void => {
    const body: unknown = request.body;
    // A file that is still in bytes is looked through by whoever reads it.
    next(
      !(body instanceof Uint8Array) && isDeeper(body, DEEPEST)
        ? new Problem(400, { code: 'bad-request', message: `What was sent is nested more than ${DEEPEST} levels deep.`, details: [] })
        : undefined,
    );
  };
}

/** Walks with a list of its own in the place of the stack, which a body could exhaust. */
function isDeeper(value: unknown, most: number): boolean {
  const left: { readonly value: unknown; readonly depth: number }[] = [{ value, depth: 1 }];
  for (let at = left.pop(); at !== undefined; at = left.pop()) {
    if (typeof at.value !== 'object' || at.value === null) continue;
    if (at.depth > most) return true;
    for (const inner of Object.values(at.value)) left.push({ value: inner, depth: at.depth + 1 });
  }
  return false;
}
