import type { Finding, Remedy } from '../checks/finding.ts';
import { provenRemedies } from '../checks/provenRemedies.ts';
import type { Design } from '../model/design.ts';

/** The remedies that a person is offered for a finding: those that hold. */
export function offered(design: Design, finding: Finding): readonly Remedy[] {
  const tries = provenRemedies(design, finding);
  for (;;) {
    const step = tries.next();
    if (step.done === true) return step.value;
  }
}
