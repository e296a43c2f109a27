import { AdoptRevisionSchema, planAdoption } from './adoptPlan.ts';
import { editKind } from './family.ts';
import { refOf } from './lookups.ts';

const adoptRevision = editKind({
  kind: 'adopt-part-revision',
  schema: AdoptRevisionSchema,
  title: (edit, design) =>
    `Make ${refOf(design, edit.item)} a "${design.parts.get(edit.part)?.name ?? 'unknown part'}" in its newest revision`,
  apply: (design, edit) => {
    const plan = planAdoption(design, edit);
    return 'refused' in plan ? plan : { aircraft: plan.aircraft };
  },
});

export const partEdits = [adoptRevision] as const;
