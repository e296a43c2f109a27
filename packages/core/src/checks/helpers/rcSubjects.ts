import type { Graph } from '../../graph/graph.ts';
import { channelPlanOf } from '../../rc/channelPlan.ts';
import type { Subject } from '../finding.ts';

/** What a finding about the RC plan points at: the controller that reads the channels, or each controller as long as none does. */
export function rcSubjects(graph: Graph): readonly Subject[] {
  const [feed] = channelPlanOf(graph).feeds;
  if (feed !== undefined) return [{ is: 'item', item: feed.input.entry.item.id }];
  return graph.items.flatMap(({ part, item }): Subject[] =>
    part?.kind === 'controller' && item.where === 'aircraft' ? [{ is: 'item', item: item.id }] : [],
  );
}

/** Its name, `FC1`; in general words as long as there is none. */
export function rcController(graph: Graph): string {
  const feed = channelPlanOf(graph).feeds[0]?.input.entry;
  const board = feed ?? graph.items.find(({ part, item }) => part?.kind === 'controller' && item.where === 'aircraft');
  return board?.item.ref ?? 'the controller';
}
