import { digestOf } from '../model/contentHash.ts';
import { naturalOrder } from '../model/naturalOrder.ts';
import { stages } from '../model/stages.ts';
import { grouped } from '../text/grouped.ts';
import { SEVERITIES, subjectKey, type Finding, type Follower, type Subject } from './finding.ts';

/** The stable order of findings: severity, stage, then the sentence by reference, then what it rests on. */
export function inFindingOrder(a: Finding, b: Finding): number {
  return (
    SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) ||
    stages.indexOf(a.stage) - stages.indexOf(b.stage) ||
    naturalOrder(a.what, b.what) ||
    // Before the key, which has ids in it: two aircraft that differ in nothing but ids have their findings in one order.
    naturalOrder(evidenceWords(a), evidenceWords(b)) ||
    naturalOrder(a.key, b.key)
  );
}

function evidenceWords({ evidence }: Finding): string {
  return evidence.map(({ label, value, limit = '' }) => `${label} ${value} ${limit}`).join(' ');
}

/**
 * One finding for each cause: of those that have one in common the nearest to it tells it, and the others follow. It has the severity of
 * the worst of them, points at all that they are about, and is accepted with them: another follower is another basis.
 * @returns in the order of findings; what has no cause in common with others is as it was
 */
export function byCause(findings: readonly Finding[]): readonly Finding[] {
  const alone = findings.filter(({ cause }) => cause === undefined);
  const groups = grouped(
    findings.filter(({ cause }) => cause !== undefined),
    ({ cause }) => cause?.of ?? '',
  );
  return [...alone, ...[...groups.values()].flatMap(folded)].sort(inFindingOrder);
}

function folded(same: readonly Finding[]): Finding[] {
  const [root, ...others] = [...same].sort((a, b) => distanceOf(a) - distanceOf(b) || inFindingOrder(a, b));
  if (root === undefined) return [];
  if (others.length === 0) return [root];
  const follows = others.sort(inFindingOrder).map(({ key, check, what, severity }): Follower => ({ key, check, what, severity }));
  const worst = [root, ...others].sort(inFindingOrder)[0] ?? root;
  return [
    {
      ...root,
      severity: worst.severity,
      where: subjectsOnce([root, ...others].flatMap(({ where }) => where)),
      basis: `${root.basis} & ${digestOf(others.map(({ key, basis }) => [key, basis]))}`,
      follows,
    },
  ];
}

function distanceOf({ cause }: Finding): number {
  return cause?.distance ?? Infinity;
}

function subjectsOnce(subjects: readonly Subject[]): readonly Subject[] {
  return [...new Map(subjects.map((subject) => [subjectKey(subject), subject])).values()];
}
