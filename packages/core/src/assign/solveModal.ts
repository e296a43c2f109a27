import { cheapestMatching } from './matching.ts';
import type { Patience, Proof } from './problem.ts';

/** A place that a seeker can have, with what it costs in each mode of the place's group in which it works there. */
export interface ModalOption {
  /** Index of the place. */
  readonly place: number;
  readonly modes: readonly { readonly mode: string; readonly cost: number }[];
}

/**
 * Seekers that want a place each, places in groups, and groups of which each works in one mode: outputs of a timer, which share pulse kind
 * and rate. Costs are numbers from 0 up.
 */
export interface ModalProblem {
  readonly seekers: readonly { readonly options: readonly ModalOption[]; /** The cost of being left out. */ readonly without: number }[];
  /** The group of each place. */
  readonly groupOf: readonly number[];
  /** What it costs to use a group at all. */
  readonly groups: readonly { readonly opening: number }[];
}

export interface ModalSolution {
  /** By seeker: its place, or undefined for one that is left out. */
  readonly places: readonly (number | undefined)[];
  /** By group: its mode, or undefined for one that nobody uses. */
  readonly modes: readonly (string | undefined)[];
  readonly cost: number;
  readonly proof: Proof;
}

/** What is decided of a group: nothing, that nobody uses it, or its mode. */
type Decision = { readonly is: 'open' } | { readonly is: 'spare' } | { readonly is: 'mode'; readonly mode: string };

interface Node {
  readonly decisions: readonly Decision[];
  readonly bound: number;
  readonly places: readonly (number | undefined)[];
}

const OPEN: Decision = { is: 'open' };
/** Sums of shares are rounded: less than this is nothing. */
const ROUNDING = 1e-9;

/**
 * The cheapest places and modes, by branch and bound. As long as a group is open each of its places is taken at its cheapest mode and for
 * its share of the opening cost, which makes an assignment problem whose cost nothing is below; the group in which that choice is furthest
 * from the truth is decided next, each mode in turn and that nobody uses it. Of equal solutions the first found: the order of seekers,
 * places and modes decides, and no name.
 * @param patience when to stop: then what was found so far is given with how far from the best it may be
 */
export function solveModal(problem: ModalProblem, patience?: Patience): ModalSolution {
  const modesOf = problem.groups.map((_, group) => modesIn(problem, group));
  let best: Node | undefined;
  const first = bounded(
    problem,
    problem.groups.map(() => OPEN),
  );
  // Deepest first, and of the children of a node the cheapest: a whole solution is soon there to measure others by.
  const stack: Node[] = [first];
  let left: number | undefined;
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (best !== undefined && node.bound >= best.bound - ROUNDING) continue;
    if (best !== undefined && patience?.isOver() === true) {
      left = Math.min(node.bound, ...stack.map(({ bound }) => bound));
      break;
    }
    // 1. A choice that is true as it is: its cost is its bound.
    const group = worstGroup(problem, node);
    if (group === undefined) {
      best = node;
      continue;
    }
    // 2. Every way to decide the group.
    const { decisions } = node;
    const ways: readonly Decision[] = [...(modesOf[group] ?? []).map((mode): Decision => ({ is: 'mode', mode })), { is: 'spare' }];
    const children = ways.map((way) => bounded(problem, decisions.with(group, way)));
    // Sorting keeps the order of equals, and the last is looked at first.
    stack.push(...children.sort((a, b) => a.bound - b.bound).reverse());
  }
  if (best === undefined) throw new Error('There is always the choice to leave everybody out.');
  const { places, decisions, bound } = best;
  return {
    places,
    modes: decisions.map((_, group) => modeFor(problem, best, group)),
    cost: bound,
    proof: left === undefined ? { is: 'optimal' } : { is: 'stopped', atLeast: left },
  };
}

function modesIn({ seekers, groupOf }: ModalProblem, group: number): readonly string[] {
  const modes = seekers.flatMap(({ options }) => options.flatMap((option) => (groupOf[option.place] === group ? option.modes : [])));
  return [...new Set(modes.map(({ mode }) => mode))];
}

/** The cheapest choice when some groups are decided: exact in those, from below in the others. */
function bounded(problem: ModalProblem, decisions: readonly Decision[]): Node {
  const { seekers, groupOf, groups } = problem;
  const sizes = groups.map((_, group) => groupOf.filter((own) => own === group).length);
  const columns = groupOf.length + seekers.length;
  const rows = seekers.map(({ options, without }, seeker) => {
    const row = new Float64Array(columns).fill(Infinity);
    row[groupOf.length + seeker] = without;
    for (const option of options) {
      const group = groupOf[option.place] ?? -1;
      const decision = decisions[group] ?? OPEN;
      const share = decision.is === 'open' ? (groups[group]?.opening ?? 0) / (sizes[group] ?? 1) : 0;
      row[option.place] = costIn(option, decision) + share;
    }
    return row;
  });
  const matching = cheapestMatching(rows, columns);
  if (matching === undefined) throw new Error('A seeker can always be left out.');
  const opened = decisions.reduce((sum, decision, group) => sum + (decision.is === 'mode' ? (groups[group]?.opening ?? 0) : 0), 0);
  return {
    decisions,
    bound: matching.cost + opened,
    places: matching.columnOf.map((column) => (column < groupOf.length ? column : undefined)),
  };
}

function costIn({ modes }: ModalOption, decision: Decision): number {
  switch (decision.is) {
    case 'open':
      return Math.min(...modes.map(({ cost }) => cost));
    case 'spare':
      return Infinity;
    case 'mode':
      return modes.find(({ mode }) => mode === decision.mode)?.cost ?? Infinity;
  }
}

/** The open group for which the choice pays least of what it would cost in its best mode; undefined where all pay in full. */
function worstGroup(problem: ModalProblem, node: Node): number | undefined {
  let worst: number | undefined;
  let gap = ROUNDING;
  problem.groups.forEach(({ opening }, group) => {
    if (node.decisions[group]?.is !== 'open') return;
    const users = usersOf(problem, node, group);
    if (users.length === 0) return;
    const size = problem.groupOf.filter((own) => own === group).length;
    const paid = users.reduce((sum, option) => sum + costIn(option, OPEN), 0) + (opening * users.length) / size;
    const least = Math.min(
      ...modesIn(problem, group).map((mode) => users.reduce((sum, option) => sum + costIn(option, { is: 'mode', mode }), 0)),
    );
    if (least + opening - paid > gap) {
      gap = least + opening - paid;
      worst = group;
    }
  });
  return worst;
}

function usersOf({ seekers, groupOf }: ModalProblem, { places }: Node, group: number): readonly ModalOption[] {
  return places.flatMap((place, seeker) =>
    place === undefined || groupOf[place] !== group ? [] : (seekers[seeker]?.options.filter((option) => option.place === place) ?? []),
  );
}

/** The mode of a group in a solution: the decided one, or the first in which its users are cheapest. */
function modeFor(problem: ModalProblem, node: Node, group: number): string | undefined {
  const users = usersOf(problem, node, group);
  const decision = node.decisions[group];
  if (users.length === 0) return undefined;
  if (decision?.is === 'mode') return decision.mode;
  const costs = modesIn(problem, group).map((mode) => ({
    mode,
    cost: users.reduce((sum, option) => sum + costIn(option, { is: 'mode', mode }), 0),
  }));
  return costs.reduce((best, one) => (one.cost < best.cost ? one : best)).mode;
}
