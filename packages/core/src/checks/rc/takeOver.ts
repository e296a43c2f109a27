import type { SimpleEdit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import { channelPlanOf } from '../../rc/channelPlan.ts';
import { channelOfUse } from '../../rc/channelsOf.ts';
import { switchesOf } from '../../rc/switchPositions.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** A companion that sends channels instead of the radio, and no switch takes them back. */
export const takeOver: Check = {
  id: 'rc.take-over',
  stage: 'links',
  title: 'Channels the pilot cannot take back',
  run: ({ graph }) => {
    const { rc } = graph.design.aircraft;
    const back = channelOfUse(graph.design, 'take-back');
    const isBack = back !== undefined && switchesOf(rc, back[0]).length > 0;
    const sayings = graph.items.flatMap(({ item }): Saying[] => {
      const taken = rc.takeOvers[item.id]?.channels ?? [];
      if (taken.length === 0) return [];
      const own = back === undefined ? false : taken.includes(back[0]);
      if (isBack && !own) return [];
      return [
        {
          severity: 'mend',
          where: [{ is: 'item', item: item.id }],
          what: own
            ? `${item.ref} also sends channel ${back?.[0] ?? ''}, with which the pilot takes control back from it.`
            : `${item.ref} sends ${taken.length === 1 ? 'channel' : 'channels'} ${listed(taken.toSorted(naturalOrder))} instead of the radio, and no switch takes them back.`,
          why: 'When the companion hangs or fails, the pilot has to regain control with one movement.',
          remedies: () => (own ? [] : backBySwitch(graph)),
        },
      ];
    });
    return sayings;
  },
};

/** A switch of its own on the first free channel that arrives. */
function backBySwitch(graph: Graph): Remedy[] {
  const { rc } = graph.design.aircraft;
  const planned = channelOfUse(graph.design, 'take-back');
  const free = planned?.[0] ?? channelPlanOf(graph).rows.find(({ channel, of }) => channel === undefined && of !== undefined)?.no;
  const id = Array.from({ length: 24 }, (_, i) => `s${i + 1}`).find((one) => rc.switches[one] === undefined);
  if (free === undefined || id === undefined) return [];
  const edits: SimpleEdit[] = [
    { kind: 'set-rc-switch', id, value: { title: `switch ${id.slice(1)}`, positions: 2 }, was: null },
    {
      kind: 'set-rc-channel',
      channel: free,
      value: { use: 'take-back', from: { is: 'switches', switches: [id] } },
      was: planned?.[1] ?? null,
    },
  ];
  const title = `Take channels back with a switch on channel ${free}`;
  return [
    {
      label: `A switch on channel ${free}`,
      sentence: `${title}; set the firmware so that this channel overrides the companion.`,
      edit: { kind: 'batch', title, edits },
    },
  ];
}
