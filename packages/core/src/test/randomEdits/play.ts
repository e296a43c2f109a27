import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import type { Edit, PutBack } from '../../edits/registry.ts';
import type { Design } from '../../model/design.ts';
import { countingIds } from '../designs.ts';
import type { Draw } from './draw.ts';
import { editFrom, TWO_AT_ONCE } from './editFrom.ts';

/** An edit that was accepted, what it was made on, and what takes it back. */
export interface Step {
  readonly edit: Edit;
  readonly before: Design;
  readonly inverse: PutBack;
}

/** Makes every edit of the draws that is accepted. */
export function play(start: Design, list: readonly Draw[]): { readonly end: Design; readonly steps: readonly Step[] } {
  const makeId = countingIds('r');
  let design = start;
  const steps: Step[] = [];
  for (const draw of list) {
    const edit = withFreshIdsOrAsIs(editFrom(design, draw), makeId);
    const result = applyEdit(design, edit);
    if ('refused' in result) continue;
    steps.push({ edit, before: design, inverse: result.inverse });
    design = result.design;
  }
  return { end: design, steps };
}

/** Two edits of a batch draw their placeholders from one pot: ids differ, as they must. */
function withFreshIdsOrAsIs(edit: Edit, makeId: () => string): Edit {
  if (edit.kind !== 'batch' || edit.title !== TWO_AT_ONCE) return withFreshIds(edit, makeId);
  const edits = edit.edits
    .map((one) => withFreshIds(one, makeId))
    .flatMap((one) => (one.kind === 'batch' || one.kind === 'undo' ? [] : [one]));
  return { ...edit, edits };
}
