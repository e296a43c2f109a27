import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { CHANNEL_USES } from '../../model/rcUses.ts';
import { listed } from '../../text/lists.ts';
import { channelPlanOf, formatTitles } from '../channelPlan.ts';
import { plannedEnds } from '../channelScale.ts';
import { measuredFaults, risesForward } from '../measuredVerdict.ts';

/** Every planned channel: what it is for, where it comes from, its ends, what was measured. */
export function channelCard(graph: Graph): Sheet {
  const { design } = graph;
  const { switches } = design.aircraft.rc;
  const plan = channelPlanOf(graph);
  const rows = plan.rows.flatMap(({ no, channel, of, steps }): string[][] => {
    if (channel === undefined) return [];
    const { use, from, measured, reversed } = channel;
    const { leastUs, mostUs } = plannedEnds(design, channel);
    const rises = risesForward(design, use);
    const source =
      from?.is === 'switches'
        ? listed(from.switches.map((id) => switches[id]?.title ?? id))
        : from?.is === 'knob'
          ? 'knob'
          : from?.is === 'tracker'
            ? (design.aircraft.items[from.item]?.ref ?? 'head tracker')
            : CHANNEL_USES[use].sort === 'stick'
              ? 'stick'
              : CHANNEL_USES[use].sort === 'told'
                ? 'receiver'
                : '';
    return [
      [
        no,
        CHANNEL_USES[use].title,
        source,
        of === undefined ? 'does not arrive' : String(of),
        steps === undefined ? 'all' : String(steps),
        String(Math.round(leastUs)),
        String(Math.round(mostUs)),
        rises === undefined ? '' : rises ? 'rises' : 'falls',
        reversed === true ? 'yes' : '',
        measured === undefined ? '' : [measured.firstUs, measured.centreUs ?? '-', measured.lastUs].join(' / '),
        measured === undefined
          ? 'not measured'
          : measuredFaults(design, no, channel).length === 0
            ? 'correct'
            : measuredFaults(design, no, channel)
                .map(({ is }) => is)
                .join(', '),
      ],
    ];
  });
  const [feed] = plan.feeds;
  return {
    title: `Channel card ${design.aircraft.name}`,
    subtitle:
      feed === undefined
        ? 'no channels arrive yet'
        : `${plan.room} channels at ${feed.input.entry.item.ref} by ${listed(formatTitles(plan))} from ${feed.source.entry.item.ref}`,
    columns: [
      { title: 'Channel', kind: 'number' },
      { title: 'For', kind: 'words' },
      { title: 'Source', kind: 'words' },
      { title: 'Receiver', kind: 'value' },
      { title: 'Steps', kind: 'value' },
      { title: 'Minimum', kind: 'number', unit: 'us' },
      { title: 'Maximum', kind: 'number', unit: 'us' },
      { title: 'Right or forward', kind: 'words' },
      { title: 'Reversed in the radio', kind: 'words' },
      { title: 'Measured', kind: 'value' },
      { title: 'Verdict', kind: 'words' },
    ],
    rows,
    notes: ['Pulse widths as shown by the controller.'],
    cautions: ['Remove the propellers before measuring channels.'],
  };
}
