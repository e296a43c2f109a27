import { FRAME_CHANNELS, usOfValue, valueOfUs } from '../codecs/channelBits.ts';
import { decodeCrsf, encodeCrsfChannels } from '../codecs/crsf.ts';
import { decodePpm, encodePpm, usualPpmFrameUs } from '../codecs/ppm.ts';
import { decodePwm, encodePwm } from '../codecs/pwm.ts';
import { decodeSbus, encodeSbus } from '../codecs/sbus.ts';
import type { Graph } from '../graph/graph.ts';
import type { Design } from '../model/design.ts';
import type { RcChannel } from '../model/rcPlan.ts';
import { isStick, type Stick } from '../model/rcUses.ts';
import { channelPlanOf } from './channelPlan.ts';
import { controllerScale, plannedEnds, RADIO_MIDDLE_US, radioUsFor, wantedEnds } from './channelScale.ts';
import { rcChannelsOf } from './channelsOf.ts';
import { risesForward } from './measuredVerdict.ts';
import { positionValues } from './switchPositions.ts';

/** Where the hands are: sticks from -1 (left, back) to 1 (right, forward), switches by their position, knobs by their channel. */
export interface Hands {
  readonly sticks: Readonly<Record<Stick, number>>;
  readonly switches: Readonly<Record<string, number>>;
  readonly knobs: Readonly<Record<string, number>>;
}

/** Sticks let go, throttle closed, switches in their first position. */
export const HANDS_OFF: Hands = { sticks: { roll: 0, pitch: 0, throttle: -1, yaw: 0 }, switches: {}, knobs: {} };

/** What the controller shows of a channel. */
export interface MonitoredChannel {
  readonly no: string;
  readonly channel: RcChannel;
  /** Undefined where it does not arrive. */
  readonly us: number | undefined;
}

/**
 * What the controller of an aircraft shows for some positions of the hands, with a radio that is set up right: the channels go through frames of the
 * format by which they arrive, there and back, and through the steps of the air mode.
 */
export function monitorOf(graph: Graph, hands: Hands): readonly MonitoredChannel[] {
  const { design } = graph;
  const plan = channelPlanOf(graph);
  const format = plan.feeds[0]?.format;
  const restUs = middleAtRest(design, format);
  const wanted = rcChannelsOf(design).map(([no, channel]) => ({ no, channel, us: wantedUs(design, [no, channel], restUs, hands) }));
  const sent = new Map(wanted.map(({ no, us }) => [Number(no), us]));
  const received = throughFrames(design, format, sent);
  return wanted.map(({ no, channel }) => {
    const row = plan.rows.find((one) => one.no === no);
    const us = received.get(Number(no));
    return { no, channel, us: row?.of === undefined || us === undefined ? undefined : inSteps(design, channel, us, row.steps) };
  });
}

/** What the controller reads of a stick that is let go: radios and controllers count the values of a frame on scales of their own. */
function middleAtRest(design: Design, format: string | undefined): number {
  const isFramed = format === 'sbus' || format === 'crsf';
  return isFramed ? usOfValue(valueOfUs(RADIO_MIDDLE_US), controllerScale(design)) : wantedEnds(design).middleUs;
}

function wantedUs(design: Design, [no, channel]: readonly [string, RcChannel], restUs: number, { sticks, switches, knobs }: Hands): number {
  const { leastUs, mostUs } = plannedEnds(design, channel);
  const { use, from } = channel;
  const between = (share: number): number => restUs + share * (share < 0 ? restUs - leastUs : mostUs - restUs);
  if (isStick(use)) return between(sticks[use] * (risesForward(design, use) === false ? -1 : 1));
  if (from?.is !== 'switches') return between(knobs[no] ?? 0);
  const found = positionValues(design, no).find(({ positions }) => positions.every(({ id, at }) => at === (switches[id] ?? 0)));
  return found?.us ?? leastUs;
}

/** Channels by number through a frame or a pulse train, as the controller reads them. */
function throughFrames(design: Design, format: string | undefined, sent: ReadonlyMap<number, number>): ReadonlyMap<number, number> {
  switch (format) {
    case 'sbus':
    case 'crsf': {
      const values = Array.from({ length: FRAME_CHANNELS }, (_, i) => valueOfUs(radioUsFor(design, sent.get(i + 1) ?? 1500)));
      const read =
        format === 'sbus'
          ? decodeSbus(encodeSbus({ values, channel17: false, channel18: false, frameLost: false, failsafe: false }))?.values
          : decodeCrsf(encodeCrsfChannels(values)).flatMap((frame) => (frame.is === 'channels' ? frame.values : []));
      return new Map((read ?? []).map((value, i) => [i + 1, usOfValue(value, controllerScale(design))]));
    }
    case 'ppm': {
      const count = Math.max(8, ...sent.keys());
      const channels = Array.from({ length: count }, (_, i) => Math.round(sent.get(i + 1) ?? 1500));
      const [frame = []] = decodePpm(encodePpm([channels, channels], { is: 'fixed-frame', frameUs: usualPpmFrameUs(count) }));
      return new Map(frame.map((us, i) => [i + 1, us]));
    }
    default:
      return new Map([...sent].map(([no, us]) => [no, decodePwm(encodePwm([us], 50)).widthsUs[0] ?? us]));
  }
}

/** Cut into the steps of the air mode, from end to end. */
function inSteps(design: Design, channel: RcChannel, us: number, steps: number | undefined): number {
  if (steps === undefined) return us;
  const { leastUs, mostUs } = plannedEnds(design, channel);
  const step = Math.round(((us - leastUs) / (mostUs - leastUs)) * (steps - 1));
  return leastUs + (step * (mostUs - leastUs)) / (steps - 1);
}
