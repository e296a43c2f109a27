import type { Design } from '../model/design.ts';
import { naturalOrder } from '../model/naturalOrder.ts';
import type { RcChannel } from '../model/rcPlan.ts';
import type { ChannelUse } from '../model/rcUses.ts';

/** The planned channels in the order of their numbers. */
export function rcChannelsOf({ aircraft }: Design): readonly (readonly [no: string, channel: RcChannel])[] {
  return Object.entries(aircraft.rc.channels).sort(([a], [b]) => naturalOrder(a, b));
}

/** The first channel of a use. */
export function channelOfUse(design: Design, use: ChannelUse): readonly [no: string, channel: RcChannel] | undefined {
  return rcChannelsOf(design).find(([, channel]) => channel.use === use);
}
