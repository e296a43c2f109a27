import { grouped } from '../../text/grouped.ts';
import { OUTPUT_FUNCTIONS, passedChannel, type OutputFunction } from '../../model/outputFunctions.ts';
import type { ItemId } from '../../model/ids.ts';
import { racksOf, slotsIn, type Slot } from '../../outputs/plan/racks.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { slotName, slotSubject } from './outputSubjects.ts';

/** Functions that are often on two outputs: two halves of one surface, two lights. */
const PAIRS: readonly OutputFunction[] = ['ailerons', 'elevator', 'rudder', 'steering', 'gear', 'light', 'camera-trigger', 'dropper'];

/** Two outputs that have one function. */
export const duplicateFunction: Check = {
  id: 'output.duplicate-function',
  stage: 'outputs',
  title: 'One function on several outputs',
  run: ({ graph }) => {
    const used = racksOf(graph).flatMap(slotsIn);
    const byFunction = grouped(
      used.flatMap((slot) => (slot.use === undefined ? [] : [{ slot, name: slot.use.function }])),
      ({ name }) => name,
    );
    return [...byFunction].flatMap(([name, entries]): Saying[] => {
      const slots = entries.map(({ slot }) => slot);
      if (slots.length < 2) return [];
      const isPair = PAIRS.includes(name) || passedChannel(name) !== undefined;
      const { title } = OUTPUT_FUNCTIONS[name];
      return [
        {
          severity: isPair ? 'note' : 'mend',
          where: slots.map((slot) => slotSubject(graph, slot)),
          what: `${listed(slots.map((slot) => slotName(graph, slot)))} all have the function "${title}".`,
          evidence: slots.map((slot) => ({ label: slotName(graph, slot), value: title })),
          why: isPair
            ? 'Both move together, which may be intended.'
            : 'Both get the same pulses: the part on one of them moves when the other should.',
          remedies: () => freeing(graph.items[slots[0]?.item ?? -1]?.item.id, slots),
        },
      ];
    });
  },
};

/** Leaves the function to one of the outputs: the first on which something hangs. */
function freeing(item: ItemId | undefined, slots: readonly Slot[]): Remedy[] {
  const kept = slots.find(({ on }) => on.length > 0) ?? slots[0];
  if (item === undefined || kept === undefined) return [];
  const others = slots.filter((slot) => slot !== kept && slot.item === kept.item);
  return [
    {
      label: `Only ${kept.label}`,
      sentence: `Remove the function from ${listed(others.map(({ label }) => label))}; ${kept.label} keeps it.`,
      edit: { kind: 'batch', title: `Only ${kept.label} has the function`, edits: others.map((slot) => edit(item, slot)) },
    },
  ];
}

function edit(item: ItemId, { output, use }: Slot) {
  return { kind: 'set-output-function', item, output: output.id, function: null, was: use?.function ?? null } as const;
}
