import { isConverted, UNITS, type Unit } from './units.ts';

/*
 * How numbers are written, everywhere. A value that was computed gets the digits of its unit's rule; one that somebody stated is
 * written as it was stated. Where a unit is another one for who reads in inches, the spaces of the quantity are no-break spaces: they
 * tell what was written here from what a person typed, for `readersUnits.ts`, which makes ordinary ones of them.
 */

/** Marks a quantity that is read in other units by some. */
export const GAP = '\u00A0';

function gapOf(unit: Unit): string {
  return isConverted(unit) ? GAP : ' ';
}

/** A number with so many digits after the point. What rounds to nought has no sign. For what has a unit, see `quantity`. */
export function decimals(value: number, places: number): string {
  const text = value.toFixed(places);
  return Number(text) === 0 ? (0).toFixed(places) : text;
}

/** A computed value with its unit: `5.02 V`. */
export function quantity(value: number, unit: Unit): string {
  return `${figure(value, unit)}${gapOf(unit)}${unit}`;
}

/** The digits of a computed value alone, for the column of a table whose head has the unit. */
export function figure(value: number, unit: Unit): string {
  return decimals(value, UNITS[unit](value));
}

/** A value as somebody stated it, with its unit: `3.3 V`, `5 V`, `12.25 V`. */
export function stated(value: number, unit: Unit): string {
  return `${Number(value.toFixed(3))}${gapOf(unit)}${unit}`;
}

/** From one value to another, the unit once: `470 to 510 mm`. */
export function range(low: number, high: number, unit: Unit): string {
  const gap = gapOf(unit);
  return `${figure(low, unit)}${gap}to${gap}${quantity(high, unit)}`;
}

/** The edges of a box, the unit once: `400 x 90 x 60 mm`. */
export function size(edges: readonly number[], unit: Unit): string {
  const gap = gapOf(unit);
  return `${edges.map((edge) => figure(edge, unit)).join(`${gap}x${gap}`)}${gap}${unit}`;
}

/** Where something is, the unit once: `620, 50, 40 mm`. */
export function coordinates(at: readonly number[], unit: Unit): string {
  const gap = gapOf(unit);
  return `${at.map((value) => figure(value, unit)).join(`,${gap}`)}${gap}${unit}`;
}

/** A current; small ones in mA: `2.50 A`, `0.25 A`, `40 mA`. */
export function current(amps: number): string {
  return Math.abs(amps) < 0.1 ? quantity(amps * 1000, 'mA') : quantity(amps, 'A');
}

/** A value and its limit in words. */
interface Against {
  readonly value: string;
  readonly limit: string;
}

/** How many digits more than the rule are tried to tell a value from its limit. */
const MOST_MORE = 4;

/** A computed value beside its limit, with more digits than the rule gives where the two would read alike and are not. */
export function against(value: number, limit: number, unit: Unit): Against {
  const written = (one: number, more: number): string => `${decimals(one, UNITS[unit](one) + more)}${gapOf(unit)}${unit}`;
  for (let more = 0; ; more++) {
    const texts = { value: written(value, more), limit: written(limit, more) };
    if (texts.value !== texts.limit || value === limit || more === MOST_MORE) return texts;
  }
}

/** A current beside its limit, as `current` and `against` write them. */
export function currentAgainst(amps: number, limitA: number): Against {
  const texts = { value: current(amps), limit: current(limitA) };
  return texts.value === texts.limit ? against(amps, limitA, 'A') : texts;
}

/** A ratio as a percentage: `0.123` is `12 %`. */
export function percent(ratio: number): string {
  return quantity(ratio * 100, '%');
}

/** The same text with ordinary spaces, for files and for what is compared. A no-break space that somebody typed is one then, too. */
export function withPlainSpaces(text: string): string {
  return text.replaceAll(GAP, ' ');
}
