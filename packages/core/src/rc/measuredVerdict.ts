import { dialectOf } from '../dialects/dialectOf.ts';
import type { Design } from '../model/design.ts';
import type { MeasuredChannel, RcChannel } from '../model/rcPlan.ts';
import { CHANNEL_USES, type ChannelUse } from '../model/rcUses.ts';
import { stated } from '../text/numbers.ts';
import { plannedEnds } from './channelScale.ts';

/** What is wrong with a channel as it was measured, and what to change in the radio. */
export interface MeasuredFault {
  readonly is: 'reversed' | 'still' | 'off-centre' | 'short' | 'long';
  readonly what: string;
  readonly mend: string;
}

/** Ends may be off by so much: receivers and controllers round. */
export const END_TOLERANCE_US = 20;
/** A middle that is off by more than this is a trim that was left in. */
export const CENTRE_TOLERANCE_US = 6;
/** Less than this between the ends is a channel that does not move. */
const STILL_US = 40;

/**
 * Whether a channel has to rise as its stick goes right or forward: roll, yaw and throttle do; of pitch the dialect says it.
 * @returns undefined for what has no sense of its own, and for pitch where the dialect is not known
 */
export function risesForward(design: Design, use: ChannelUse): boolean | undefined {
  switch (use) {
    case 'roll':
    case 'yaw':
    case 'throttle':
      return true;
    case 'pitch': {
      const dialect = dialectOf(design);
      return dialect === undefined ? undefined : dialect.pitchRisesOn === 'push';
    }
    default:
      return undefined;
  }
}

/** Everything that is wrong with a channel as it was measured, the worst first; nothing where it was not measured. */
export function measuredFaults(design: Design, no: string, channel: RcChannel): readonly MeasuredFault[] {
  const { measured, use } = channel;
  if (measured === undefined || CHANNEL_USES[use].sort === 'told') return [];
  const { firstUs, lastUs } = measured;
  if (Math.abs(lastUs - firstUs) < STILL_US)
    return [
      {
        is: 'still',
        what: `Channel ${no} (${CHANNEL_USES[use].title}) does not move: ${us(firstUs)} and ${us(lastUs)} at its ends.`,
        mend: 'Assign its stick or switch in the radio, and check whether its travel is zero.',
      },
    ];
  return [
    ...senseFault(design, no, use, measured),
    ...centreFault(design, no, channel, measured),
    ...endFaults(design, no, channel, measured),
  ];
}

function senseFault(design: Design, no: string, use: ChannelUse, { firstUs, lastUs }: MeasuredChannel): MeasuredFault[] {
  const rises = risesForward(design, use);
  if (rises === undefined || lastUs > firstUs === rises) return [];
  const way = use === 'pitch' || use === 'throttle' ? 'forward' : 'right';
  return [
    {
      is: 'reversed',
      what: `Channel ${no} (${use}) is reversed: it ${rises ? 'falls' : 'rises'} from ${us(firstUs)} to ${us(lastUs)} as the stick goes ${way}.`,
      mend: `Reverse channel ${no} in the radio. Surfaces that then move the wrong way are reversed at their output.`,
    },
  ];
}

function centreFault(design: Design, no: string, channel: RcChannel, { centreUs }: MeasuredChannel): MeasuredFault[] {
  const { middleUs } = plannedEnds(design, channel);
  const hasCentre = channel.use === 'roll' || channel.use === 'pitch' || channel.use === 'yaw';
  if (!hasCentre || centreUs === undefined || Math.abs(centreUs - middleUs) <= CENTRE_TOLERANCE_US) return [];
  return [
    {
      is: 'off-centre',
      what: `The centre of channel ${no} (${channel.use}) is ${us(centreUs)}, ${us(Math.abs(centreUs - middleUs))} ${centreUs > middleUs ? 'above' : 'below'} ${us(middleUs)}.`,
      mend: `Set trim and sub-trim of channel ${no} to zero in the radio. Trim belongs to the linkage and to the controller.`,
    },
  ];
}

function endFaults(design: Design, no: string, channel: RcChannel, { firstUs, lastUs }: MeasuredChannel): MeasuredFault[] {
  const { leastUs, middleUs, mostUs } = plannedEnds(design, channel);
  const ends = [
    { name: 'lower', at: Math.min(firstUs, lastUs), wanted: leastUs },
    { name: 'upper', at: Math.max(firstUs, lastUs), wanted: mostUs },
  ];
  return ends.flatMap(({ name, at, wanted }): MeasuredFault[] => {
    const [reach, full] = [Math.abs(at - middleUs), Math.abs(wanted - middleUs)];
    if (Math.abs(reach - full) <= END_TOLERANCE_US) return [];
    const isShort = reach < full;
    const factor = reach < 1 ? undefined : Math.round((100 * full) / reach);
    return [
      {
        is: isShort ? 'short' : 'long',
        what: `The ${name} end of channel ${no} (${CHANNEL_USES[channel.use].title}) is ${us(at)}, ${us(Math.abs(reach - full))} ${isShort ? 'short of' : 'beyond'} ${us(wanted)}.`,
        mend:
          factor === undefined
            ? `Raise the travel of channel ${no} on that side.`
            : `Set the travel of channel ${no} on that side to ${stated(factor, '%')} of its present value.`,
      },
    ];
  });
}

function us(value: number): string {
  return stated(Math.round(value * 10) / 10, 'us');
}
