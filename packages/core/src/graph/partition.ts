import type { Partition } from './graph.ts';

/**
 * Groups of nodes by what joins them. Groups are numbered by their lowest node, so that equal input gives equal numbers. Union by
 * size with path halving (R. E. Tarjan 1975): nearly linear.
 */
export class Grouping {
  readonly #parent: Int32Array;
  readonly #size: Int32Array;

  constructor(count: number) {
    this.#parent = new Int32Array(count);
    for (let node = 0; node < count; node++) this.#parent[node] = node;
    this.#size = new Int32Array(count).fill(1);
  }

  join(a: number, b: number): void {
    const [parent, size] = [this.#parent, this.#size];
    const x = rootOf(parent, a);
    const y = rootOf(parent, b);
    if (x === y) return;
    const isSmaller = (size[x] ?? 0) < (size[y] ?? 0);
    const small = isSmaller ? x : y;
    const large = isSmaller ? y : x;
    parent[small] = large;
    size[large] = (size[large] ?? 0) + (size[small] ?? 0);
  }

  partition(): Partition {
    return numbered(this.#parent);
  }
}

function rootOf(parent: Int32Array, node: number): number {
  let at = node;
  while (parent[at] !== at) {
    const up = parent[parent[at] ?? at] ?? at;
    parent[at] = up;
    at = up;
  }
  return at;
}

/** Groups `count` nodes by the given joints. */
export function partitionOf(count: number, joints: Iterable<readonly [number, number]>): Partition {
  const grouping = new Grouping(count);
  for (const [a, b] of joints) grouping.join(a, b);
  return grouping.partition();
}

function numbered(parent: Int32Array): Partition {
  const count = parent.length;
  const groupByRoot = new Int32Array(count).fill(-1);
  const group = new Int32Array(count);
  let groups = 0;
  for (let node = 0; node < count; node++) {
    const root = rootOf(parent, node);
    if (groupByRoot[root] === -1) groupByRoot[root] = groups++;
    group[node] = groupByRoot[root] ?? 0;
  }
  const starts = new Int32Array(groups + 1);
  for (const g of group) starts[g + 1] = (starts[g + 1] ?? 0) + 1;
  for (let g = 0; g < groups; g++) starts[g + 1] = (starts[g + 1] ?? 0) + (starts[g] ?? 0);
  const fill = starts.slice();
  const members = new Int32Array(count);
  for (let node = 0; node < count; node++) {
    const g = group[node] ?? 0;
    members[fill[g] ?? 0] = node;
    fill[g] = (fill[g] ?? 0) + 1;
  }
  return { groupOf: group, count: groups, starts, members };
}
