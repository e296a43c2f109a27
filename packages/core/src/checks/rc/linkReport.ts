import { isRcBegun } from '../../model/rcPlan.ts';
import { channelPlanOf } from '../../rc/channelPlan.ts';
import { rcOutOf } from '../../rc/rcFeeds.ts';
import { rcChannelsOf } from '../../rc/channelsOf.ts';
import { CHANNEL_USES } from '../../model/rcUses.ts';
import type { Check, Saying } from '../finding.ts';
import { rcSubjects } from '../helpers/rcSubjects.ts';

/** Nothing reports the link quality of a receiver, or a channel is reserved for a value that nothing sends there. */
export const rssiSource: Check = {
  id: 'rc.rssi-source',
  stage: 'links',
  title: 'Link quality not reported',
  leftToPeople: 'only a person can say whether another receiver is fitted, or one of its outputs wired',
  run: ({ graph }) => {
    const { feeds } = channelPlanOf(graph);
    if (!isRcBegun(graph.design.aircraft.rc) || feeds.length === 0) return [];
    const told = feeds.flatMap(({ source }) => rcOutOf(source)?.tells);
    if (told.includes(undefined)) return [];
    const reports = told.flatMap((report) => (report === undefined ? [] : [report]));
    const kept = rcChannelsOf(graph.design).filter(([, { use }]) => CHANNEL_USES[use].sort === 'told');
    const silent = kept.filter(
      ([no, { use }]) => !reports.some((report) => report.is === 'channel' && report.what === use && String(report.channel) === no),
    );
    const sayings: Saying[] = silent.map(([no, { use }]) => ({
      severity: 'note',
      where: rcSubjects(graph),
      what: `Channel ${no} is reserved for ${CHANNEL_USES[use].title}, and the receiver does not send it there.`,
      why: 'The value shown is something else.',
      discriminator: `channel ${no}`,
    }));
    // A receiver that answers its stick unit tells it there.
    const answers = feeds.some(({ source }) => (source.entry.part?.radios ?? []).some(({ sendsDbm }) => sendsDbm !== undefined));
    const tells = answers || reports.some((report) => report.is !== 'channel' || report.channel > 0);
    if (tells || kept.length > 0) return sayings;
    return [
      {
        severity: 'note',
        where: rcSubjects(graph),
        what: `Nothing reports the link quality of ${feeds[0]?.source.entry.item.ref ?? 'the receiver'}.`,
        why: 'The pilot gets no warning before the link breaks.',
        discriminator: 'none',
      },
    ];
  },
};

/** A receiver of which nobody says how it is bound. */
export const noBindStep: Check = {
  id: 'rc.no-bind-step',
  stage: 'links',
  title: 'No binding instructions',
  leftToPeople: 'the steps come from the maker of the part',
  run: ({ graph }) =>
    graph.items.flatMap(({ item, part }): Saying[] =>
      part?.kind === 'rc-receiver' && (part.steps ?? []).length === 0
        ? [
            {
              severity: 'note',
              where: [{ is: 'item', item: item.id }],
              what: `The part of ${item.ref} has no binding steps.`,
              why: 'The bench procedure cannot include them.',
            },
          ]
        : [],
    ),
};
