import { dialectOf } from '../../dialects/dialectOf.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { planRack } from '../../outputs/plan/planOutputs.ts';
import { racksOf, slotsIn } from '../../outputs/plan/racks.ts';
import type { Check, Saying } from '../finding.ts';
import { planRemedies, slotName, slotSubject } from './outputSubjects.ts';

/** A function on an output where the firmware does not have it. */
export const dialectRefusesOutput: Check = {
  id: 'output.dialect-refuses',
  stage: 'outputs',
  title: 'Function not possible on this output',
  run: ({ graph }) => {
    const dialect = dialectOf(graph.design);
    if (dialect === undefined) return [];
    return racksOf(graph).flatMap((rack) =>
      slotsIn(rack).flatMap((slot): Saying[] => {
        const name = slot.use?.function;
        if (name === undefined) return [];
        const { title, drives } = OUTPUT_FUNCTIONS[name];
        const rule = dialect.refusals.find(
          (one) => one.is === 'only-on' && one.function === name && (slot.code === undefined || !one.outputs.includes(slot.code)),
        );
        const why =
          dialect.functions[name] === undefined
            ? `${dialect.name} does not know the function.`
            : (rule?.sentence ??
              (slot.isReserved && drives !== 'motor' ? 'It reserves this output for motors on this airframe.' : undefined));
        if (why === undefined) return [];
        return [
          {
            severity: 'mend',
            where: [slotSubject(graph, slot)],
            what: `${slotName(graph, slot)} cannot have the function "${title}" with ${dialect.name}.`,
            evidence: [{ label: slotName(graph, slot), value: title }],
            why,
            remedies: () =>
              planRack(graph, rack).seats.find(({ seeker }) => seeker.function === name)?.slot === undefined
                ? []
                : planRemedies(graph, rack),
          },
        ];
      }),
    );
  },
};
