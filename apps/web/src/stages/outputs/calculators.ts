import { graphOf, outputBoard, type OutputBoard } from '@wired-falcon/core';
import { inOneStep, type AnyCalculator, type Calculator } from '../../workers/calculator.ts';

/** Which output each function takes, and what each bank makes. */
export const board: Calculator<'outputs.board', 'board', OutputBoard | undefined> = {
  id: 'outputs.board',
  steps: inOneStep((design) => outputBoard(graphOf(design))),
};

export const outputCalculators: readonly AnyCalculator[] = [board];
