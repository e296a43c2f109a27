import type { AnyCalculator, AskOf } from './calculator.ts';
import { useFollower } from './FollowerContext.tsx';
import { useKept, type Kept } from './useKept.ts';

/** What a calculator says of the document, now and after each change. @param ask see `useKept` */
export function useCalculated<C extends AnyCalculator>(calculator: C['id'], ask: AskOf<C> | undefined): Kept<C> {
  return useKept<C>(useFollower(), calculator, ask);
}
