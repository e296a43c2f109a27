import { isRcBegun } from '../../model/rcPlan.ts';
import { channelPlanOf } from '../../rc/channelPlan.ts';
import type { Check } from '../finding.ts';
import { rcController, rcSubjects } from '../helpers/rcSubjects.ts';

/** Channels arrive and nobody has said what they are for. One note in place of all that is not planned. */
export const rcNotBegun: Check = {
  id: 'rc.not-begun',
  stage: 'links',
  title: 'RC channels not assigned',
  leftToPeople: 'the channel order is a matter of habit, and a person chooses it',
  run: ({ graph }) => {
    const { feeds, room } = channelPlanOf(graph);
    if (feeds.length === 0 || isRcBegun(graph.design.aircraft.rc)) return [];
    return [
      {
        severity: 'note',
        where: rcSubjects(graph),
        what: `${room} channels arrive at ${rcController(graph)}, and none is assigned.`,
        why: 'Modes, arming and loss of signal are not checked yet.',
      },
    ];
  },
};
