import { cheapestMatching } from './matching.ts';
import { costOf, usersOf, type Numbered } from './numbered.ts';
import { repaired } from './repaired.ts';

/** What the relaxed problem says of a part of all choices. */
export interface Relaxed {
  /** Nothing in the part is cheaper. */
  readonly bound: number;
  /** The choice that the bound is of; it may break rules. */
  readonly chosen: readonly number[];
  /** The price of a unit of each resource with which the bound is as high as it gets. */
  readonly prices: Float64Array;
  /** The cheapest whole choice that was come by on the way. */
  readonly whole: readonly number[] | undefined;
}

/** How far above the bound the cost may be for a first step, where no whole choice is known. */
const FIRST_GAP = 100;
/** Rounds without a better bound after which steps are halved. */
const PATIENCE_ROUNDS = 3;
/** Sums of prices are rounded: less than this is nothing, where costs are whole numbers. */
export const ROUNDING = 1e-6;

/**
 * A bound of all choices in which some options are ruled out, from below: every seeker gets a place of its own, which is a matching, and
 * what it uses beyond that is paid for instead of limited. The prices that give the highest bound are looked for by subgradient steps
 * (Lagrangian relaxation; Fisher 1981): what is used too much gets dearer, what is left over cheaper, never below nothing.
 * @param upper the cost of a choice that is known; Infinity where none is
 * @returns undefined when some seeker has no option left, or the places are too few
 */
export function relaxed(problem: Numbered, out: Uint8Array, start: Float64Array, upper: number, rounds: number): Relaxed | undefined {
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
      best = { bound, chosen: choice.chosen, prices: Float64Array.from(prices), whole };
      idle = 0;
    } else if (++idle >= PATIENCE_ROUNDS) {
      step /= 2;
      idle = 0;
    }
    if (Math.ceil(best.bound - ROUNDING) >= least) break;
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

/** The cheapest choice by matching, with what is used paid for. */
function matchedAt(
  problem: Numbered,
  out: Uint8Array,
  prices: Float64Array,
): { readonly chosen: readonly number[]; readonly cost: number } | undefined {
  const { optionsOf, columns, columnOf, cost, uses } = problem;
  const cheapest: Int32Array[] = [];
  const costs = optionsOf.map((options) => {
    const row = new Float64Array(columns).fill(Infinity);
    const places = new Int32Array(columns);
    for (const option of options) {
      if (out[option] === 1) continue;
      let own = cost[option] ?? Infinity;
      for (const resource of uses[option] ?? []) own += prices[resource] ?? 0;
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
  return { chosen: matching.columnOf.map((column, seeker) => cheapest[seeker]?.[column] ?? -1), cost: matching.cost };
}
