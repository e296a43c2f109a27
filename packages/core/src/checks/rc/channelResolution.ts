import type { Graph } from '../../graph/graph.ts';
import { airSettings } from '../../model/settingsOf.ts';
import { CHANNEL_USES } from '../../model/rcUses.ts';
import { auxiliarySteps, channelPlanOf, type ChannelRow } from '../../rc/channelPlan.ts';
import { switchesOf } from '../../rc/switchPositions.ts';
import { listed } from '../../text/lists.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** Something that moves smoothly needs so many steps; a switch needs as many as it has positions, and twice that to be sure. */
const SMOOTH_STEPS = 100;
const STEPS_PER_POSITION = 2;

/** An air mode that cuts a channel into fewer steps than its use needs. */
export const channelResolution: Check = {
  id: 'rc.channel-resolution',
  stage: 'links',
  title: 'Low channel resolution',
  run: ({ graph }) => channelPlanOf(graph).rows.flatMap((row) => sayingFor(graph, row)),
};

function sayingFor(graph: Graph, row: ChannelRow): Saying[] {
  const { no, channel, steps } = row;
  const needed = stepsNeeded(graph, row);
  const source = channelPlanOf(graph).feeds[0]?.source;
  if (channel === undefined || steps === undefined || needed === undefined || steps >= needed || source === undefined) return [];
  const isSmooth = CHANNEL_USES[channel.use].sort !== 'steps';
  return [
    {
      severity: isSmooth ? 'mend' : 'note',
      where: [{ is: 'item', item: source.entry.item.id }],
      what: `Channel ${no} (${CHANNEL_USES[channel.use].title}) has only ${steps} steps at the packet rate of ${source.entry.item.ref}.`,
      evidence: [{ label: 'steps', value: String(steps), limit: String(needed) }],
      why: isSmooth ? 'It moves in jerks.' : 'Switch positions may become the same value.',
      discriminator: `channel ${no}`,
      remedies: () => slowerRates(graph, needed),
    },
  ];
}

function stepsNeeded(graph: Graph, { no, channel }: ChannelRow): number | undefined {
  if (channel === undefined) return undefined;
  const { sort } = CHANNEL_USES[channel.use];
  if (sort === 'told') return undefined;
  if (sort !== 'steps') return SMOOTH_STEPS;
  const { rc } = graph.design.aircraft;
  const positions = switchesOf(rc, no).reduce<number>((product, id) => product * (rc.switches[id]?.positions ?? 1), 1);
  return positions * STEPS_PER_POSITION;
}

/** Other air rates of the receiver with steps enough; its other end has to be set to the same. */
function slowerRates(graph: Graph, needed: number): Remedy[] {
  const source = channelPlanOf(graph).feeds[0]?.source;
  const part = source === undefined ? undefined : graph.design.parts.get(source.entry.item.part);
  if (source === undefined || part === undefined) return [];
  const { item } = source.entry;
  const others = graph.items.flatMap(({ item: other, part: otherPart }) =>
    Object.values(graph.design.aircraft.bonds).flatMap(({ a, b }) => {
      const far = a.item === item.id ? b : b.item === item.id ? a : undefined;
      return far !== undefined && far.item === other.id && otherPart !== undefined ? [{ item: other, radio: far.radio }] : [];
    }),
  );
  return (part.radios ?? []).flatMap((radio) =>
    airSettings(part, radio)
      .filter((spec) => spec.is === 'choice' && spec.id === `${radio.id}.rate`)
      .flatMap((spec) => (spec.is === 'choice' ? spec.choices : []))
      .flatMap(({ value, label }): Remedy[] => {
        const setting = `${radio.id}.rate`;
        const edits = [
          { kind: 'set-item-setting', item: item.id, setting, value, was: item.settings[setting] ?? null } as const,
          ...others.map(
            (far) =>
              ({
                kind: 'set-item-setting',
                item: far.item.id,
                setting: `${far.radio}.rate`,
                value,
                was: far.item.settings[`${far.radio}.rate`] ?? null,
              }) as const,
          ),
        ];
        const edit = { kind: 'batch', title: `Packet rate of ${item.ref}: ${label}`, edits } as const;
        const after = graphAfter(graph, edit);
        const feed = after === undefined ? undefined : channelPlanOf(after).feeds[0];
        const steps = feed === undefined ? undefined : (auxiliarySteps(feed.source) ?? Infinity);
        return steps === undefined || steps < needed
          ? []
          : [
              {
                label: `Set ${item.ref} to ${label}`,
                sentence: `Set the packet rate of ${listed([item.ref, ...others.map((far) => far.item.ref)])} to ${label}.`,
                edit,
              },
            ];
      }),
  );
}
