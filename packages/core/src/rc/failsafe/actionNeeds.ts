import type { Graph } from '../../graph/graph.ts';
import { chainsOf } from '../../links/chains/chainsOf.ts';
import type { LinkKindId } from '../../model/linkIds.ts';
import { LOSS_ACTIONS, type ActionNeed, type LossAction } from '../../model/lossActions.ts';

/** The link that gives the controller what an action needs. A home position comes with a fix. */
const GIVEN_BY: Readonly<Record<ActionNeed, LinkKindId>> = { fix: 'position', home: 'position' };

/** What an action needs and no link brings to the controller: there is none, or it breaks on its way. */
export function missingNeeds(graph: Graph, action: LossAction): readonly ActionNeed[] {
  const chains = chainsOf(graph);
  return LOSS_ACTIONS[action].needs.filter(
    (need) => !chains.some(({ kind, state }) => kind.id === GIVEN_BY[need] && (state.is === 'agrees' || state.is === 'open')),
  );
}
