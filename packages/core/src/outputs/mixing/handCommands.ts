import type { Graph } from '../../graph/graph.ts';
import { passedChannel, type OutputFunction } from '../../model/outputFunctions.ts';
import type { RcChannel } from '../../model/rcPlan.ts';
import { wantedEnds } from '../../rc/channelScale.ts';
import { monitorOf, type Hands } from '../../rc/stickMonitor.ts';
import type { Command, Commands, MixerRow } from './mixerRow.ts';

/** Commands that come by a channel of the same use, and whether they go from 0 to 1 or from -1 to 1. */
const BY_CHANNEL = {
  flap: 'opens',
  brake: 'opens',
  gear: 'to both sides',
  pan: 'to both sides',
  tilt: 'to both sides',
  dropper: 'to both sides',
  'camera-trigger': 'to both sides',
  light: 'to both sides',
} as const satisfies Partial<Readonly<Record<Command, 'opens' | 'to both sides'>>>;
export type ChannelCommand = keyof typeof BY_CHANNEL;

export function isChannelCommand(name: string): name is ChannelCommand {
  return Object.hasOwn(BY_CHANNEL, name);
}

export const channelCommands: readonly ChannelCommand[] = Object.keys(BY_CHANNEL).filter(isChannelCommand);

/** A command from none to all of it; the others go to both sides of their middle. */
export function opens(name: ChannelCommand): boolean {
  return BY_CHANNEL[name] === 'opens';
}

/** What hands on a radio ask for besides the sticks. */
export interface HandCommands {
  readonly commands: Commands;
  /** Pulse widths in microseconds of channels that go out as they come in, by the function that passes them. */
  readonly passedUs: ReadonlyMap<OutputFunction, number>;
}

/**
 * What comes of switches and knobs: through their channels, as the controller reads them. A command whose channel is not planned, or does
 * not arrive, is not there.
 */
export function handCommands(graph: Graph, rows: readonly MixerRow[], hands: Hands): HandCommands {
  const { leastUs, middleUs, mostUs } = wantedEnds(graph.design);
  const commands: Partial<Record<Command, number>> = {};
  const passedUs = new Map<OutputFunction, number>();
  for (const { no, channel, us } of monitorOf(graph, hands)) {
    if (us === undefined) continue;
    if (isChannelCommand(channel.use) && commands[channel.use] === undefined) {
      const share = us < middleUs ? (us - middleUs) / (middleUs - leastUs) : (us - middleUs) / (mostUs - middleUs);
      const value = opens(channel.use) ? (us - leastUs) / (mostUs - leastUs) : share;
      commands[channel.use] = Math.min(Math.max(value, opens(channel.use) ? 0 : -1), 1);
    }
    for (const row of rows) if (String(passedChannel(row.function)) === no) passedUs.set(row.function, us);
  }
  return { commands, passedUs };
}

/** True for a channel by which something of the mixer moves, other than the sticks. */
export function movesByChannel(rows: readonly MixerRow[], no: string, { use }: RcChannel): boolean {
  return rows.some((row) => (isChannelCommand(use) && (row.weights[use] ?? 0) !== 0) || String(passedChannel(row.function)) === no);
}
