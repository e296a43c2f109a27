import { describe, expect, it } from '@jest/globals';
import { modalCase } from '../demo/modalCases.ts';
import { cheapestMatching } from './matching.ts';
import { solveModal, type ModalProblem, type ModalSolution } from './solveModal.ts';

/** In CI a sample; all of them with `WF_MODAL_CASES=2000`. */
const CASES = Number(process.env['WF_MODAL_CASES'] ?? 120);
const LARGE_CASES = Math.max(2, Math.round(CASES / 60));

/** Every choice of modes for all groups; undefined for a group that nobody may use. */
function* allModes({ seekers, groupOf, groups }: ModalProblem): Generator<readonly (string | undefined)[]> {
  const modesOf = groups.map((_, group) => [
    undefined,
    ...new Set(
      seekers.flatMap(({ options }) =>
        options.flatMap(({ place, modes }) => (groupOf[place] === group ? modes.map(({ mode }) => mode) : [])),
      ),
    ),
  ]);
  const count = modesOf.reduce((product, modes) => product * modes.length, 1);
  for (let n = 0; n < count; n++) {
    let rest = n;
    yield modesOf.map((modes) => {
      const mode = modes[rest % modes.length];
      rest = Math.floor(rest / modes.length);
      return mode;
    });
  }
}

function costAt({ seekers, groupOf }: ModalProblem, seeker: number, place: number, modes: readonly (string | undefined)[]): number {
  const mode = modes[groupOf[place] ?? -1];
  const option = seekers[seeker]?.options.find((one) => one.place === place);
  return option?.modes.find((one) => one.mode === mode)?.cost ?? Infinity;
}

function opened({ groups }: ModalProblem, modes: readonly (string | undefined)[]): number {
  return modes.reduce((sum, mode, group) => sum + (mode === undefined ? 0 : (groups[group]?.opening ?? 0)), 0);
}

/** Every choice of modes, and in each every set of places that those before can have taken. */
function exhaustiveCost(problem: ModalProblem): number {
  const { seekers, groupOf } = problem;
  const sets = 1 << groupOf.length;
  let best = Infinity;
  for (const modes of allModes(problem)) {
    let least = new Float64Array(sets).fill(Infinity);
    least[0] = opened(problem, modes);
    seekers.forEach(({ without }, seeker) => {
      const next = new Float64Array(sets).fill(Infinity);
      const costs = groupOf.map((_, place) => costAt(problem, seeker, place, modes));
      for (let taken = 0; taken < sets; taken++) {
        const sofar = least[taken] ?? Infinity;
        if (sofar >= best) continue;
        next[taken] = Math.min(next[taken] ?? Infinity, sofar + without);
        costs.forEach((cost, place) => {
          const bit = 1 << place;
          if ((taken & bit) === 0 && cost < Infinity) next[taken | bit] = Math.min(next[taken | bit] ?? Infinity, sofar + cost);
        });
      }
      least = next;
    });
    best = Math.min(best, ...least);
  }
  return best;
}

/** Every choice of modes, and in each the cheapest matching. */
function enumeratedCost(problem: ModalProblem): number {
  const { seekers, groupOf } = problem;
  let best = Infinity;
  for (const modes of allModes(problem)) {
    const columns = groupOf.length + seekers.length;
    const rows = seekers.map(({ without }, seeker) =>
      Float64Array.from({ length: columns }, (_, column) =>
        column < groupOf.length ? costAt(problem, seeker, column, modes) : column === groupOf.length + seeker ? without : Infinity,
      ),
    );
    best = Math.min(best, (cheapestMatching(rows, columns)?.cost ?? Infinity) + opened(problem, modes));
  }
  return best;
}

/** The cost of a solution by its own places and modes, and that it keeps the rules. */
function paid(problem: ModalProblem, { places, modes }: ModalSolution): number {
  const taken = places.filter((place) => place !== undefined);
  expect(new Set(taken).size).toBe(taken.length);
  return places.reduce<number>(
    (sum, place, seeker) => sum + (place === undefined ? (problem.seekers[seeker]?.without ?? 0) : costAt(problem, seeker, place, modes)),
    opened(problem, modes),
  );
}

describe('places in groups of one mode', () => {
  it('cost what an exhaustive search finds: seven seekers, nine places, three groups', () => {
    for (let seed = 1; seed <= CASES; seed++) {
      const problem = modalCase(seed, { seekers: 4 + (seed % 4), places: 6 + (seed % 4), groups: 2 + (seed % 2) });
      const found = solveModal(problem);
      expect({ seed, cost: found.cost, proof: found.proof }).toEqual({
        seed,
        cost: expect.closeTo(exhaustiveCost(problem), 6),
        proof: { is: 'optimal' },
      });
      expect(paid(problem, found)).toBeCloseTo(found.cost, 6);
    }
  });

  it('cost what the best of all modes with the best matching in each costs: fourteen seekers, sixteen places, six groups', () => {
    for (let seed = 1; seed <= LARGE_CASES; seed++) {
      const problem = modalCase(seed, { seekers: 14, places: 16, groups: 6 });
      const found = solveModal(problem);
      expect(found.cost).toBeCloseTo(enumeratedCost(problem), 6);
      expect(paid(problem, found)).toBeCloseTo(found.cost, 6);
    }
  });

  it('are the same for the same problem, and say how far from the best they may be where the search is stopped', () => {
    const problem = modalCase(5, { seekers: 14, places: 16, groups: 6 });
    expect(solveModal(problem)).toEqual(solveModal(problem));
    const stopped = solveModal(problem, { isOver: () => true });
    const best = solveModal(problem);
    expect(stopped.cost).toBeGreaterThanOrEqual(best.cost);
    if (stopped.proof.is === 'stopped') expect(stopped.proof.atLeast).toBeLessThanOrEqual(best.cost);
  });

  it('leave everybody out where there is no place', () => {
    const problem: ModalProblem = { seekers: [{ options: [], without: 7 }], groupOf: [], groups: [] };
    expect(solveModal(problem)).toEqual({ places: [undefined], modes: [], cost: 7, proof: { is: 'optimal' } });
  });
});
