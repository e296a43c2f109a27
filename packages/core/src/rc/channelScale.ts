import { RADIO_SCALE, usOfValue, valueOfUs, type ValueScale } from '../codecs/channelBits.ts';
import { dialectOf } from '../dialects/dialectOf.ts';
import type { Design } from '../model/design.ts';
import type { RcChannel } from '../model/rcPlan.ts';

/** The ends and the middle of a channel as the controller sees them, in microseconds. */
export interface ChannelEnds {
  readonly leastUs: number;
  readonly middleUs: number;
  readonly mostUs: number;
}

/** Where nobody knows the dialect. */
const USUAL: ChannelEnds = { leastUs: 1000, middleUs: 1500, mostUs: 2000 };

/** Full one way, the middle, full the other way, as the firmware of the aircraft reads them. */
export function wantedEnds(design: Design): ChannelEnds {
  const scale = dialectOf(design)?.rcScaleUs;
  return scale === undefined ? USUAL : { leastUs: scale.least, middleUs: scale.middle, mostUs: scale.most };
}

/** The ends of a channel as they are planned: as the firmware wants them, unless the radio is given others. */
export function plannedEnds(design: Design, channel: RcChannel | undefined): ChannelEnds {
  const wanted = wantedEnds(design);
  return channel?.ends === undefined ? wanted : { ...wanted, leastUs: channel.ends.leastUs, mostUs: channel.ends.mostUs };
}

/** How the controller of an aircraft turns the values of SBUS and CRSF into microseconds. */
export function controllerScale(design: Design): ValueScale {
  return dialectOf(design)?.frameScale ?? RADIO_SCALE;
}

/** The pulse width that the radio means where the controller reads this one: both count the values of a frame on scales of their own. */
export function radioUsFor(design: Design, controllerUs: number): number {
  return usOfValue(valueOfUs(controllerUs, controllerScale(design)));
}

/** Of the travel of a radio, in which 100 % is 512 us from the middle. */
const US_PER_PERCENT = 5.12;
/** What a radio sends of a stick that is let go. */
export const RADIO_MIDDLE_US = 1500;

/** Travel as radios have it, from -100 to 100 and somewhat beyond, for a pulse width in microseconds of the radio's own. */
export function travelPercent(radioUs: number): number {
  return (radioUs - RADIO_MIDDLE_US) / US_PER_PERCENT;
}

/** The pulse width of a travel in per cent. */
export function usOfTravel(percent: number): number {
  return RADIO_MIDDLE_US + percent * US_PER_PERCENT;
}
