import type { Graph } from '../../graph/graph.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import type { PartKey } from '../../model/ids.ts';
import { GIVING_WAY } from '../../ports/fit.ts';
import { planPorts } from '../../ports/planPorts.ts';
import { takePlan } from '../../ports/takePlan.ts';
import type { BoardSwap } from './boardSwap.ts';

/** Puts a controller into an aircraft, and wires the links that find a port on it. @returns undefined where the part is no controller */
export function addBoard(graph: Graph, key: PartKey): BoardSwap | undefined {
  const part = graph.design.parts.get(key);
  if (part?.kind !== 'controller') return undefined;
  const draft = new DraftEdits(graph.design);
  const added = draft.add(part, 'flight controller');
  const plan = added === undefined ? undefined : planPorts(draft.graph, { giveWay: GIVING_WAY });
  if (added === undefined || plan === undefined) return undefined;
  const { edit, undone } = takePlan(draft.graph, plan);
  const isTaken = edit === undefined || draft.take(edit);
  return {
    item: undefined,
    plan,
    edit: draft.edit(`Add "${part.name}"`),
    undone: isTaken ? undone : plan.links.map((link) => ({ link, why: 'one step takes no more changes' })),
  };
}
