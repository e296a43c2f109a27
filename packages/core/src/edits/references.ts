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
  return number > highest(issued, prefix);
}

/** The next reference for an item of a kind: one above the highest that was ever given out. */
export function nextReference({ issued }: Aircraft, kind: PartKind, offset = 0): string {
  const { prefix } = PART_KINDS[kind];
  return `${prefix}${highest(issued, prefix) + 1 + offset}`;
}

/** The next tag for a cable. */
export function nextTag({ issued }: Aircraft): string {
  return tag(highest(issued, TAG_PREFIX) + 1);
}

/** The next name of the same kind as one that is taken: `SRV4` for `SRV1`, `W08` for `W03`. */
export function nextLike(issued: Aircraft['issued'], name: string): string {
  const { prefix } = splitReference(name);
  const number = highest(issued, prefix) + 1;
  return prefix === TAG_PREFIX ? tag(number) : `${prefix}${number}`;
}

const TAG_PREFIX = 'W';

function tag(number: number): string {
  return `${TAG_PREFIX}${String(number).padStart(2, '0')}`;
}

/** The highest number given out with a prefix; 0 when none was. */
function highest(issued: Aircraft['issued'], prefix: string): number {
  return issued[prefix] ?? 0;
}
