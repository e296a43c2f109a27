import { costOf, usersOf, type Numbered } from './numbered.ts';
import type { Patience, Proof } from './problem.ts';
import { relaxed, ROUNDING, type Relaxed } from './relaxed.ts';

/** What a search gives: the cheapest choice that it found, by seeker, and what nothing is cheaper than. */
export interface Found {
  readonly chosen: readonly number[] | undefined;
  readonly cost: number;
  readonly proof: Proof;
  /** The prices of resources at the start, for another search in the same problem. */
  readonly prices: Float64Array;
  /** 1 for each option with which, by the bound at the start, nothing costs as little as what was found. */
  readonly beyond: Uint8Array<ArrayBuffer>;
}

/** A part of all choices: those in which no option is taken that is ruled out. */
interface Node extends Relaxed {
  /** 1 for each option that is ruled out. */
  readonly out: Uint8Array;
  readonly depth: number;
}

/** Rounds in which prices are looked for: at the start, and from those of the part before. */
const ROUNDS_AT_START = 60;
const ROUNDS_ON_THE_WAY = 12;

/**
 * The cheapest choice, by branch and bound: the relaxed problem bounds each part of all choices from below and gives whole choices on the
 * way; a part that could still hold a cheaper one is parted at a rule that its relaxed choice breaks. The part with the lowest bound
 * comes first, so that the bound of all is known at any time.
 * @param out 1 for options that are ruled out from the start
 * @param enough a choice of this cost or less ends the search, and nothing dearer is looked for; the least of all where it is left out
 */
export function search(problem: Numbered, out: Uint8Array, { patience, enough, prices }: SearchWish = {}): Found {
  const queue = new NodeQueue();
  let chosen: readonly number[] | undefined;
  // What a choice has to be cheaper than.
  let least = enough === undefined ? Infinity : enough + 1;
  const atStart = prices ?? new Float64Array(problem.capacity.length);
  const add = (ruledOut: Uint8Array, from: Float64Array, depth: number): Relaxed | undefined => {
    const rounds = depth === 0 && prices === undefined ? ROUNDS_AT_START : ROUNDS_ON_THE_WAY;
    const part = relaxed(problem, ruledOut, { prices: from, upper: least, rounds, patience });
    if (part === undefined) return undefined;
    if (part.whole !== undefined && costOf(problem, part.whole) < least) {
      least = costOf(problem, part.whole);
      chosen = part.whole;
    }
    queue.push({ ...part, out: ruledOut, depth });
    return part;
  };
  const root = add(out, atStart, 0);
  const answer = (proof: Proof): Found => ({
    chosen,
    cost: chosen === undefined ? Infinity : least,
    proof,
    prices: root?.prices ?? atStart,
    beyond: Uint8Array.from(problem.cost, (_, option) =>
      root !== undefined && root.bound + (root.dearer[option] ?? 0) > least + ROUNDING ? 1 : 0,
    ),
  });
  for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
    const bound = Math.max(0, Math.ceil(node.bound - ROUNDING));
    // 1. The lowest bound of all: nothing is cheaper than what is known.
    if (bound >= least || (enough !== undefined && chosen !== undefined)) break;
    if (patience?.isOver() === true) return answer({ is: 'stopped', atLeast: bound });
    // 2. Two parts that hold every choice of this one between them.
    for (const ruledOut of parted(problem, node)) add(ruledOut, node.prices, node.depth + 1);
  }
  return answer({ is: 'optimal' });
}

export interface SearchWish {
  readonly patience?: Patience | undefined;
  readonly enough?: number;
  readonly prices?: Float64Array;
}

