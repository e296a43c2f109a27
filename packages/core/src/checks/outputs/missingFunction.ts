import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { consumersOf } from '../../outputs/plan/consumers.ts';
import { functionSeekers } from '../../outputs/plan/functionSeekers.ts';
import { mainRack, slotsIn, type Rack } from '../../outputs/plan/racks.ts';
import { listed } from '../../text/lists.ts';
import type { Check } from '../finding.ts';
import { namingRemedies, planRemedies } from './outputSubjects.ts';

/** As soon as somebody has said what a bank makes. */
function isBegun({ banks }: Rack): boolean {
  return banks.some(({ use }) => use !== undefined);
}

/** Nobody has said what any output is for. One note in place of all that is not planned. */
export const outputsNotBegun: Check = {
  id: 'output.not-begun',
  stage: 'outputs',
  title: 'Outputs not planned',
  run: ({ graph }) => {
    const rack = mainRack(graph);
    if (rack === undefined) return [];
    const isAssigned = slotsIn(rack).some(({ use }) => use !== undefined);
    const isMeant = isAssigned || consumersOf(graph).length > 0;
    if (isBegun(rack) || !isMeant) return [];
    return [
      {
        severity: 'note',
        where: [{ is: 'item', item: rack.entry.item.id }],
        what: isAssigned
          ? `The outputs of ${rack.entry.item.ref} have functions, but no pulses are planned for its banks.`
          : `The outputs of ${rack.entry.item.ref} have no functions yet.`,
        why: 'Missing functions, pulse kinds and rates are not checked yet.',
        remedies: () => namingRemedies(graph, rack),
      },
    ];
  },
};

/** Functions that the airframe needs and no output has. */
export const missingFunction: Check = {
  id: 'output.missing-function',
  stage: 'outputs',
  title: 'Function without an output',
  run: ({ graph }) => {
    const rack = mainRack(graph);
    if (rack === undefined || !isBegun(rack)) return [];
    const open = functionSeekers(graph, rack).filter(({ isNeeded, now }) => isNeeded && now === undefined);
    if (open.length === 0) return [];
    const titles = open.map((seeker) => OUTPUT_FUNCTIONS[seeker.function].title);
    return [
      {
        severity: 'mend',
        where: [{ is: 'item', item: rack.entry.item.id }],
        what: `${rack.entry.item.ref} has no output for ${listed(titles)}.`,
        evidence: titles.map((label) => ({ label, value: 'no output' })),
        why: 'The aircraft does not fly without them.',
        remedies: () => planRemedies(graph, rack),
      },
    ];
  },
};
