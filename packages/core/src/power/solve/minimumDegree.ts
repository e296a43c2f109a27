/**
 * An elimination order for a sparse symmetric pattern that keeps the fill small: always the unknown with the fewest neighbours
 * next, ties by number (minimum degree, W. F. Tinney and J. W. Walker 1967). For networks that are nearly trees it gives
 * nearly no fill at all.
 * @param neighbours for each unknown those that share an equation with it
 */
export function minimumDegree(neighbours: readonly ReadonlySet<number>[]): Int32Array {
  const left = neighbours.map((set, i) => new Set([...set].filter((j) => j !== i)));
  const order = new Int32Array(left.length);
  const byDegree: Set<number>[] = [];
  const put = (i: number, degree: number): void => void (byDegree[degree] ??= new Set()).add(i);
  left.forEach((set, i) => put(i, set.size));
  for (let k = 0; k < order.length; k++) {
    const next = lowest(byDegree);
    order[k] = next;
    const around = left[next] ?? new Set<number>();
    byDegree[around.size]?.delete(next);
    for (const i of around) {
      const own = left[i];
      if (own === undefined) continue;
      byDegree[own.size]?.delete(i);
      own.delete(next);
      for (const j of around) if (j !== i) own.add(j);
      put(i, own.size);
    }
  }
  return order;
}

function lowest(byDegree: readonly (ReadonlySet<number> | undefined)[]): number {
  for (const set of byDegree) if (set !== undefined && set.size > 0) return Math.min(...set);
  return -1;
}
