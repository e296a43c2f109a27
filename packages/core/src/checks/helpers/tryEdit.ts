import { applyEdit } from '../../edits/applyEdit.ts';
import { withFreshIds } from '../../edits/freshIds.ts';
import type { Edit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { graphOf } from '../../graph/graphOf.ts';

/** The graph as it would be after an edit with placeholders, to see whether it mends; undefined when the edit is refused. */
export function graphAfter(graph: Graph, edit: Edit): Graph | undefined {
  let made = 0;
  const result = applyEdit(
    graph.design,
    withFreshIds(edit, () => `tried-${++made}`),
  );
  return 'refused' in result ? undefined : graphOf(result.design);
}
