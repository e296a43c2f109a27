import { Elimination } from './elimination.ts';
import type { Equations } from './equations.ts';
import { patternOf, type Columns } from './matrixPattern.ts';
import { PivotSearch } from './pivotSearch.ts';

/** So many orders of pivots that had to be looked for are kept. */
const KEPT = 6;

/**
 * Factorisations of one pattern. The pivots that are laid down for a circuit nearly always serve; where they do not, such as at the
 * very most that a constant power can draw, others are looked for, and kept for the next time.
 */
export class LuPool {
  readonly #search: PivotSearch;
  readonly #usual: Elimination;
  #others: readonly Elimination[] = [];

  constructor({ size, starts, rows, pivots }: Equations) {
    const pattern = { size, starts, rows };
    this.#search = new PivotSearch(pivots.order, size);
    this.#usual = new Elimination(pattern, patternOf(pattern, pivots));
  }

  /** The factors of a matrix, to solve with until the next call; undefined when it is singular. */
  factor(matrix: Columns & { readonly values: Float64Array }): Elimination | undefined {
    if (this.#usual.factor(matrix.values)) return this.#usual;
    const lu = this.#others.find((known) => known.factor(matrix.values)) ?? this.#afresh(matrix);
    if (lu !== undefined) this.#others = [lu, ...this.#others.filter((other) => other !== lu)].slice(0, KEPT);
    return lu;
  }

  #afresh(matrix: Columns & { readonly values: Float64Array }): Elimination | undefined {
    const pattern = this.#search.search(matrix, matrix.values);
    if (pattern === undefined) return undefined;
    const lu = new Elimination(matrix, pattern);
    return lu.factor(matrix.values, 0) ? lu : undefined;
  }
}
