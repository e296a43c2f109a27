/** Which entries a square sparse matrix has: those of column c are in the rows `rows[starts[c]] .. rows[starts[c + 1] - 1]`. */
export interface Columns {
  readonly size: number;
  readonly starts: Int32Array;
  readonly rows: Int32Array;
}

/** Where the pivots of a matrix are. */
export interface PivotPlan {
  /** The columns in the order in which they are eliminated; what it leaves out is not there. */
  readonly order: Int32Array;
  /** The row in which each column has its pivot. */
  readonly pivotRows: Int32Array;
  /** 1 for each column whose pivot may change rows with that of the next column in order. */
  readonly isTwin: Uint8Array;
}

/** Which entries the factors L and U of a matrix have, with a choice of pivots. Rows are numbered by their pivots. */
export interface Pattern {
  /** The column of each pivot. */
  readonly order: Int32Array;
  /** The pivot of each row of the matrix. */
  readonly pivotOf: Int32Array;
  /** By column, the rows of L: first the pivot's own. */
  readonly lowStarts: Int32Array;
  readonly lowRows: Int32Array;
  /** By column, the rows of U: last the pivot's own. */
  readonly upStarts: Int32Array;
  readonly upRows: Int32Array;
  /** 1 for a pivot that may change rows with the next one: both rows have the same entries. */
  readonly isTwin: Uint8Array;
}

/**
 * The pattern of the factors with pivots that are known beforehand.
 * @param order the column of each pivot
 * @param pivotRows the row in which each column has its pivot
 * @param isTwin 1 for each column whose pivot may change rows with that of the next column in order
 */
export function patternOf({ starts, rows }: Columns, { order, pivotRows, isTwin }: PivotPlan): Pattern {
  const pivotOf = new Int32Array(pivotRows.length).fill(-1);
  order.forEach((column, k) => (pivotOf[pivotRows[column] ?? 0] = k));
  const mayChange = Uint8Array.from(order, (column) => isTwin[column] ?? 0);
  const low = Array.from(order, () => new Set<number>());
  const right = Array.from(order, () => new Set<number>());
  const fill = (row: number, column: number): void => {
    if (row > column) low[column]?.add(row);
    else if (column > row) right[row]?.add(column);
  };
  order.forEach((column, k) => {
    for (let p = starts[column] ?? 0; p < (starts[column + 1] ?? 0); p++) {
      const row = pivotOf[rows[p] ?? 0] ?? 0;
      fill(row, k);
      if (mayChange[row] === 1) fill(row + 1, k);
      if (row > 0 && mayChange[row - 1] === 1) fill(row - 1, k);
    }
  });
  for (const [k, below] of low.entries()) for (const row of below) for (const column of right[k] ?? []) fill(row, column);
  const up = Array.from(order, () => [] as number[]);
  right.forEach((columns, row) => columns.forEach((column) => up[column]?.push(row)));
  const [lowLists, upLists] = [low.map((below, k) => [k, ...below]), up.map((above, k) => [...above, k])];
  return {
    order,
    pivotOf,
    lowStarts: startsOf(lowLists),
    lowRows: Int32Array.from(lowLists.flat()),
    upStarts: startsOf(upLists),
    upRows: Int32Array.from(upLists.flat()),
    isTwin: mayChange,
  };
}

/** Where each of the lists begins when they stand one after another, and where the last one ends. */
export function startsOf(lists: readonly (readonly number[])[]): Int32Array {
  const starts = new Int32Array(lists.length + 1);
  lists.forEach((list, k) => (starts[k + 1] = (starts[k] ?? 0) + list.length));
  return starts;
}
