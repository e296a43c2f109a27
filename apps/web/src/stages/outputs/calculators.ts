import { graphOf, outputBoards, type OutputBoard } from '@wired-falcon/core';
import { inOneStep, type AnyCalculator, type Calculator } from '../../workers/calculator.ts';

/** Which output each function takes, and what each bank makes; controller by controller. */
export const boards: Calculator<'outputs.boards', 'boards', readonly OutputBoard[]> = {
  id: 'outputs.boards',
  steps: inOneStep((design) => outputBoards(graphOf(design))),
};

export const outputCalculators: readonly AnyCalculator[] = [boards];
