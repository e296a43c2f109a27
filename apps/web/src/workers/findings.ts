import { brokenChecks, findingsOf, judge, remediesOf, type BrokenCheck, type JudgedFinding, type Remedy } from '@wired-falcon/core';
import { inOneStep, type Calculator } from './calculator.ts';

/** What the checks say of a document, and which of them could not. */
export interface Findings {
  readonly judged: readonly JudgedFinding[];
  readonly broken: readonly BrokenCheck[];
}

/** Runs all checks. */
export const findings: Calculator<'findings', null, Findings> = {
  id: 'findings',
  isUrgent: true,
  steps: inOneStep((design) => ({ judged: judge(findingsOf(design), design.aircraft), broken: brokenChecks(design) })),
};

/** What mends the finding with this key. */
export const remedies: Calculator<'remedies', string, readonly Remedy[]> = {
  id: 'remedies',
  isUrgent: true,
  steps: inOneStep((design, key) => remediesOf(design, { key })),
};
