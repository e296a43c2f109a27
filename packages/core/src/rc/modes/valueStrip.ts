import type { Design } from '../../model/design.ts';
import type { ModeRange } from '../../model/rcPlan.ts';
import { plannedEnds } from '../channelScale.ts';

/** The strip of values that modes lie on, in microseconds. */
export const STRIP_US = { least: 800, most: 2200 } as const;

/** Values of a channel: `fromUs` counts, `toUs` does not. */
export interface Span {
  readonly fromUs: number;
  readonly toUs: number;
}

/** Two ranges that hold at the same values and give different modes. */
export interface Clash extends Span {
  readonly ranges: readonly [string, string];
}

type Named = readonly [id: string, range: ModeRange];

/** The ranges of a channel by themselves, without what goes with another channel and without arming, by their beginning. */
export function plainRanges(design: Design, channel: string): readonly Named[] {
  return Object.entries(design.aircraft.rc.ranges)
    .filter(([, range]) => range.channel === channel && range.with === undefined && range.gives !== 'armed')
    .sort(([a, x], [b, y]) => x.fromUs - y.fromUs || (a < b ? -1 : 1));
}

/** Every pair of ranges of a channel that give different modes and share values. */
export function clashesOn(design: Design, channel: string): readonly Clash[] {
  const ranges = plainRanges(design, channel);
  return ranges.flatMap(([id, a], i) =>
    ranges.slice(i + 1).flatMap(([other, b]): Clash[] => {
      const [fromUs, toUs] = [Math.max(a.fromUs, b.fromUs), Math.min(a.toUs, b.toUs)];
      return a.gives !== b.gives && fromUs < toUs ? [{ ranges: [id, other], fromUs, toUs }] : [];
    }),
  );
}

/** What a switch passes between the ends of a channel and what belongs to no mode; nothing where the channel has no modes. */
export function gapsOn(design: Design, channel: string): readonly Span[] {
  const ranges = plainRanges(design, channel);
  if (ranges.length === 0) return [];
  const { leastUs, mostUs } = plannedEnds(design, design.aircraft.rc.channels[channel]);
  const gaps: Span[] = [];
  let covered = leastUs;
  for (const [, { fromUs, toUs }] of ranges) {
    if (fromUs > covered) gaps.push({ fromUs: covered, toUs: Math.min(fromUs, mostUs) });
    covered = Math.max(covered, toUs);
  }
  // The last value itself has to lie in a range.
  if (covered <= mostUs) gaps.push({ fromUs: covered, toUs: mostUs });
  return gaps.filter(({ fromUs, toUs }) => fromUs < toUs || (fromUs === mostUs && toUs === mostUs));
}
