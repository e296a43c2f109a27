import type { Graph } from '../../graph/graph.ts';
import type { Rack, Slot } from '../../outputs/plan/racks.ts';
import { planRack, type OutputPlan } from '../../outputs/plan/planOutputs.ts';
import { takeOutputs } from '../../outputs/plan/takeOutputs.ts';
import type { Remedy, Subject } from '../finding.ts';

/** The pin of an output. */
export function slotSubject(graph: Graph, { item, output: { pin } }: Slot): Subject {
  const id = graph.items[item]?.item.id;
  if (id === undefined) throw new Error('An output is of no item.');
  const dot = pin.lastIndexOf('.');
  return { is: 'pin', item: id, port: pin.slice(0, dot), n: Number(pin.slice(dot + 1)) };
}

/** The controller and the label of an output: `FC1 out 3`. */
export function slotName(graph: Graph, { item, label }: Slot): string {
  return `${graph.items[item]?.item.ref ?? ''} ${label}`;
}

/** All outputs of a controller as the planner has them, as one edit; none where that does nothing, or leaves something undone. */
export function planRemedies(graph: Graph, rack: Rack): Remedy[] {
  return planned(graph, rack, () => true);
}

/** The same where it only says what is wired already is for, and what the banks make: no cable is made, and nothing is left without one. */
export function namingRemedies(graph: Graph, rack: Rack): Remedy[] {
  return planned(graph, rack, ({ seats }) =>
    seats.every(
      ({ seeker, slot }) => slot !== undefined && slot.on.length > 0 && seeker.consumers.every((consumer) => slot.on.includes(consumer)),
    ),
  );
}

function planned(graph: Graph, rack: Rack, suits: (plan: OutputPlan) => boolean): Remedy[] {
  const plan = planRack(graph, rack);
  if (!suits(plan)) return [];
  const taken = takeOutputs(graph, plan);
  if (taken.edit === undefined || taken.undone.length > 0) return [];
  return [
    {
      label: 'Plan the outputs',
      sentence: `${'title' in taken.edit ? taken.edit.title : 'Outputs as planned'}: wired parts stay where they can, and each bank gives pulses that all its parts accept.`,
      edit: taken.edit,
    },
  ];
}
