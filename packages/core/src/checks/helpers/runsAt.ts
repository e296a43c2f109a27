import type { Graph } from '../../graph/graph.ts';
import { runsOf, type Run } from '../../harness/runs.ts';

/** The runs that lead to an item. */
export function runsAt(graph: Graph, item: number): readonly Run[] {
  return runsOf(graph).filter(({ a, b }) => a.item === item || b.item === item);
}
