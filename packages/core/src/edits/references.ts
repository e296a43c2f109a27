import type { Aircraft } from '../model/aircraft.ts';
import { PART_KINDS, type PartKind } from '../model/partKinds.ts';

/** Splits `GNSS2` into its prefix and number, and `W07` likewise. */
export function splitReference(reference: string): { readonly prefix: string; readonly number: number } {
  const [, prefix = '', digits = '0'] = /^([A-Z]+)0*(\d+)$/.exec(reference) ?? [];
  return { prefix, number: Number(digits) };
}

/** `issued` with a reference noted as given out. It only rises. */
export function issue(issued: Aircraft['issued'], reference: string): Aircraft['issued'] {
  if (!isFresh(issued, reference)) return issued;
  const { prefix, number } = splitReference(reference);
  return { ...issued, [prefix]: number };
}

/** True when a reference has never been given out. Names are never used twice, also when their first bearer is gone. */
export function isFresh(issued: Aircraft['issued'], reference: string): boolean {
  const { prefix, number } = splitReference(reference);
  return number > (issued[prefix] ?? 0);
}

/** The next reference for an item of a kind: one above the highest that was ever given out. */
export function nextReference(aircraft: Aircraft, kind: PartKind, offset = 0): string {
  const { prefix } = PART_KINDS[kind];
  return `${prefix}${(aircraft.issued[prefix] ?? 0) + 1 + offset}`;
}

/** The next tag for a cable. */
export function nextTag(aircraft: Aircraft, offset = 0): string {
  return `W${String((aircraft.issued['W'] ?? 0) + 1 + offset).padStart(2, '0')}`;
}
