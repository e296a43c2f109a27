import { useEffect, useState } from 'react';
import type { AnswerOf, AnyCalculator, AskOf } from './calculator.ts';
import type { Follower } from './follower.ts';

/** An answer, the question that it is of, and the number of the document that it is about. */
export interface Shown<C extends AnyCalculator> {
  readonly seq: number;
  readonly ask: AskOf<C>;
  readonly answer: AnswerOf<C>;
}

/** What a screen knows of a calculator. */
export interface Kept<C extends AnyCalculator> {
  /** The newest answer. It stays while a newer one is computed; undefined before the first. */
  readonly shown: Shown<C> | undefined;
  /** The share that is done of what is under way; undefined while nothing is. */
  readonly share: number | undefined;
  /** Why there is no answer about the newest document. */
  readonly failure: string | undefined;
}

/**
 * Keeps the answer of a calculator current.
 * @param ask the question, the same object as long as it is the same question; undefined where nothing is to be computed
 */
export function useKept<C extends AnyCalculator>(follower: Follower, calculator: C['id'], ask: AskOf<C> | undefined): Kept<C> {
  const [kept, setKept] = useState<Kept<C>>({ shown: undefined, share: undefined, failure: undefined });
  useEffect(() => {
    if (ask === undefined) return undefined;
    const stop = follower.keep<C>(calculator, ask, (reply, seq) => {
      setKept((before) => {
        switch (reply.is) {
          case 'share':
            return { ...before, share: reply.share };
          case 'answer':
            return { shown: { seq, ask, answer: reply.answer }, share: undefined, failure: undefined };
          case 'failed':
            return { ...before, share: undefined, failure: reply.sentence };
          case 'dropped':
            return before;
        }
      });
    });
    return () => {
      stop();
      setKept((before) => ({ ...before, share: undefined }));
    };
  }, [follower, calculator, ask]);
  return kept;
}
