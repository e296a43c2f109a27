import { cheapestMatching } from './matching.ts';
import { costOf, usersOf, type Numbered } from './numbered.ts';
import type { Patience } from './problem.ts';
import { repaired } from './repaired.ts';

/** What the relaxed problem says of a part of all choices. */
export interface Relaxed {
  /** Nothing in the part is cheaper. */
  readonly bound: number;
  /** The choice that the bound is of; it may break rules. */
  readonly chosen: readonly number[];
  /** The price of a unit of each resource with which the bound is as high as it gets. */
  readonly prices: Float64Array;
  /** By option: a choice that takes it costs at least so much more than the bound. Infinite for what is ruled out. */
  readonly dearer: Float64Array;
  /** The cheapest whole choice that was come by on the way. */
  readonly whole: readonly number[] | undefined;
}

/** How far above the bound the cost may be for a first step, where no whole choice is known. */
const FIRST_GAP = 100;
/** Rounds without a better bound after which steps are halved. */
const PATIENCE_ROUNDS = 3;
/** Sums of prices are rounded: less than this is nothing, where costs are whole numbers. */
export const ROUNDING = 1e-6;

export interface RelaxedWish {
  /** Prices to begin with. */
  readonly prices: Float64Array;
  /** The cost of a choice that is known; Infinity where none is. */
  readonly upper: number;
  readonly rounds: number;
  /** Where it is over, the bound of the round is taken. */
  readonly patience: Patience | undefined;
}

/**
 * A bound of all choices in which some options are ruled out, from below: every seeker gets a place of its own, which is a matching, and
 * what it uses beyond that is paid for instead of limited. The prices that give the highest bound are looked for by subgradient steps
 * (Lagrangian relaxation; Fisher 1981): what is used too much gets dearer, what is left over cheaper, never below nothing.
 * @returns undefined when some seeker has no option left, or the places are too few
 */
export function relaxed(problem: Numbered, out: Uint8Array, { prices: start, upper, rounds, patience }: RelaxedWish): Relaxed | undefined {
  const { priced, capacity } = problem;
  const prices = Float64Array.from(start);
  let best: Relaxed | undefined;
  let whole: readonly number[] | undefined;
  let least = upper;
  let step = 1;
  let idle = 0;
  for (let round = 0; round < rounds; round++) {
    const choice = matchedAt(problem, out, prices);
    if (choice === undefined) return undefined;
    const bound = choice.cost - priced.reduce((sum, resource) => sum + (prices[resource] ?? 0) * (capacity[resource] ?? 0), 0);
    // 1. A better bound, and a whole choice made of the one that breaks rules.
    const mended = repaired(problem, out, choice.chosen);
    const cost = mended === undefined ? Infinity : costOf(problem, mended);
    if (cost < least) {
      least = cost;
      whole = mended;
    }
    if (best === undefined || bound > best.bound + ROUNDING) {
      best = { bound, chosen: choice.chosen, prices: Float64Array.from(prices), dearer: choice.dearer, whole };
      idle = 0;
    } else if (++idle >= PATIENCE_ROUNDS) {
      step /= 2;
      idle = 0;
    }
    if (Math.ceil(best.bound - ROUNDING) >= least || patience?.isOver() === true) break;
    // 2. New prices.
    const users = usersOf(problem, choice.chosen);
    const over = priced.map((resource) => {
      const more = (users[resource] ?? 0) - (capacity[resource] ?? 0);
      return more < 0 && (prices[resource] ?? 0) <= 0 ? 0 : more;
    });
    const norm = over.reduce((sum, more) => sum + more * more, 0);
    if (norm === 0) break;
    const gap = (Number.isFinite(least) ? least : bound + FIRST_GAP) - bound;
    priced.forEach((resource, i) => {
      prices[resource] = Math.max(0, (prices[resource] ?? 0) + ((step * gap) / norm) * (over[i] ?? 0));
    });
  }
  return best === undefined ? undefined : { ...best, whole };
}

interface Matched {
  readonly chosen: readonly number[];
  readonly cost: number;
  readonly dearer: Float64Array;
}

/** The cheapest choice by matching, with what is used paid for. */
function matchedAt(problem: Numbered, out: Uint8Array, prices: Float64Array): Matched | undefined {
  const { optionsOf, columns, columnOf, cost, uses } = problem;
  const cheapest: Int32Array[] = [];
  const paid = new Float64Array(cost.length).fill(Infinity);
  const costs = optionsOf.map((options) => {
    const row = new Float64Array(columns).fill(Infinity);
    const places = new Int32Array(columns);
    for (const option of options) {
      if (out[option] === 1) continue;
      let own = cost[option] ?? Infinity;
      for (const resource of uses[option] ?? []) own += prices[resource] ?? 0;
      paid[option] = own;
      const column = columnOf[option] ?? 0;
      if (own < (row[column] ?? Infinity)) {
        row[column] = own;
        places[column] = option;
      }
    }
    cheapest.push(places);
    return row;
  });
  const matching = cheapestMatching(costs, columns);
  if (matching === undefined) return undefined;
  const { rowPrice, columnPrice, columnOf: columnAt } = matching;
  const dearer = paid.map(
    (own, option) => own - (rowPrice[problem.seekerOf[option] ?? 0] ?? 0) - (columnPrice[columnOf[option] ?? 0] ?? 0),
  );
  return { chosen: columnAt.map((column, seeker) => cheapest[seeker]?.[column] ?? -1), cost: matching.cost, dearer };
}
