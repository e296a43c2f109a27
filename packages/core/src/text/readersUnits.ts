import { decimals, figure, GAP, withPlainSpaces } from './numbers.ts';
import { IMPERIAL, isConverted, type OtherUnit, type Unit, type UnitSystem } from './units.ts';

/*
 * Texts are made in metric units once, wherever they are made: on the server, in a worker, on the page. So a finding reads alike for
 * everybody and what is kept of it does not depend on who looks. What one person reads is put into their units here, at the last moment.
 */

const NUMBER = '-?\\d+(?:\\.\\d+)?';
const EACH_NUMBER = new RegExp(NUMBER, 'g');
const UNIT = Object.keys(IMPERIAL)
  .sort((a, b) => b.length - a.length)
  .join('|');
/** What `numbers.ts` writes: a number or several with `to`, `x` or a comma between them, and their unit. */
const QUANTITY = new RegExp(`((?:${NUMBER}(?:${GAP}(?:to|x)|,)${GAP})*)(${NUMBER})${GAP}(${UNIT})(?![\\w/])`, 'g');

/** A text with its quantities in the units of the reader. What a person typed with an ordinary space stays as it was typed. */
export function inUnits(text: string, system: UnitSystem): string {
  if (!text.includes(GAP)) return text;
  if (system === 'metric') return withPlainSpaces(text);
  const converted = text.replace(QUANTITY, (metric, before: string, last: string, unit: string) => {
    if (!isConverted(unit)) return metric;
    const inOther = (number: string): string => figureIn(Number(number), unit, system);
    return `${before.replace(EACH_NUMBER, inOther)}${inOther(last)} ${unitIn(unit, system)}`;
  });
  return withPlainSpaces(converted);
}

/** The digits of a value in the units of the reader, for the column of a table or for a field. */
export function figureIn(value: number, unit: Unit, system: UnitSystem): string {
  const other = otherUnit(unit, system);
  if (other === undefined) return figure(value, unit);
  return decimals(value * other.per, other.places(value * other.per));
}

/** A unit as the reader has it: `in` for `mm`. */
export function unitIn(unit: Unit, system: UnitSystem): string {
  return otherUnit(unit, system)?.unit ?? unit;
}

/** How much of the reader's unit one of the metric unit is. */
export function factorIn(unit: Unit, system: UnitSystem): number {
  return otherUnit(unit, system)?.per ?? 1;
}

function otherUnit(unit: Unit, system: UnitSystem): OtherUnit | undefined {
  return system === 'imperial' && isConverted(unit) ? IMPERIAL[unit] : undefined;
}
