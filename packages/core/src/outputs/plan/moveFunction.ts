import type { Edit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { functionSeekers, type FunctionSeeker } from './functionSeekers.ts';
import { racksOf, slotsIn, type Slot } from './racks.ts';
import { takeOutputs } from './takeOutputs.ts';

/**
 * The edit that brings what is on one output to another, and what is there back: functions, travel and plugs. Banks stay as they are.
 * @param from the key of an output with a function
 * @param to the key of another output of the same controller
 * @returns undefined where there is nothing to bring, or the outputs are not of one controller
 */
export function moveFunction(graph: Graph, from: string, to: string): Edit | undefined {
  const rack = racksOf(graph).find((one) => slotsIn(one).some(({ key }) => key === from));
  const slots = rack === undefined ? [] : slotsIn(rack);
  const [source, target] = [slots.find(({ key }) => key === from), slots.find(({ key }) => key === to)];
  const name = source?.use?.function;
  if (rack === undefined || source === undefined || target === undefined || source === target || name === undefined) return undefined;
  const seekers = functionSeekers(graph, rack);
  const seat = (slot: Slot, at: Slot) => {
    const seeker = seekers.find((one) => one.function === slot.use?.function);
    return seeker === undefined ? [] : [{ seeker: asWired(seeker, slot), slot: at, why: '', refused: [] }];
  };
  const seats = [...seat(source, target), ...(target.use === undefined ? [] : seat(target, source))];
  const banks = rack.banks.map((bank) => ({ bank, pulses: bank.use, why: '' }));
  const { edit, undone } = takeOutputs(graph, { rack, seats, banks, cost: 0, proof: { is: 'optimal' } });
  if (edit?.kind !== 'batch' || undone.length > 0) return undefined;
  return { ...edit, title: `${OUTPUT_FUNCTIONS[name].title} from ${source.label} to ${target.label}` };
}

/** A function of several outputs goes with what hangs on this one. */
function asWired(seeker: FunctionSeeker, slot: Slot): FunctionSeeker {
  return { ...seeker, now: slot, consumers: slot.on };
}
