/** A matching of rows to columns: the column of each row, and what all cost together. */
export interface Matching {
  readonly columnOf: readonly number[];
  readonly cost: number;
  /** What every matching pays at least for a row and for a column: one that takes another cell costs more by at least what that cell costs above both. */
  readonly rowPrice: Float64Array;
  readonly columnPrice: Float64Array;
}

/**
 * The matching of every row to a column of its own with the least sum of costs.
 * Shortest augmenting paths with potentials (Kuhn, Munkres; in the form of Jonker and Volgenant): O(rows^2 * columns).
 * @param costs by row and column; Infinity where the two cannot be matched. At least as many columns as rows
 * @returns undefined when some row finds no column
 */
export function cheapestMatching(costs: readonly Float64Array[], columns: number): Matching | undefined {
  const rows = costs.length;
  // Row 0 and column 0 are helpers: the augmenting path begins at column 0.
  const rowPotential = new Float64Array(rows + 1);
  const columnPotential = new Float64Array(columns + 1);
  const rowAt = new Int32Array(columns + 1);
  const before = new Int32Array(columns + 1);
  const slack = new Float64Array(columns + 1);
  const isReached = new Uint8Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    rowAt[0] = row;
    slack.fill(Infinity);
    isReached.fill(0);
    let column = 0;
    // 1. The cheapest alternating path from the new row to a free column.
    do {
      isReached[column] = 1;
      const from = at(rowAt, column);
      const own = costs[from - 1];
      if (own === undefined) throw new Error('A row without costs.');
      let least = Infinity;
      let next = -1;
      for (let other = 1; other <= columns; other++) {
        if (isReached[other] === 1) continue;
        const reduced = at(own, other - 1) - at(rowPotential, from) - at(columnPotential, other);
        if (reduced < at(slack, other)) {
          slack[other] = reduced;
          before[other] = column;
        }
        if (at(slack, other) < least) {
          least = at(slack, other);
          next = other;
        }
      }
      if (next < 0 || least === Infinity) return undefined;
      for (let other = 0; other <= columns; other++) {
        if (isReached[other] === 1) {
          const reachedRow = at(rowAt, other);
          rowPotential[reachedRow] = at(rowPotential, reachedRow) + least;
          columnPotential[other] = at(columnPotential, other) - least;
        } else slack[other] = at(slack, other) - least;
      }
      column = next;
    } while (at(rowAt, column) !== 0);
    // 2. Along the path each row moves on by one.
    while (column !== 0) {
      const previous = at(before, column);
      rowAt[column] = at(rowAt, previous);
      column = previous;
    }
  }
  const columnOf = new Array<number>(rows).fill(-1);
  let cost = 0;
  for (let column = 1; column <= columns; column++) {
    const row = at(rowAt, column);
    if (row === 0) continue;
    columnOf[row - 1] = column - 1;
    cost += at(costs[row - 1] ?? new Float64Array(), column - 1);
  }
  return { columnOf, cost, rowPrice: rowPotential.subarray(1), columnPrice: columnPotential.subarray(1) };
}

function at(values: Float64Array | Int32Array, i: number): number {
  const value = values[i];
  if (value === undefined) throw new RangeError(`There is nothing at ${i}.`);
  return value;
}
