import { findingsOf, remediesOf } from '../checks/findingsOf.ts';
import type { Finding, Remedy } from '../checks/finding.ts';
import { graphAfter } from '../checks/helpers/tryEdit.ts';
import type { Design } from '../model/design.ts';
import type { Stage } from '../model/stages.ts';
import { DraftEdits } from '../harness/draftEdits.ts';

/** A finding that a change brought, and the remedy that was taken for it. */
export interface Mend {
  readonly finding: Finding;
  readonly remedy: Remedy;
}

/** What is mended without asking: supplies, levels, grounds, lengths. Which part does a job, and what drives what, is for people. */
const STAGES: readonly Stage[] = ['wiring', 'power'];
const ALSO: readonly string[] = ['place.cable-too-short'];

/** More are left to people: each is a part or a cable of its own. */
const MOST_MENDS = 16;

/**
 * Mends what a change brought: finding by finding, the worst first, with the first remedy that makes it better. The remedies are made in the draft.
 * @param before the aircraft without the change: what was wrong with it stays as it is
 */
export function* mendsAfter(before: Design, draft: DraftEdits): Generator<void, readonly Mend[]> {
  const known = new Set(findingsOf(before).map(keyOf));
  const tried = new Set<string>();
  const mends: Mend[] = [];
  while (mends.length < MOST_MENDS) {
    yield;
    const { design } = draft.graph;
    const next = grave(design).find((finding) => isMended(finding) && !known.has(keyOf(finding)) && !tried.has(finding.key));
    if (next === undefined) break;
    tried.add(next.key);
    const remedy = remediesOf(design, next).find(({ edit, isChoice }) => isChoice !== true && isBetter(draft, edit, next));
    if (remedy !== undefined && draft.take(remedy.edit)) mends.push({ finding: next, remedy });
  }
  return mends;
}

function isMended({ stage, check }: Finding): boolean {
  return STAGES.includes(stage) || ALSO.includes(check);
}

/**
 * True where the finding goes and less is left to mend; or as much, where one finding of the same check takes its place: of three
 * regulators on a rail two are left.
 */
function isBetter(draft: DraftEdits, edit: Remedy['edit'], { key, check }: Finding): boolean {
  const after = graphAfter(draft.graph, edit);
  if (after === undefined) return false;
  const [before, now] = [grave(draft.graph.design), grave(after.design)];
  const known = new Set(before.map((finding) => finding.key));
  const come = now.filter((finding) => !known.has(finding.key));
  // What has current again may show what is wrong with it; nothing may come that stops.
  const isSafe = come.every((finding) => finding.severity !== 'stop' || finding.check === check);
  const isLess = now.length < before.length || (now.length === before.length && come.every((finding) => finding.check === check));
  return isSafe && isLess && now.every((finding) => finding.key !== key);
}

function grave(design: Design): readonly Finding[] {
  return findingsOf(design).filter(({ severity }) => severity !== 'note');
}

function keyOf({ severity, key }: Finding): string {
  return `${severity} ${key}`;
}
