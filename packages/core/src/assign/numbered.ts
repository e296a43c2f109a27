import type { Problem } from './problem.ts';

/** A problem in numbers: options of all seekers in one row, resources by number. */
export interface Numbered {
  /** The options of each seeker. */
  readonly optionsOf: readonly (readonly number[])[];
  readonly seekerOf: readonly number[];
  readonly cost: readonly number[];
  readonly uses: readonly (readonly number[])[];
  readonly capacity: readonly number[];
  readonly notTogether: readonly (readonly [number, number])[];
  /** The column of each option in the relaxed problem, in which a place is used once and nothing else counts. */
  readonly columnOf: readonly number[];
  readonly columns: number;
  /** The resources of which the relaxed problem could use too much. */
  readonly priced: readonly number[];
}

/** The same problem in numbers. @throws where a cost is no whole number from 0 up */
export function numbered({ seekers, capacity, notTogether }: Problem): Numbered {
  const resources = new Numbers();
  const columns = new Numbers();
  const capacityOf = (name: string): number => capacity[name] ?? 1;
  const all = seekers.flatMap(({ options }, seeker) => options.map((option) => ({ option, seeker })));
  for (const { option } of all) {
    if (!Number.isSafeInteger(option.cost) || option.cost < 0) throw new Error(`The option ${option.id} costs ${option.cost}.`);
  }
  const uses = all.map(({ option }) => [...new Set(option.uses)].map((name) => resources.of(name)));
  const pairs = notTogether.map(([a, b]): [number, number] => [resources.of(a), resources.of(b)]);
  const places = all.map(({ option }) => option.uses.find((name) => capacityOf(name) === 1));
  // What has no place of its own gets a column that is its seeker's alone.
  const columnOf = all.map(({ seeker }, i) => columns.of(places[i] === undefined ? `own ${seeker}` : `place ${places[i]}`));
  const capacities = resources.names.map(capacityOf);
  const seekersAt = resources.names.map(() => new Set<number>());
  const isPlaceOfAll = resources.names.map(() => true);
  for (const [i, { seeker }] of all.entries()) {
    for (const resource of uses[i] ?? []) {
      seekersAt[resource]?.add(seeker);
      if (resources.names[resource] !== places[i]) isPlaceOfAll[resource] = false;
    }
  }
  const priced = capacities.flatMap((most, resource) =>
    (seekersAt[resource]?.size ?? 0) <= most || isPlaceOfAll[resource] === true ? [] : [resource],
  );
  let next = 0;
  return {
    optionsOf: seekers.map(({ options }) => options.map(() => next++)),
    seekerOf: all.map(({ seeker }) => seeker),
    cost: all.map(({ option }) => option.cost),
    uses,
    capacity: capacities,
    notTogether: pairs,
    columnOf,
    // A row needs a column even where there are fewer places than seekers.
    columns: Math.max(columns.names.length, seekers.length),
    priced,
  };
}

/** Names by number, in the order in which they come. */
class Numbers {
  readonly names: string[] = [];
  readonly #numbers = new Map<string, number>();

  of(name: string): number {
    const known = this.#numbers.get(name);
    if (known !== undefined) return known;
    this.#numbers.set(name, this.names.length);
    return this.names.push(name) - 1;
  }
}

/** How many of the chosen options use each resource. */
export function usersOf({ uses, capacity }: Numbered, chosen: readonly number[]): Int32Array {
  const users = new Int32Array(capacity.length);
  for (const option of chosen) for (const resource of uses[option] ?? []) users[resource] = (users[resource] ?? 0) + 1;
  return users;
}

export function costOf({ cost }: Numbered, chosen: readonly number[]): number {
  return chosen.reduce((sum, option) => sum + (cost[option] ?? Infinity), 0);
}
