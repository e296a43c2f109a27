import type { SimpleEdit } from '../../edits/registry.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import { travelOf, type OutputUse } from '../../model/outputPlan.ts';
import type { Mend } from './question.ts';

/** A change of outputs as one edit. */
export function outputsMend(sentence: string, title: string, edits: readonly SimpleEdit[]): Mend {
  return { is: 'outputs', sentence, edit: { kind: 'batch', title, edits: [...edits] } };
}

/** Gives an output another function. */
export function functionEdit({ item, output, function: was }: OutputUse, name: OutputFunction): SimpleEdit {
  return { kind: 'set-output-function', item, output, function: name, was };
}

/** Turns an output round. */
export function reversalOf(use: OutputUse): SimpleEdit {
  const was = travelOf(use);
  const { reversed, ...rest } = was;
  return {
    kind: 'set-output-travel',
    item: use.item,
    output: use.output,
    value: reversed === true ? rest : { ...rest, reversed: true },
    was,
  };
}
