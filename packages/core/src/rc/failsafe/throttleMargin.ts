import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Design } from '../../model/design.ts';
import { plannedEnds } from '../channelScale.ts';

/** The lowest normal throttle has to be so far above the threshold that means loss. */
export const THRESHOLD_MARGIN_US = 20;

/** The throttle threshold against the throttle. */
export interface ThrottleMargin {
  /** Below this the controller takes the signal for lost; undefined where it does not look at that. */
  readonly thresholdUs: number | undefined;
  /** The lowest value of the throttle channel as measured, or as planned. */
  readonly lowestUs: number | undefined;
  readonly isMeasured: boolean;
}

/** The threshold that a person or the dialect sets, and the lowest throttle above it. */
export function throttleMargin(design: Design): ThrottleMargin {
  const { rc } = design.aircraft;
  const channel = Object.values(rc.channels).find(({ use }) => use === 'throttle');
  const thresholdUs = rc.figures.throttleThresholdUs ?? dialectOf(design)?.failsafe?.throttleUs;
  if (channel === undefined) return { thresholdUs, lowestUs: undefined, isMeasured: false };
  const { measured } = channel;
  const lowestUs = measured === undefined ? plannedEnds(design, channel).leastUs : Math.min(measured.firstUs, measured.lastUs);
  return { thresholdUs, lowestUs, isMeasured: measured !== undefined };
}
