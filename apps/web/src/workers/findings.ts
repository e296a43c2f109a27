import {
  brokenChecks,
  findingsOf,
  judge,
  provenRemedies,
  type BrokenCheck,
  type Design,
  type JudgedFinding,
  type Remedy,
} from '@wired-falcon/core';
import { inOneStep, type Calculator, type Steps } from './calculator.ts';

/** What the checks say of a document, and which of them could not. */
export interface Findings {
  readonly judged: readonly JudgedFinding[];
  readonly broken: readonly BrokenCheck[];
}

/** Runs all checks. */
export const findings: Calculator<'findings', null, Findings> = {
  id: 'findings',
  turn: 'first',
  steps: inOneStep((design) => ({ judged: judge(findingsOf(design), design.aircraft), broken: brokenChecks(design) })),
};

const proven = new WeakMap<Design, Map<string, readonly Remedy[]>>();

/** The remedies of the finding with this key. Each is tried on the aircraft first, one a step; what is known of a version is not tried again. */
function* proving(design: Design, key: string): Steps<readonly Remedy[]> {
  const known = proven.get(design) ?? new Map<string, readonly Remedy[]>();
  proven.set(design, known);
  const found = known.get(key);
  if (found !== undefined) return found;
  const tries = provenRemedies(design, { key });
  for (;;) {
    const step = tries.next();
    if (step.done === true) {
      known.set(key, step.value);
      return step.value;
    }
    // How many there will be nobody knows before.
    yield 0;
  }
}

/** What mends a finding that somebody looks at. */
export const remedies: Calculator<'remedies', string, readonly Remedy[]> = { id: 'remedies', turn: 'first', steps: proving };

/** What mends a finding that is out of sight. */
export const remediesAhead: Calculator<'remedies-ahead', string, readonly Remedy[]> = {
  id: 'remedies-ahead',
  turn: 'last',
  steps: proving,
};
