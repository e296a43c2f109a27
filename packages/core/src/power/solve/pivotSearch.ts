import type { Columns, Pattern } from './matrixPattern.ts';

/** The diagonal is taken as the pivot when it is at least this share of the largest entry of its column. */
const DIAGONAL_SHARE = 0.05;
/** Chooses pivots for sparse matrices of one pattern: left-looking, J. R. Gilbert and T. Peierls 1988, with threshold pivoting. */
export class PivotSearch {
  readonly #order: Int32Array;
  readonly #lowStarts: Int32Array;
  #lowRows: Int32Array;
  #low: Float64Array;
  readonly #upStarts: Int32Array;
  #upRows: Int32Array;
  #up: Float64Array;
  readonly #pivotOf: Int32Array;
  readonly #work: Float64Array;
  readonly #stack: Int32Array;
  readonly #marks: Int32Array;
  readonly #next: Int32Array;

  /**
   * @param order in which the columns are eliminated, from `minimumDegree`; rows and columns that it leaves out are not there
   * @param unknowns how many rows are numbered
   */
  constructor(order: Int32Array, unknowns: number) {
    const size = order.length;
    const room = 16 * size + 64;
    this.#order = order;
    this.#lowStarts = new Int32Array(size + 1);
    this.#upStarts = new Int32Array(size + 1);
    this.#lowRows = new Int32Array(room);
    this.#low = new Float64Array(room);
    this.#upRows = new Int32Array(room);
    this.#up = new Float64Array(room);
    this.#pivotOf = new Int32Array(unknowns);
    this.#work = new Float64Array(unknowns);
    this.#stack = new Int32Array(2 * size);
    this.#marks = new Int32Array(unknowns);
    this.#next = new Int32Array(size);
  }

  /** Factors a matrix with pivots of its own. @returns the pattern of the factors; undefined when it is singular */
  search({ starts, rows }: Columns, values: Float64Array): Pattern | undefined {
    const { length: size } = this.#order;
    const x = this.#work;
    const pivotOf = this.#pivotOf.fill(-1);
    this.#marks.fill(-1);
    let lowCount = 0;
    let upCount = 0;
    for (let k = 0; k < size; k++) {
      const column = this.#order[k] ?? 0;
      this.#makeRoom(lowCount + size, upCount + size);
      this.#lowStarts[k] = lowCount;
      this.#upStarts[k] = upCount;
      const top = this.#reach(starts, rows, column, k);
      const columnEnd = starts[column + 1] ?? 0;
      for (let p = starts[column] ?? 0; p < columnEnd; p++) x[rows[p] ?? 0] = values[p] ?? 0;
      for (let p = top; p < size; p++) this.#eliminate(this.#stack[p] ?? 0);
      let pivotRow = -1;
      let largest = 0;
      for (let p = top; p < size; p++) {
        const row = this.#stack[p] ?? 0;
        const at = pivotOf[row] ?? -1;
        if (at >= 0) {
          this.#upRows[upCount] = at;
          this.#up[upCount++] = x[row] ?? 0;
        } else if (Math.abs(x[row] ?? 0) > largest) {
          largest = Math.abs(x[row] ?? 0);
          pivotRow = row;
        }
      }
      if (pivotRow < 0 || !Number.isFinite(largest)) {
        x.fill(0);
        return undefined;
      }
      if ((pivotOf[column] ?? -1) < 0 && Math.abs(x[column] ?? 0) >= DIAGONAL_SHARE * largest) pivotRow = column;
      const pivot = x[pivotRow] ?? 0;
      this.#upRows[upCount] = k;
      this.#up[upCount++] = pivot;
      pivotOf[pivotRow] = k;
      this.#lowRows[lowCount] = pivotRow;
      this.#low[lowCount++] = 1;
      for (let p = top; p < size; p++) {
        const row = this.#stack[p] ?? 0;
        if ((pivotOf[row] ?? -1) < 0) {
          this.#lowRows[lowCount] = row;
          this.#low[lowCount++] = (x[row] ?? 0) / pivot;
        }
        x[row] = 0;
      }
    }
    this.#lowStarts[size] = lowCount;
    this.#upStarts[size] = upCount;
    return {
      order: this.#order,
      pivotOf: pivotOf.slice(),
      lowStarts: this.#lowStarts.slice(),
      lowRows: this.#lowRows.slice(0, lowCount).map((row) => pivotOf[row] ?? 0),
      upStarts: this.#upStarts.slice(),
      upRows: this.#upRows.slice(0, upCount),
      isTwin: new Uint8Array(size),
    };
  }

  #eliminate(row: number): void {
    const j = this.#pivotOf[row] ?? -1;
    const value = this.#work[row] ?? 0;
    if (j < 0 || value === 0) return;
    const end = this.#lowEnd(j);
    for (let p = (this.#lowStarts[j] ?? 0) + 1; p < end; p++) {
      const at = this.#lowRows[p] ?? 0;
      this.#work[at] = (this.#work[at] ?? 0) - (this.#low[p] ?? 0) * value;
    }
  }

  /** Where column j of L ends while the factorisation is under way: the next one's start is written when it begins. */
  #lowEnd(j: number): number {
    return this.#lowStarts[j + 1] ?? 0;
  }

  /** The rows that column `column` fills, in the order of elimination, at the end of the stack from the returned place on. */
  #reach(starts: Int32Array, rows: Int32Array, column: number, k: number): number {
    let top = this.#order.length;
    const end = starts[column + 1] ?? 0;
    for (let p = starts[column] ?? 0; p < end; p++) {
      const row = rows[p] ?? 0;
      if (this.#marks[row] !== k) top = this.#visit(row, k, top);
    }
    return top;
  }

  /** Depth first through the columns of L, without recursion. */
  #visit(first: number, k: number, top: number): number {
    const { length: size } = this.#order;
    let head = 0;
    let at = top;
    this.#stack[size] = first;
    while (head >= 0) {
      const row = this.#stack[size + head] ?? 0;
      const j = this.#pivotOf[row] ?? -1;
      if (this.#marks[row] !== k) {
        this.#marks[row] = k;
        this.#next[head] = j < 0 ? 0 : (this.#lowStarts[j] ?? 0) + 1;
      }
      const end = j < 0 ? 0 : this.#lowEnd(j);
      let isDone = true;
      for (let p = this.#next[head] ?? 0; p < end; p++) {
        const below = this.#lowRows[p] ?? 0;
        if (this.#marks[below] === k) continue;
        this.#next[head] = p + 1;
        this.#stack[size + ++head] = below;
        isDone = false;
        break;
      }
      if (isDone) {
        head--;
        this.#stack[--at] = row;
      }
    }
    return at;
  }

  #makeRoom(low: number, up: number): void {
    if (low > this.#low.length) {
      this.#lowRows = grown(this.#lowRows, new Int32Array(2 * low));
      this.#low = grown(this.#low, new Float64Array(2 * low));
    }
    if (up > this.#up.length) {
      this.#upRows = grown(this.#upRows, new Int32Array(2 * up));
      this.#up = grown(this.#up, new Float64Array(2 * up));
    }
  }
}

function grown<T extends Int32Array | Float64Array>(from: T, to: T): T {
  to.set(from);
  return to;
}
