import type { Design } from '@wired-falcon/core';

/** Work in steps. Each gives the share of it that is done, from 0 to 1; between two of them the thread listens, and work that nobody wants any more is left. */
export type Steps<Answer> = Generator<number, Answer, void>;

/** Something that is computed of a document in the worker. What it throws is told to who asked; the next is computed as ever. */
export interface Calculator<Id extends string, Ask, Answer> {
  readonly id: Id;
  /** Computed before, or after, what says nothing here. */
  readonly turn?: 'first' | 'last';
  steps(design: Design, ask: Ask): Steps<Answer>;
}

/** Any calculator, when its types do not matter: the page asks each in its own types. */
export type AnyCalculator = Calculator<string, unknown, unknown>;

export type AskOf<C extends AnyCalculator> = Parameters<C['steps']>[1];
export type AnswerOf<C extends AnyCalculator> = ReturnType<C['steps']> extends Steps<infer Answer> ? Answer : never;

/** What is computed at once. */
export function inOneStep<Ask, Answer>(compute: (design: Design, ask: Ask) => Answer): (design: Design, ask: Ask) => Steps<Answer> {
  return function* (design, ask) {
    return compute(design, ask);
  };
}
