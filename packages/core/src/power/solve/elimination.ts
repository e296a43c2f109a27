import { startsOf, type Columns, type Pattern } from './matrixPattern.ts';

/** A pivot that is smaller than this share of its column makes the order of pivots unfit. */
const WORN_PIVOT = 1e-6;

/**
 * The elimination of matrices of one pattern with one order of pivots, laid out beforehand: each step finds its numbers in a row,
 * with nothing to look up. Several times faster than choosing pivots again.
 */
export class Elimination {
  /** By pivot: the pivot (after the elimination its inverse), its column of L, its row of U. */
  readonly #numbers: Float64Array;
  /** For each of them the other index: the row in L, the column in U. */
  readonly #index: Int32Array;
  /** Where the three begin: `3 * pivot` for the pivot, then L, then U; one more at the end. */
  readonly #bounds: Int32Array;
  /** For each pivot, each entry of L and each of U: the number that their product is taken from. */
  readonly #targets: Int32Array;
  /** The number that each value of the matrix is put in. */
  readonly #places: Int32Array;
  /** For each pivot where its list of `#swaps` begins: pairs of numbers that change places when it changes rows with the next. */
  readonly #swapStarts: Int32Array;
  readonly #swaps: Int32Array;
  /** For each pivot that may, the number below it. */
  readonly #below: Int32Array;
  /** 1 for each pivot that has changed rows with the next. */
  readonly #isSwapped: Uint8Array;
  readonly #order: Int32Array;
  readonly #rowOf: Int32Array;
  readonly #y: Float64Array;

  constructor({ starts, rows }: Columns, pattern: Pattern) {
    const { order, pivotOf, lowStarts, lowRows, upStarts, upRows } = pattern;
    const size = order.length;
    const bounds = boundsOf(pattern);
    const count = bounds[3 * size] ?? 0;
    this.#order = order;
    this.#rowOf = new Int32Array(size);
    for (const row of order) this.#rowOf[pivotOf[row] ?? 0] = row;
    this.#bounds = bounds;
    this.#numbers = new Float64Array(count);
    this.#index = new Int32Array(count);
    this.#y = new Float64Array(size);
    this.#places = new Int32Array(rows.length).fill(-1);
    this.#isSwapped = new Uint8Array(size);
    this.#below = new Int32Array(size);
    const swaps = Array.from({ length: size }, () => [] as number[]);
    const targetStarts = new Int32Array(size + 1);
    for (let k = 0; k < size; k++) {
      const [from = 0, middle = 0, end = 0] = [bounds[3 * k + 1], bounds[3 * k + 2], bounds[3 * k + 3]];
      targetStarts[k + 1] = (targetStarts[k] ?? 0) + (middle - from) * (end - middle);
    }
    this.#targets = new Int32Array(targetStarts[size] ?? 0);
    // Column by column, with the place of each of its numbers at hand.
    const placeAt = new Int32Array(size);
    const filled = new Int32Array(size);
    for (let k = 0; k < size; k++) {
      placeAt[k] = bounds[3 * k] ?? 0;
      let place = bounds[3 * k + 1] ?? 0;
      for (let p = (lowStarts[k] ?? 0) + 1; p < (lowStarts[k + 1] ?? 0); p++) {
        const row = lowRows[p] ?? 0;
        placeAt[row] = place;
        this.#index[place++] = row;
      }
      if (pattern.isTwin[k] === 1) this.#below[k] = placeAt[k + 1] ?? 0;
      const upEnd = (upStarts[k + 1] ?? 0) - 1;
      for (let p = upStarts[k] ?? 0; p < upEnd; p++) {
        const above = upRows[p] ?? 0;
        const at = (bounds[3 * above + 2] ?? 0) + (filled[above] ?? 0);
        placeAt[above] = at;
        this.#index[at] = k;
      }
      for (let p = upStarts[k] ?? 0; p < upEnd; p++) this.#aim(upRows[p] ?? 0, filled, targetStarts, placeAt);
      const entries = [...upRows.subarray(upStarts[k] ?? 0, upEnd), ...lowRows.subarray(lowStarts[k] ?? 0, lowStarts[k + 1] ?? 0)];
      for (const row of entries) if (pattern.isTwin[row] === 1) swaps[row]?.push(placeAt[row] ?? 0, placeAt[row + 1] ?? 0);
      const column = order[k] ?? 0;
      for (let p = starts[column] ?? 0; p < (starts[column + 1] ?? 0); p++) this.#places[p] = placeAt[pivotOf[rows[p] ?? 0] ?? 0] ?? 0;
    }
    this.#swapStarts = startsOf(swaps);
    this.#swaps = Int32Array.from(swaps.flat());
  }

  /** Says where the products of the next entry in row `above` of U go: each entry of that pivot's column of L meets it. */
  #aim(above: number, filled: Int32Array, targetStarts: Int32Array, placeAt: Int32Array): void {
    const [from = 0, middle = 0, end = 0] = [this.#bounds[3 * above + 1], this.#bounds[3 * above + 2], this.#bounds[3 * above + 3]];
    const nth = filled[above] ?? 0;
    filled[above] = nth + 1;
    for (let p = from; p < middle; p++) {
      this.#targets[(targetStarts[above] ?? 0) + (p - from) * (end - middle) + nth] = placeAt[this.#index[p] ?? 0] ?? 0;
    }
  }