/** Two parts with fewer options each, at a rule that the relaxed choice breaks; none where no choice can keep the rule. */
function parted(problem: Numbered, { out, chosen, prices }: Node): readonly Uint8Array[] {
  const { uses, optionsOf, capacity, notTogether, seekerOf } = problem;
  const users = usersOf(problem, chosen);
  const without = (suits: (option: number) => boolean): Uint8Array => {
    const fewer = Uint8Array.from(out);
    fewer.forEach((is, option) => {
      if (is === 0 && suits(option)) fewer[option] = 1;
    });
    return fewer;
  };
  const usesIt = (option: number, resource: number): boolean => uses[option]?.includes(resource) === true;
  const isOpen = (seeker: number, suits: (option: number) => boolean): boolean =>
    (optionsOf[seeker] ?? []).some((option) => out[option] !== 1 && suits(option));
  // 1. Two that do not go together: one of them is used by nobody.
  const pair = notTogether.find(([a, b]) => (users[a] ?? 0) > 0 && (users[b] ?? 0) > 0);
  if (pair !== undefined) return pair.map((resource) => without((option) => usesIt(option, resource)));
  // 2. A resource that is crowded: one of its users who has another choice uses it never, or always.
  const crowded = users.findIndex((count, resource) => count > (capacity[resource] ?? 1));
  if (crowded >= 0) {
    const seeker = chosen.findIndex((own, i) => usesIt(own, crowded) && isOpen(i, (option) => !usesIt(option, crowded)));
    if (seeker < 0) return [];
    const isOfSeeker = (option: number): boolean => seekerOf[option] === seeker;
    return [
      without((option) => isOfSeeker(option) && usesIt(option, crowded)),
      withoutFull(
        problem,
        without((option) => isOfSeeker(option) && !usesIt(option, crowded)),
        crowded,
      ),
    ];
  }
  // 3. Nothing is broken, and the bound is below the cost for what is paid and not used: a seeker keeps its option, or does without it.
  const open = chosen.map((own, seeker) => ({ own, seeker })).filter(({ own, seeker }) => isOpen(seeker, (option) => option !== own));
  const paid = (option: number): number => (uses[option] ?? []).reduce((sum, resource) => sum + (prices[resource] ?? 0), 0);
  const [dearest] = open.sort((a, b) => paid(b.own) - paid(a.own));
  if (dearest === undefined) return [];
  const { own, seeker } = dearest;
  return [without((option) => seekerOf[option] === seeker && option !== own), without((option) => option === own)];
}

/** Where a resource is full of those who have no other choice, it is ruled out for all others. */
function withoutFull({ optionsOf, uses, capacity }: Numbered, out: Uint8Array, resource: number): Uint8Array {
  const usesIt = (option: number): boolean => uses[option]?.includes(resource) === true;
  const isBound = optionsOf.map((options) => options.every((option) => out[option] === 1 || usesIt(option)));
  if (isBound.filter((is) => is).length < (capacity[resource] ?? 1)) return out;
  const full = Uint8Array.from(out);
  optionsOf.forEach((options, seeker) => {
    if (isBound[seeker] === true) return;
    for (const option of options) if (usesIt(option)) full[option] = 1;
  });
  return full;
}

/** Nodes by their bound, the lowest first, and of equal bounds the deepest; a binary heap. */
class NodeQueue {
  readonly #nodes: Node[] = [];

  push(node: Node): void {
    const nodes = this.#nodes;
    let i = nodes.push(node) - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (!this.#comesFirst(i, up)) break;
      this.#swap(i, up);
      i = up;
    }
  }

  pop(): Node | undefined {
    const nodes = this.#nodes;
    const [first] = nodes;
    const last = nodes.pop();
    if (first === undefined || last === undefined || nodes.length === 0) return first;
    nodes[0] = last;
    for (let i = 0; ;) {
      const [left, right] = [2 * i + 1, 2 * i + 2];
      const down = this.#comesFirst(right, left) ? right : left;
      if (!this.#comesFirst(down, i)) return first;
      this.#swap(i, down);
      i = down;
    }
  }

  #comesFirst(i: number, j: number): boolean {
    const [a, b] = [this.#nodes[i], this.#nodes[j]];
    if (a === undefined || b === undefined) return a !== undefined;
    const [boundA, boundB] = [Math.ceil(a.bound - ROUNDING), Math.ceil(b.bound - ROUNDING)];
    return boundA === boundB ? a.depth > b.depth : boundA < boundB;
  }

  #swap(i: number, j: number): void {
    const [a, b] = [this.#nodes[i], this.#nodes[j]];
    if (a === undefined || b === undefined) return;
    this.#nodes[i] = b;
    this.#nodes[j] = a;
  }
}
