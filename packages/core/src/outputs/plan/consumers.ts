import { counterpartsOf } from '../../graph/counterparts.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { onceBuilt } from '../../graph/onceBuilt.ts';
import type { Endpoint } from '../../model/part.ts';

export type PulseInput = Extract<Endpoint, { is: 'pulse-in' }>;
export type PulseOutput = Extract<Endpoint, { is: 'pulse-out' }>;

/** Something that listens to an output: an input for pulses, with the output of a controller that it is wired to. */
export interface Consumer {
  readonly item: number;
  readonly entry: GraphItem;
  readonly input: PulseInput;
  /** By index of the controller; undefined as long as it is wired to none. */
  readonly on: { readonly item: number; readonly output: PulseOutput } | undefined;
}

/** Everything in the aircraft that listens to pulses, by item and in the order of its inputs. */
export const consumersOf = onceBuilt((graph): readonly Consumer[] =>
  graph.items.flatMap((entry, item) => {
    if (entry.item.where !== 'aircraft') return [];
    return (entry.part?.endpoints ?? []).flatMap((input): Consumer[] =>
      input.is === 'pulse-in' ? [{ item, entry, input, on: outputOf(graph, item, input) }] : [],
    );
  }),
);

function outputOf(graph: Graph, item: number, input: PulseInput): Consumer['on'] {
  for (const { item: other, endpoint } of counterpartsOf(graph, item, input))
    if (endpoint.is === 'pulse-out' && graph.items[other]?.part?.kind === 'controller') return { item: other, output: endpoint };
  return undefined;
}

/** What people call a consumer: its item, and its input where it has several. */
export function consumerName({ entry, input }: Consumer): string {
  const inputs = (entry.part?.endpoints ?? []).filter(({ is }) => is === 'pulse-in');
  return inputs.length > 1 ? `${entry.item.ref} ${input.id}` : entry.item.ref;
}
