import { numbered, type Numbered } from './numbered.ts';
import type { Patience, Problem, Solution } from './problem.ts';
import { search, type Found } from './search.ts';

/**
 * The cheapest choice of one option for every seeker under all rules; of several that cost the same, that in which the first seeker has
 * the first of its options, then the second, and so on. So it hangs on the order of seekers and options alone, and on no name.
 * @param patience when to stop: then what was found so far is given with how far from the best it may be
 * @throws where a cost is no whole number from 0 up
 */
export function solveAssignment(problem: Problem, patience?: Patience): Solution {
  const numbers = numbered(problem);
  const found = search(numbers, new Uint8Array(numbers.cost.length), { patience });
  const { chosen, cost, proof } = found;
  if (chosen === undefined) return proof.is === 'optimal' ? { is: 'impossible' } : { is: 'unknown' };
  const best = proof.is === 'optimal' ? firstAmongEqual(numbers, chosen, found, patience) : chosen;
  return { is: 'solved', chosen: optionsAt(problem, best), cost, proof };
}

function optionsAt({ seekers }: Problem, chosen: readonly number[]) {
  const all = seekers.flatMap(({ options }) => options);
  return chosen.map((option) => {
    const one = all[option];
    if (one === undefined) throw new Error('A seeker has no option in a solution.');
    return one;
  });
}

/** Seeker by seeker, the first option with which the rest can still cost as little. Where patience is over, what is left stays as found. */
function firstAmongEqual(
  problem: Numbered,
  first: readonly number[],
  { cost, prices, beyond }: Found,
  patience?: Patience,
): readonly number[] {
  let chosen = first;
  let out = beyond;
  const users = new Int32Array(problem.capacity.length);
  for (const [seeker, options] of problem.optionsOf.entries()) {
    for (const option of options) {
      if (option === chosen[seeker]) break;
      if (out[option] === 1) continue;
      if (patience?.isOver() === true) return chosen;
      const found = search(problem, onlyAt(problem, out, seeker, option), { patience, enough: cost, prices });
      if (found.chosen === undefined) continue;
      chosen = found.chosen;
      break;
    }
    const kept = chosen[seeker];
    if (kept === undefined) throw new Error('A seeker has no option in a solution.');
    out = onlyAt(problem, out, seeker, kept);
    // What those before have used up is no choice for those after.
    for (const resource of problem.uses[kept] ?? []) {
      const used = (users[resource] ?? 0) + 1;
      users[resource] = used;
      if (used >= (problem.capacity[resource] ?? 1)) withoutAfter(problem, out, seeker, resource);
    }
  }
  return chosen;
}

function withoutAfter({ optionsOf, uses }: Numbered, out: Uint8Array, seeker: number, resource: number): void {
  for (const options of optionsOf.slice(seeker + 1)) {
    for (const option of options) if (uses[option]?.includes(resource) === true) out[option] = 1;
  }
}

function onlyAt({ seekerOf }: Numbered, out: Uint8Array<ArrayBuffer>, seeker: number, option: number): Uint8Array<ArrayBuffer> {
  return out.map((is, other) => (seekerOf[other] === seeker && other !== option ? 1 : is));
}
