import type { Graph } from '../../graph/graph.ts';
import { listed } from '../../text/lists.ts';
import { asSentence } from '../../text/sentences.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { OUTPUT_RULES, planRack, type OutputPlan, type OutputRule } from './planOutputs.ts';

/** Rules that, when a person lets go of them, let more functions find an output. */
export interface OutputRelaxation {
  readonly rules: readonly OutputRule[];
  readonly sentence: string;
  readonly plan: OutputPlan;
}

/** The functions that a plan leaves without an output. */
export function leftOutOf({ seats }: OutputPlan): readonly OutputPlan['seats'][number][] {
  return seats.filter(({ slot }) => slot === undefined);
}

/**
 * The fewest rules to let go of so that every needed function finds an output; where no rules are enough, those that help most. Each is
 * tried. None where nothing needed is left out, or nothing helps.
 */
export function outputRelaxations(graph: Graph, plan: OutputPlan): readonly OutputRelaxation[] {
  const needed = (one: OutputPlan): number => leftOutOf(one).filter(({ seeker }) => seeker.isNeeded).length;
  const before = needed(plan);
  if (before === 0) return [];
  const tried = subsets(OUTPUT_RULES)
    .flatMap((rules): OutputRelaxation[] => {
      const other = planRack(graph, plan.rack, { without: rules });
      return needed(other) >= before ? [] : [{ rules, sentence: sentenceOf(plan, other), plan: other }];
    })
    .sort((a, b) => needed(a.plan) - needed(b.plan) || a.rules.length - b.rules.length);
  const [best] = tried;
  return best === undefined
    ? []
    : tried.filter(({ rules, plan: other }) => needed(other) === needed(best.plan) && rules.length === best.rules.length);
}

/** Every set of rules but the empty one, the small ones first. */
function subsets(rules: readonly OutputRule[]): readonly (readonly OutputRule[])[] {
  const all = Array.from({ length: (1 << rules.length) - 1 }, (_, i) => rules.filter((__, k) => ((i + 1) >> k) % 2 === 1));
  return all.sort((a, b) => a.length - b.length);
}

/** What is let go of, and what that brings. */
function sentenceOf(before: OutputPlan, after: OutputPlan): string {
  const left = new Set(leftOutOf(after).map(({ seeker }) => seeker.function));
  const found = leftOutOf(before).filter(({ seeker }) => !left.has(seeker.function));
  const switchedOff = after.seats.flatMap(({ slot }) => slot?.sharedWith ?? []);
  const moved = after.seats.filter(({ seeker: { now }, slot }) => now?.use?.held === true && slot !== undefined && slot.key !== now.key);
  const given = [
    ...(switchedOff.length === 0 ? [] : [`switch off serial ${plural('port', switchedOff)}`]),
    ...(moved.length === 0 ? [] : [`move what is fixed to ${listed(moved.map(({ seeker }) => seeker.now?.label ?? ''))}`]),
  ];
  const names = listed(found.map(({ seeker }) => OUTPUT_FUNCTIONS[seeker.function].title));
  return `${asSentence(listed(given))}: then ${names} ${found.length === 1 ? 'gets' : 'get'} an output.`;
}

function plural(noun: string, names: readonly string[]): string {
  return `${noun}${names.length === 1 ? '' : 's'} ${listed(names)}`;
}
