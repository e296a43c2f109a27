import { counterpartsOf } from '../graph/counterparts.ts';
import type { Graph } from '../graph/graph.ts';
import { CHANNEL_USES } from '../model/rcUses.ts';
import { consumerName, consumersOf } from './plan/consumers.ts';

/** What a receiver moves by itself, without a controller. */
export interface ReceiverOutput {
  readonly receiver: string;
  /** The output of the receiver, as its part calls it. */
  readonly output: string;
  readonly consumer: string;
  /** What the channel is for, where the plan says so. */
  readonly use: string | undefined;
}

/** Everything that hangs on outputs of receivers in the aircraft, by receiver and output. */
export function receiverOutputs(graph: Graph): readonly ReceiverOutput[] {
  const { channels } = graph.design.aircraft.rc;
  return consumersOf(graph).flatMap((consumer): ReceiverOutput[] =>
    counterpartsOf(graph, consumer.item, consumer.input).flatMap(({ item, endpoint }): ReceiverOutput[] => {
      const entry = graph.items[item];
      if (endpoint.is !== 'rc-out' || entry === undefined) return [];
      const use = channels[/\d+$/.exec(endpoint.id)?.[0] ?? '']?.use;
      return [
        {
          receiver: entry.item.ref,
          output: endpoint.id,
          consumer: consumerName(consumer),
          use: use === undefined ? undefined : CHANNEL_USES[use].title,
        },
      ];
    }),
  );
}
