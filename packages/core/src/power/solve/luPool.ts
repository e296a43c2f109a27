import { SparseLu, type Columns } from './sparseLu.ts';

/** So many orders of pivots are kept: those of running devices, of the first rounds, and of what usually shuts down. */
const KEPT = 6;

/**
 * Factorisations of one pattern with several orders of pivots. Which order serves depends on the states of the devices; those that
 * served lately are tried first, which is several times faster than choosing pivots again.
 */
export class LuPool {
  readonly #order: Int32Array;
  readonly #unknowns: number;
  #factors: readonly SparseLu[] = [];

  /** See `SparseLu`. */
  constructor(order: Int32Array, unknowns = order.length) {
    this.#order = order;
    this.#unknowns = unknowns;
  }

  /** The factors of a matrix, to solve with until the next call; undefined when it is singular. */
  factor(matrix: Columns): SparseLu | undefined {
    const [first] = this.#factors;
    if (first?.refactor(matrix) === true) return first;
    const fitting = this.#factors.find((lu) => lu !== first && lu.refactor(matrix));
    const lu = fitting ?? (this.#factors.length < KEPT ? new SparseLu(this.#order, this.#unknowns) : this.#factors.at(-1));
    if (lu === undefined || (lu !== fitting && !lu.factor(matrix))) return undefined;
    this.#factors = [lu, ...this.#factors.filter((other) => other !== lu)];
    return lu;
  }
}
