import type { Graph } from '../../graph/graph.ts';
import { chainName } from '../../links/chains/chainWords.ts';
import { chainsOf, type Chain } from '../../links/chains/chainsOf.ts';
import { hopEndName, type HopEnd } from '../../links/chains/hop.ts';
import { budgetOf, USUAL_PARAMETERS, type StreamBudget, type PlannedStream } from '../../links/streams/budgetOf.ts';
import { STREAM_MESSAGES } from '../../links/streams/messages.ts';
import { percent, quantity, stated } from '../../text/numbers.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { Check, Evidence, Remedy, Saying, Subject } from '../finding.ts';

/** Shares of what a hop carries: full, and near it. */
const FULL = 1;
const NEARLY_FULL = 0.7;

/** Streams that a hop cannot carry, or only just. */
export const bandwidth: Check = {
  id: 'link.bandwidth',
  stage: 'links',
  title: 'Link overloaded',
  run: ({ graph }) =>
    chainsOf(graph).flatMap((chain): Saying[] => {
      const budget = budgetOf(graph, chain);
      return budget?.narrowest === undefined || budget.narrowest.share <= NEARLY_FULL
        ? []
        : [tooMuch(graph, chain, budget, budget.narrowest)];
    }),
};

function tooMuch(
  graph: Graph,
  chain: Chain,
  budget: StreamBudget,
  { hop, share, capacity }: NonNullable<StreamBudget['narrowest']>,
): Saying {
  const isFull = share > FULL;
  const between = hop.b === undefined ? `of ${hopEndName(hop.a)}` : `between ${hopEndName(hop.a)} and ${hopEndName(hop.b)}`;
  return {
    severity: isFull ? 'mend' : 'note',
    where: [hop.a, ...(hop.b === undefined ? [] : [hop.b])].map(subjectOf),
    what: `${chainName(graph, chain)} needs ${percent(share)} of the capacity ${between}.`,
    evidence: [
      {
        label: 'planned down',
        value: quantity(budget.downBytesPerS, 'B/s'),
        limit: quantity(capacity.bytesPerS, 'B/s'),
      },
      { label: 'planned up', value: quantity(budget.upBytesPerS, 'B/s') },
      parameterEvidence(budget),
    ],
    why: isFull
      ? 'Messages queue up, arrive late and are dropped, commands among them.'
      : 'Little capacity is left for commands, missions and parameters.',
    discriminator: chain.key,
    // Filled well, and no more, is what a remedy leaves it at.
    remedies: () => slower(graph, chain, budget.streams, (share - NEARLY_FULL) * capacity.bytesPerS),
  };
}

function subjectOf({ entry }: HopEnd): Subject {
  return { is: 'item', item: entry.item.id };
}

function parameterEvidence({ parametersS }: StreamBudget): Evidence {
  return {
    label: `reading ${USUAL_PARAMETERS} parameters`,
    value: parametersS === undefined ? 'never ends' : quantity(parametersS, 's'),
  };
}

/**
 * The streams that take most, each slowed until all of it fits well; and all of them, where one alone is not enough.
 * @param excess bytes a second that there are too many
 */
function slower(graph: Graph, chain: Chain, streams: readonly PlannedStream[], excess: number): Remedy[] {
  if (chain.wish !== undefined) return [];
  const most = [...streams].sort((a, b) => b.bytesPerS - a.bytesPerS);
  const single = most
    .flatMap((stream): Remedy[] => {
      const hz = Math.floor(stream.hz - (excess * stream.hz) / stream.bytesPerS);
      if (hz < 1) return [];
      const { name } = STREAM_MESSAGES[stream.id];
      return [
        {
          label: `Slow ${name} down`,
          sentence: `Send ${name} at ${stated(hz, 'Hz')} instead of ${stated(stream.hz, 'Hz')}.`,
          edit: setRate(graph, chain, stream, hz),
        },
      ];
    })
    .slice(0, 2);
  return single.length > 0 ? single : allSlower(graph, chain, streams, excess);
}

function allSlower(graph: Graph, chain: Chain, streams: readonly PlannedStream[], excess: number): Remedy[] {
  const fast = streams.filter(({ hz }) => hz > 1);
  const most = fast.reduce((sum, { bytesPerS }) => sum + bytesPerS, 0);
  const left = 1 - excess / most;
  const slowed = fast.map((stream) => ({ stream, hz: Math.max(Math.floor(stream.hz * left), 1) }));
  const saved = slowed.reduce((sum, { stream, hz }) => sum + stream.bytesPerS * (1 - hz / stream.hz), 0);
  if (saved < excess) return [];
  const title = `Slow the streams of ${chainName(graph, chain)} down`;
  return [
    {
      label: 'Slow all of them down',
      sentence: `Send everything faster than ${stated(1, 'Hz')} at ${percent(left)} of its rate.`,
      edit: { kind: 'batch', title, edits: slowed.map(({ stream, hz }) => setRate(graph, chain, stream, hz)) },
    },
  ];
}

function setRate(graph: Graph, { key }: Chain, { id }: PlannedStream, hz: number): SimpleEdit {
  return { kind: 'set-stream', link: key, stream: id, hz, was: graph.design.aircraft.links[key]?.streams?.[id] ?? null };
}
