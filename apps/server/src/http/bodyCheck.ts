import { isInheritedName } from '@wired-falcon/core';
import type { NextFunction, Request, Response } from 'express';
import { Problem } from './errors.ts';

/** Far deeper than anything that this product sends or stores. */
const DEEPEST = 60;

/**
 * Refuses a body whose lists and objects lie in one another without end: what walks through it later may walk in steps of its own
 * stack. And one with a member that has a name which objects inherit: what reads bodies leaves such members out, and nobody is told.
 */
export function bodyCheck() {
  return (request: Request, _response: Response, next: NextFunction): void => {
    const body: unknown = request.body;
    // A file that is still in bytes is looked through by whoever reads it.
    const message = body instanceof Uint8Array ? undefined : problemIn(body);
    next(message === undefined ? undefined : new Problem(400, { code: 'bad-request', message, details: [] }));
  };
}

/** Walks with a list of its own in the place of the stack, which a body could exhaust. */
function problemIn(body: unknown): string | undefined {
  const left: { readonly value: unknown; readonly depth: number }[] = [{ value: body, depth: 1 }];
  for (let at = left.pop(); at !== undefined; at = left.pop()) {
    if (typeof at.value !== 'object' || at.value === null) continue;
    if (at.depth > DEEPEST) return `The request is nested more than ${DEEPEST} levels deep.`;
    for (const [name, inner] of Object.entries(at.value)) {
      if (isInheritedName(name)) return `The request has a member "${name}", which is not allowed.`;
      left.push({ value: inner, depth: at.depth + 1 });
    }
  }
  return undefined;
}
