import type { Proof } from '../../assign/problem.ts';
import type { Edit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { OUTPUT_FUNCTIONS, type OutputFunction } from '../../model/outputFunctions.ts';
import { pulseWords } from '../../model/outputPlan.ts';
import { listed } from '../../text/lists.ts';
import { leftOutOf, outputRelaxations } from './outputRelaxations.ts';
import { planRack, type OutputPlan } from './planOutputs.ts';
import { mainRack, racksOf, type Rack } from './racks.ts';
import { takeOutputs } from './takeOutputs.ts';

/** A function in a plan, in words. */
export interface PlannedRow {
  readonly function: OutputFunction;
  readonly title: string;
  /** The label of the output that has it now, and of the one that it gets. */
  readonly now: string | undefined;
  readonly planned: string | undefined;
  readonly why: string;
  readonly isNeeded: boolean;
  /** Why not elsewhere, output by output. */
  readonly refused: readonly string[];
}

/** A bank in a plan, in words. */
export interface PlannedBankRow {
  readonly id: string;
  readonly now: string | undefined;
  readonly planned: string | undefined;
  readonly why: string;
}

/** A plan of all outputs of a controller as plain values, to show and to take. */
export interface OutputBoard {
  /** The controller, as printed. */
  readonly controller: string;
  readonly summary: string;
  readonly rows: readonly PlannedRow[];
  readonly banks: readonly PlannedBankRow[];
  readonly proof: Proof;
  /** What makes the plan real; undefined where everything is as planned. */
  readonly edit: Edit | undefined;
  /** What the edit cannot do, each as a sentence. */
  readonly undone: readonly string[];
  /** What could be let go of where something needed finds no output. */
  readonly relaxations: readonly { readonly sentence: string; readonly edit: Edit }[];
}

/** The plan of the outputs of each controller, the main one first; none where no controller has outputs. */
export function outputBoards(graph: Graph): readonly OutputBoard[] {
  const main = mainRack(graph);
  const racks = [...racksOf(graph)].sort((a, b) => Number(b === main) - Number(a === main));
  return racks.map((rack) => outputBoard(graph, rack));
}

function outputBoard(graph: Graph, rack: Rack): OutputBoard {
  const plan = planRack(graph, rack);
  const { edit, undone } = takeOutputs(graph, plan);
  return {
    controller: rack.entry.item.ref,
    summary: summaryOf(plan),
    rows: plan.seats.map(({ seeker, slot, why, refused }) => ({
      function: seeker.function,
      title: OUTPUT_FUNCTIONS[seeker.function].title,
      now: seeker.now?.label,
      planned: slot?.label,
      why,
      isNeeded: seeker.isNeeded,
      refused: refused.map((one) => `${one.slot.label}: ${one.why}`),
    })),
    banks: plan.banks.map(({ bank, pulses, why }) => ({
      id: bank.id,
      now: bank.use === undefined ? undefined : pulseWords(bank.use),
      planned: pulses === undefined ? undefined : pulseWords(pulses),
      why,
    })),
    proof: plan.proof,
    edit,
    undone: undone.map(({ what, why }) => `${what}: ${why}.`),
    relaxations: outputRelaxations(graph, plan).flatMap(({ sentence, plan: other }) => {
      const taken = takeOutputs(graph, other).edit;
      return taken === undefined ? [] : [{ sentence, edit: taken }];
    }),
  };
}

function summaryOf(plan: OutputPlan): string {
  const { rack, seats, banks } = plan;
  const left = leftOutOf(plan);
  const used = banks.filter(({ pulses }) => pulses !== undefined).length;
  const placed = `${seats.length - left.length} of ${seats.length} functions have an output of ${rack.entry.item.ref}, in ${used} of ${banks.length} banks.`;
  if (left.length === 0) return placed;
  return `No output for ${listed(left.map(({ seeker }) => OUTPUT_FUNCTIONS[seeker.function].title))}. ${placed}`;
}
