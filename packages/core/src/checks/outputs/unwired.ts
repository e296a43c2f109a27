import type { Graph } from '../../graph/graph.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { planRack } from '../../outputs/plan/planOutputs.ts';
import { racksOf, slotsIn, type Rack, type Slot } from '../../outputs/plan/racks.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { slotSubject } from './outputSubjects.ts';

/** Outputs that have a function and nothing on them. One note a controller. */
export const outputUnwired: Check = {
  id: 'output.unwired',
  stage: 'outputs',
  title: 'Output assigned but not wired',
  leftToPeople: 'only a person knows what it drives',
  run: ({ graph }) =>
    racksOf(graph).flatMap((rack): Saying[] => {
      const open = slotsIn(rack).filter(({ use, on }) => use !== undefined && on.length === 0);
      if (open.length === 0) return [];
      const names = open.map(({ use, label }) => `${label} (${use === undefined ? '' : OUTPUT_FUNCTIONS[use.function].title})`);
      const isOne = open.length === 1;
      return [
        {
          severity: 'note',
          where: open.map((slot) => slotSubject(graph, slot)),
          what: `${rack.entry.item.ref} has ${isOne ? 'an output' : 'outputs'} with a function and nothing on ${isOne ? 'it' : 'them'}: ${listed(names)}.`,
          evidence: names.map((label) => ({ label, value: 'nothing wired' })),
          why: 'What it should drive does not move.',
          discriminator: rack.entry.item.id,
        },
      ];
    }),
};

/** Outputs on which something is wired and that have no function. One note a controller. */
export const wiredUnassigned: Check = {
  id: 'output.wired-unassigned',
  stage: 'outputs',
  title: 'Output wired but not assigned',
  run: ({ graph }) =>
    racksOf(graph).flatMap((rack): Saying[] => {
      const idle = slotsIn(rack).filter(({ use, on }) => use === undefined && on.length > 0);
      if (idle.length === 0) return [];
      const names = idle.map(({ label, on }) => `${label} (${listed(on.map(({ entry }) => entry.item.ref))})`);
      return [
        {
          severity: 'note',
          where: idle.map((slot) => slotSubject(graph, slot)),
          what: `${rack.entry.item.ref} has ${idle.length === 1 ? 'a wired output' : 'wired outputs'} without a function: ${listed(names)}.`,
          evidence: names.map((label) => ({ label, value: 'no function' })),
          why: 'The controller gives no pulses there, so the wired part does nothing.',
          discriminator: rack.entry.item.id,
          remedies: () => byName(graph, rack, idle),
        },
      ];
    }),
};

/** The functions that the plan has for what is wired there; none where it does not know one of them. */
function byName(graph: Graph, rack: Rack, idle: readonly Slot[]): Remedy[] {
  const seats = planRack(graph, rack).seats.filter(
    ({ slot, seeker }) => slot !== undefined && idle.includes(slot) && seeker.consumers.length > 0,
  );
  if (seats.length < idle.length) return [];
  const item = rack.entry.item.id;
  const isOne = seats.length === 1;
  const title = `Assign ${isOne ? 'the output' : `${seats.length} outputs`} by the parts wired to ${isOne ? 'it' : 'them'}`;
  const functions = seats.flatMap(({ slot, seeker }): SimpleEdit[] =>
    slot === undefined ? [] : [{ kind: 'set-output-function', item, output: slot.output.id, function: seeker.function, was: null }],
  );
  return [
    {
      label: 'Assign by name',
      sentence: `${title}: ${listed(seats.map(({ seeker }) => OUTPUT_FUNCTIONS[seeker.function].title))}.`,
      edit: { kind: 'batch', title, edits: functions },
    },
  ];
}
