import type { Aircraft } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import type { EditId } from '../model/ids.ts';
import { changesBetween, reversed, withChanges, type Change } from './changes.ts';
import { refuse, type Outcome, type Refusal } from './family.ts';
import { integrityAround } from './integrity.ts';
import { keepsShape } from './keepsShape.ts';
import { placeInWords } from './placeInWords.ts';
import { editKinds, type Edit, type PutBack, type SimpleEdit } from './registry.ts';

/** What an edit makes: the new design and what takes it back, or why it was not made. */
export type EditResult = { readonly design: Design; readonly inverse: PutBack; readonly title: string } | { readonly refused: Refusal };

/** What `undo` asks the journal: the inverse that was kept with an earlier edit, or a refusal. */
export type InverseOf = (edit: EditId) => PutBack | { readonly refused: Refusal };

const noJournal: InverseOf = () => refuse('unknown-edit', 'There is no history to undo from.');

/**
 * Makes an edit. The same on the browser and on the server: nothing but the arguments decides the outcome. Never throws
 * on a document of the right shape, and never changes what it was given.
 */
export function applyEdit(design: Design, edit: Edit, inverseOf: InverseOf = noJournal): EditResult {
  if (edit.kind === 'undo') {
    const inverse = inverseOf(edit.of);
    if ('refused' in inverse) return inverse;
    return finish(design, putBack(design, inverse), inverse.title, () => inverse.changes);
  }
  const title = titleOf(design, edit);
  const outcome = edit.kind === 'batch' ? applyAll(design, edit.edits) : applySimple(design, edit);
  return finish(design, outcome, title);
}

/** What an edit is called. Asked of the design before the edit. */
export function titleOf(design: Design, edit: Edit): string {
  if (edit.kind === 'batch') return edit.title;
  if (edit.kind === 'undo') return 'Undo';
  return editKinds.get(edit.kind)?.titleOf(edit, design) ?? edit.kind;
}

/**
 * @param changesMade what the edit changed, where that is known without comparing the two documents
 */
function finish(
  design: Design,
  outcome: Outcome,
  title: string,
  changesMade: (after: Aircraft) => readonly Change[] = (after) => changesBetween(design.aircraft, after),
): EditResult {
  if ('refused' in outcome) return outcome;
  const changes = changesMade(outcome.aircraft);
  if (changes.length === 0) return refuse('nothing-to-do', `${title}: nothing to change.`);
  const back: PutBack = { kind: 'put-back', title, changes: reversed(changes) };
  return { design: { ...design, aircraft: outcome.aircraft }, inverse: back, title };
}

function applySimple(design: Design, edit: SimpleEdit): Outcome {
  const kind = editKinds.get(edit.kind);
  if (kind === undefined) return refuse('bad-shape', `There is no edit "${edit.kind}".`);
  return kind.apply(design, edit);
}

function applyAll(design: Design, edits: readonly SimpleEdit[]): Outcome {
  let now: Design = design;
  for (const edit of edits) {
    const outcome = applySimple(now, edit);
    if ('refused' in outcome) return outcome;
    now = { ...design, aircraft: outcome.aircraft };
  }
  return { aircraft: now.aircraft };
}

/**
 * Puts back what an edit changed. Refused when a place holds something else by now, or when the result would not hold
 * together: a port that another cable has taken, an item that cables were plugged into since.
 */
export function putBack(design: Design, edit: PutBack): Outcome {
  const made = withChanges(toJson(design.aircraft), edit.changes);
  if ('differs' in made) {
    return refuse(
      'changed-since',
      `Cannot undo: ${edit.title}. ${placeInWords(design.aircraft, made.differs.path)} was changed since.`,
      ...made.differs.path,
    );
  }
  const aircraft = made.value;
  if (!keepsShape(aircraft, edit.changes)) {
    return refuse('changed-since', `Cannot undo: ${edit.title}. The same data have changed since.`);
  }
  const problems = integrityAround({ ...design, aircraft }, edit.changes);
  // What was wrong before is not this undo's doing; looked at only where something is wrong at all.
  const before = new Set(problems.length === 0 ? [] : integrityAround(design, edit.changes).map((problem) => problem.sentence));
  const broken = problems.find((problem) => !before.has(problem.sentence));
  if (broken !== undefined) return refuse('changed-since', `Cannot undo: ${edit.title}. ${broken.sentence}`, ...broken.about);
  return { aircraft };
}

function toJson(aircraft: Aircraft): Readonly<Record<string, unknown>> {
  return { ...aircraft };
}
