import { boardFits, graphOf, planBoardMove, type BoardFit, type BoardMove, type ItemId, type PartKey } from '@wired-falcon/core';
import type { AnyCalculator, Calculator } from '../../workers/calculator.ts';

/** Which controllers are looked at, and in whose place; `item` is null where the aircraft has none. */
export interface BoardsAsk {
  readonly item: ItemId | null;
  readonly boards: readonly PartKey[];
}

/** Every board for this aircraft, the best first. */
export const boards: Calculator<'brief.boards', BoardsAsk, readonly BoardFit[]> = {
  id: 'brief.boards',
  steps: (design, ask) => boardFits(graphOf(design), ask.item ?? undefined, ask.boards),
};

export interface MoveAsk {
  readonly item: ItemId | null;
  readonly part: PartKey;
}

/** So many steps are taken for half done: how many there will be is not known before. */
const HALF_STEPS = 20;

/** The change to one board, planned whole. */
export const move: Calculator<'brief.move', MoveAsk, BoardMove | undefined> = {
  id: 'brief.move',
  *steps(design, { item, part }) {
    const steps = planBoardMove(graphOf(design), item ?? undefined, part);
    let count = 0;
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done === true) return step.value;
      count += 1;
      yield count / (count + HALF_STEPS);
    }
  },
};

export const briefCalculators: readonly AnyCalculator[] = [boards, move];
