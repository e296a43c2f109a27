/** One way to serve a seeker: what it costs, and what it takes away from others. */
export interface Option {
  /** Of its own within its seeker. */
  readonly id: string;
  /** A whole number from 0 up. */
  readonly cost: number;
  /** The resources of which it uses one unit each. The first that can be used only once is taken for its place. */
  readonly uses: readonly string[];
}

/** Something that gets exactly one of its options. The first option is preferred among equals. */
export interface Seeker {
  readonly id: string;
  readonly options: readonly Option[];
}

/** Who wants what, and what there is. The order of seekers counts among solutions of equal cost, and nothing else. */
export interface Problem {
  readonly seekers: readonly Seeker[];
  /** How many can use a resource; one where nothing is said. */
  readonly capacity: Readonly<Record<string, number>>;
  /** Pairs of resources of which only one is in use, by however many. */
  readonly notTogether: readonly (readonly [string, string])[];
}

/** How near the best possible a solution is known to be. */
export type Proof =
  | { readonly is: 'optimal' }
  /** The search was stopped: nothing is cheaper than `atLeast`. */
  | { readonly is: 'stopped'; readonly atLeast: number };

export type Solution =
  | {
      readonly is: 'solved';
      /** The option of each seeker, in the order of the problem. */
      readonly chosen: readonly Option[];
      readonly cost: number;
      readonly proof: Proof;
    }
  | { readonly is: 'impossible' }
  /** The search was stopped before it found any solution. */
  | { readonly is: 'unknown' };

/** When to give up; never where nothing is given. */
export interface Patience {
  /** True when the search has to stop. Asked once a step. */
  readonly isOver: () => boolean;
}
