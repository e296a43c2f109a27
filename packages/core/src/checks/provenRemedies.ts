import { DraftEdits } from '../harness/draftEdits.ts';
import type { Design } from '../model/design.ts';
import { listed } from '../text/lists.ts';
import { inSentence } from '../text/sentences.ts';
import { SEVERITIES, type Finding, type Remedy } from './finding.ts';
import { findingsApart, findingsTried, remediesOf } from './findingsOf.ts';
import { bayOverflow, notPlaced } from './layout/room.ts';

/** What a remedy brings may be mended along with it in so many steps; what needs more is no remedy of this finding. */
const MOST_FOLLOWING = 3;

/** So many parts are offered where the cure is another part. */
const MOST_CHOICES = 3;

/** Two parts in one place are no remedy of anything, however grave that is. */
const NO_ROOM = bayOverflow.id;

/**
 * The remedies of a finding that hold. Each was tried: with it the finding is gone, and none as bad has come. Where one brings a finding
 * that has a remedy of its own, that is made along with it and said in its sentence: a wire that becomes longer becomes thicker too. What
 * does not hold is not offered. It pauses between tries, each of which asks all checks.
 */
export function* provenRemedies(design: Design, { key }: Pick<Finding, 'key'>): Generator<void, readonly Remedy[]> {
  const finding = findingsApart(design).find((candidate) => candidate.key === key);
  if (finding === undefined) return [];
  const proven: Remedy[] = [];
  for (const remedy of remediesOf(design, finding)) {
    if (remedy.isChoice === true && proven.filter(({ isChoice }) => isChoice).length === MOST_CHOICES) continue;
    const holding = yield* madeToHold(design, finding, remedy);
    if (holding !== undefined) proven.push(holding);
  }
  return proven;
}

/** The remedy, with what has to be mended along with it; undefined where that does not help. */
function* madeToHold(design: Design, finding: Finding, remedy: Remedy): Generator<void, Remedy | undefined> {
  const draft = new DraftEdits(design);
  if (!draft.take(remedy.edit)) return undefined;
  yield;
  let left = wrongAfter(design, draft.graph.design, finding);
  const following: Remedy[] = [];
  while (left.length > 0) {
    if (left.some(({ key }) => key === finding.key) || following.length === MOST_FOLLOWING) return undefined;
    const next = yield* nextBest(design, draft, finding, left);
    if (next === undefined || !draft.take(next.remedy.edit)) return undefined;
    following.push(next.remedy);
    left = next.left;
  }
  if (following.length === 0) return remedy;
  return {
    ...remedy,
    label: listed([remedy.label, ...following.map(({ label }) => inSentence(label))]),
    sentence: [remedy.sentence, ...following.map(({ sentence }) => `With it: ${inSentence(sentence)}`)].join(' '),
    edit: draft.edit(remedy.label),
  };
}

/** The remedy of one of the findings that have come with which the fewest are left; undefined where none leaves fewer. */
function* nextBest(
  design: Design,
  draft: DraftEdits,
  finding: Finding,
  come: readonly Finding[],
): Generator<void, { readonly remedy: Remedy; readonly left: readonly Finding[] } | undefined> {
  const [first] = come;
  if (first === undefined) return undefined;
  for (const remedy of remediesOf(draft.graph.design, first)) {
    // Which part does a job is never settled in passing.
    if (remedy.isChoice === true) continue;
    const after = draft.after(remedy.edit);
    if (after === undefined) continue;
    yield;
    const left = wrongAfter(design, after.design, finding);
    if (left.length < come.length) return { remedy, left };
  }
  return undefined;
}

/**
 * What speaks against a remedy of a finding: the finding itself where it is still there and no lighter, and every other one as bad that
 * has come. One that takes the place of another of the same check and severity has not come; that of the finding itself only where
 * nothing was put in for it, as the next step of one job. That a part which was put in has no place yet is work left to do, and no mistake.
 */
export function wrongAfter(before: Design, after: Design, finding: Finding): readonly Finding[] {
  const known = findingsApart(before);
  const now = findingsTried(after, before);
  const keysBefore = new Set(known.map(({ key }) => key));
  const keysNow = new Set(now.map(({ key }) => key));
  const isBought = Object.keys(after.aircraft.items).some((id) => !Object.hasOwn(before.aircraft.items, id));
  const gone = new Map<string, number>();
  for (const one of known) {
    if (!keysNow.has(one.key) && !(isBought && one.key === finding.key)) gone.set(kindOf(one), (gone.get(kindOf(one)) ?? 0) + 1);
  }
  return now.filter((one) => {
    if (one.key === finding.key) return rankOf(one) <= rankOf(finding);
    if (one.check === notPlaced.id) return false;
    if (keysBefore.has(one.key) || (rankOf(one) > rankOf(finding) && one.check !== NO_ROOM)) return false;
    const replaced = gone.get(kindOf(one)) ?? 0;
    gone.set(kindOf(one), replaced - 1);
    return replaced <= 0;
  });
}

function kindOf({ check, severity }: Finding): string {
  return `${severity} ${check}`;
}

function rankOf({ severity }: Finding): number {
  return SEVERITIES.indexOf(severity);
}
