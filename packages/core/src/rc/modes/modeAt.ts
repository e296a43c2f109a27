import type { FlightMode } from '../../model/flightModes.ts';
import type { ModeRange, RcPlan } from '../../model/rcPlan.ts';

/** What a controller makes of the values of its channels. */
export interface ModeAt {
  /** Undefined where the values lie in nobody's range. */
  readonly mode: FlightMode | undefined;
  /** The ranges that hold and count; more than one mode among them is an overlap. */
  readonly ranges: readonly string[];
  readonly isOverlap: boolean;
  /** The ranges by which the motors may run. */
  readonly armedBy: readonly string[];
}

/** True where the values lie in a range and in what goes with it. */
function holds({ channel, fromUs, toUs, with: also }: ModeRange, usOf: (channel: string) => number | undefined): boolean {
  const us = usOf(channel);
  if (us === undefined || us < fromUs || us >= toUs) return false;
  return also === undefined || holds({ ...also, gives: 'armed' }, usOf);
}

/**
 * The mode at some values. Where a range holds that goes with another channel, those without do not count; of ranges that give different
 * modes all the same, the first in the order of their ids counts, and it is an overlap.
 * @param usOf the value of a channel in microseconds; undefined for one that nobody knows
 */
export function modeAt({ ranges }: Pick<RcPlan, 'ranges'>, usOf: (channel: string) => number | undefined): ModeAt {
  const holding = Object.entries(ranges)
    .filter(([, range]) => holds(range, usOf))
    .sort(([a], [b]) => (a < b ? -1 : 1));
  const armedBy = holding.flatMap(([id, { gives }]) => (gives === 'armed' ? [id] : []));
  const modes = holding.filter(([, { gives }]) => gives !== 'armed');
  const together = modes.filter(([, range]) => range.with !== undefined);
  const counting = together.length > 0 ? together : modes;
  const given = counting.flatMap(([, { gives }]) => (gives === 'armed' ? [] : [gives]));
  return {
    mode: given[0],
    ranges: counting.map(([id]) => id),
    isOverlap: new Set(given).size > 1,
    armedBy,
  };
}