  /**
   * Factors a matrix with these pivots.
   * @param worn the share of its column below which a pivot does not serve
   * @returns false when one does not
   */
  factor(values: Float64Array, worn = WORN_PIVOT): boolean {
    const [numbers, bounds, targets, places] = [this.#numbers, this.#bounds, this.#targets, this.#places];
    const [swapStarts, isSwapped] = [this.#swapStarts, this.#isSwapped];
    const size = this.#order.length;
    numbers.fill(0);
    for (let p = 0; p < places.length; p++) numbers[places[p] ?? 0] = values[p] ?? 0;
    let target = 0;
    for (let k = 0; k < size; k++) {
      const at = bounds[3 * k] ?? 0;
      const middle = bounds[3 * k + 2] ?? 0;
      const end = bounds[3 * k + 3] ?? 0;
      if ((swapStarts[k + 1] ?? 0) > (swapStarts[k] ?? 0)) isSwapped[k] = this.#swapIfWorn(k) ? 1 : 0;
      const pivot = numbers[at] ?? 0;
      const inverse = 1 / pivot;
      let largest = Math.abs(pivot);
      for (let p = at + 1; p < middle; p++) {
        const value = numbers[p] ?? 0;
        if (value === 0) {
          target += end - middle;
          continue;
        }
        if (Math.abs(value) > largest) largest = Math.abs(value);
        const factor = value * inverse;
        numbers[p] = factor;
        for (let q = middle; q < end; q++) {
          const place = targets[target++] ?? 0;
          numbers[place] = (numbers[place] ?? 0) - factor * (numbers[q] ?? 0);
        }
      }
      if (!(Math.abs(pivot) > worn * largest)) return false;
      numbers[at] = inverse;
    }
    return true;
  }

  /** Lets a pivot and the next one change rows when the next row has by far the larger number in its column. */
  #swapIfWorn(k: number): boolean {
    const [numbers, swaps] = [this.#numbers, this.#swaps];
    const at = this.#bounds[3 * k] ?? 0;
    const below = numbers[this.#below[k] ?? 0] ?? 0;
    if (Math.abs(numbers[at] ?? 0) >= WORN_PIVOT * Math.abs(below)) return false;
    const end = this.#swapStarts[k + 1] ?? 0;
    for (let p = this.#swapStarts[k] ?? 0; p < end; p += 2) {
      const [a, b] = [swaps[p] ?? 0, swaps[p + 1] ?? 0];
      const value = numbers[a] ?? 0;
      numbers[a] = numbers[b] ?? 0;
      numbers[b] = value;
    }
    return true;
  }

  /** Solves with the factors; `x` holds the right side and then the solution. */
  solve(x: Float64Array): void {
    const [numbers, index, bounds, order, rowOf, y] = [this.#numbers, this.#index, this.#bounds, this.#order, this.#rowOf, this.#y];
    const isSwapped = this.#isSwapped;
    const size = order.length;
    for (let k = 0; k < size; k++) y[k] = x[rowOf[k] ?? 0] ?? 0;
    for (let k = 0; k < size; k++) {
      if (isSwapped[k] !== 1) continue;
      const value = y[k] ?? 0;
      y[k] = y[k + 1] ?? 0;
      y[k + 1] = value;
    }
    for (let k = 0; k < size; k++) {
      const value = y[k] ?? 0;
      if (value === 0) continue;
      const end = bounds[3 * k + 2] ?? 0;
      for (let p = bounds[3 * k + 1] ?? 0; p < end; p++) {
        const row = index[p] ?? 0;
        y[row] = (y[row] ?? 0) - (numbers[p] ?? 0) * value;
      }
    }
    for (let k = size - 1; k >= 0; k--) {
      let value = y[k] ?? 0;
      const end = bounds[3 * k + 3] ?? 0;
      for (let p = bounds[3 * k + 2] ?? 0; p < end; p++) value -= (numbers[p] ?? 0) * (y[index[p] ?? 0] ?? 0);
      value *= numbers[bounds[3 * k] ?? 0] ?? 0;
      y[k] = value;
      x[order[k] ?? 0] = value;
    }
  }
}

/** Where each pivot, its column of L and its row of U begin among the numbers. */
function boundsOf({ order, lowStarts, upStarts, upRows }: Pattern): Int32Array {
  const size = order.length;
  const inRow = new Int32Array(size);
  for (let k = 0; k < size; k++) {
    for (let p = upStarts[k] ?? 0; p < (upStarts[k + 1] ?? 0) - 1; p++) {
      const row = upRows[p] ?? 0;
      inRow[row] = (inRow[row] ?? 0) + 1;
    }
  }
  const bounds = new Int32Array(3 * size + 1);
  for (let k = 0; k < size; k++) {
    const at = bounds[3 * k] ?? 0;
    bounds[3 * k + 1] = at + 1;
    bounds[3 * k + 2] = at + (lowStarts[k + 1] ?? 0) - (lowStarts[k] ?? 0);
    bounds[3 * k + 3] = (bounds[3 * k + 2] ?? 0) + (inRow[k] ?? 0);
  }
  return bounds;
}
