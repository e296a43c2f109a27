import type { Numbered } from './numbered.ts';

/**
 * A choice that breaks no rule, made of one that may: options stay in turn as long as they are allowed beside those before, and who lost
 * its option gets the cheapest that is still allowed. Quick, and often not the best.
 * @returns undefined when somebody is left without
 */
export function repaired(problem: Numbered, out: Uint8Array, chosen: readonly number[]): readonly number[] | undefined {
  const { optionsOf, cost } = problem;
  const room = new Room(problem);
  const kept = chosen.map((option) => (room.take(option) ? option : -1));
  for (const [seeker, options] of optionsOf.entries()) {
    if (kept[seeker] !== -1) continue;
    let best = -1;
    for (const option of options) {
      if (out[option] !== 1 && room.has(option) && (best < 0 || (cost[option] ?? 0) < (cost[best] ?? 0))) best = option;
    }
    if (best < 0) return undefined;
    room.take(best);
    kept[seeker] = best;
  }
  return kept;
}

/** What is left of every resource while a choice is made. */
class Room {
  readonly #users: Int32Array;

  constructor(private readonly problem: Numbered) {
    this.#users = new Int32Array(problem.capacity.length);
  }

  /** True where an option breaks no rule beside what is taken. */
  has(option: number): boolean {
    const { uses, capacity, notTogether } = this.problem;
    const users = this.#users;
    return (uses[option] ?? []).every(
      (resource) =>
        (users[resource] ?? 0) < (capacity[resource] ?? 1) &&
        notTogether.every(([a, b]) => (resource !== a || users[b] === 0) && (resource !== b || users[a] === 0)),
    );
  }

  /** Takes an option where it breaks no rule. @returns false where it does */
  take(option: number): boolean {
    if (!this.has(option)) return false;
    for (const resource of this.problem.uses[option] ?? []) this.#users[resource] = (this.#users[resource] ?? 0) + 1;
    return true;
  }
}
