import { brokenChecks, findingsOf, judge, provenRemedies, type BrokenCheck, type JudgedFinding, type Remedy } from '@wired-falcon/core';
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

/** What mends the finding with this key. Each remedy is tried on the aircraft first, one a step. */
export const remedies: Calculator<'remedies', string, readonly Remedy[]> = {
  id: 'remedies',
  isUrgent: true,
  *steps(design, key) {
    const tries = provenRemedies(design, { key });
    for (;;) {
      const step = tries.next();
      if (step.done === true) return step.value;
      // How many there will be nobody knows before.
      yield 0;
    }
  },
};
