import type { SimpleEdit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { CHANNEL_USES } from '../../model/rcUses.ts';
import { channelPlanOf, formatTitles, type ChannelPlan, type ChannelRow } from '../../rc/channelPlan.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { rcController, rcSubjects } from '../helpers/rcSubjects.ts';

/** Channels that are planned and do not arrive, or that the firmware does not read. */
export const channelCapacity: Check = {
  id: 'rc.channel-capacity',
  stage: 'links',
  title: 'Channel does not arrive',
  run: ({ graph }) => {
    const plan = channelPlanOf(graph);
    if (plan.feeds.length === 0) return [];
    return plan.rows.flatMap((row): Saying[] => sayingFor(graph, plan, row));
  },
};

function sayingFor(graph: Graph, plan: ChannelPlan, { no, channel, of }: ChannelRow): Saying[] {
  if (channel === undefined) return [];
  const { title } = CHANNEL_USES[channel.use];
  const { limit } = plan;
  const isUnread = limit !== undefined && Number(no) > limit.most;
  if (of !== undefined && !isUnread) return [];
  const what =
    of === undefined
      ? `Channel ${no} (${title}) does not arrive at ${rcController(graph)}.`
      : `${rcController(graph)} does not read channel ${no} (${title}).`;
  return [
    {
      severity: 'mend',
      where: rcSubjects(graph),
      what,
      evidence: [
        { label: 'channel', value: no, limit: String(isUnread ? limit.most : plan.room) },
        { label: 'arrive by', value: listed(formatTitles(plan)) },
        ...(isUnread ? [{ label: 'firmware', value: limit.sentence }] : []),
      ],
      why: 'Whatever this channel controls does not respond.',
      discriminator: `channel ${no}`,
      remedies: () => onFreeChannel(plan, no),
    },
  ];
}

/** The same use on the first channel that arrives, is read, and is free. */
function onFreeChannel({ rows, limit }: ChannelPlan, no: string): Remedy[] {
  const channel = rows.find((row) => row.no === no)?.channel;
  const free = rows.find((row) => row.channel === undefined && row.of !== undefined && Number(row.no) <= (limit?.most ?? Infinity));
  if (channel === undefined || free === undefined) return [];
  const edits: SimpleEdit[] = [
    { kind: 'set-rc-channel', channel: no, value: null, was: channel },
    { kind: 'set-rc-channel', channel: free.no, value: channel, was: null },
  ];
  const title = `Put ${CHANNEL_USES[channel.use].title} on channel ${free.no}`;
  return [{ label: `Use channel ${free.no}`, sentence: `${title}; set it so in the radio.`, edit: { kind: 'batch', title, edits } }];
}
