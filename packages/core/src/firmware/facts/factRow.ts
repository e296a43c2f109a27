import type { SimpleEdit } from '../../edits/registry.ts';
import type { RowTag } from '../../model/dialectText.ts';
import type { FactFamilyId } from '../../model/firmwareFacts.ts';
import type { ItemId } from '../../model/ids.ts';
import type { FirmwareScope } from '../scope.ts';

/** A value of a fact, before a dialect writes it: a number, or an id of ours (a protocol, a function, `yes`, `none`). */
export type FactValue = string | number;

/** Something in the document that a fact rests on. */
export interface Source {
  /** From the aircraft down, as changes name it: `['items', 'i7', 'settings', 'S4.baud']`; all below it counts. */
  readonly path: readonly string[];
  readonly words: string;
}

export interface Fact {
  readonly value: FactValue;
  readonly from: readonly Source[];
}

/** One row of a family: what tells it apart, and its facts. A fact that nothing says is undefined. */
export interface FactRow {
  readonly keys: Readonly<Record<string, FactValue>>;
  readonly facts: Readonly<Record<string, Fact | undefined>>;
  /** What it is about, as people name it: `FC1 S4`. */
  readonly what: string;
  /** What made the row itself, beside what its facts rest on. */
  readonly from: readonly Source[];
  readonly tags: readonly RowTag[];
}

/** The rows of each family, derived when they are first wanted. */
export type RowsOf = (family: FactFamilyId) => readonly FactRow[];

/** A value that was read from an aircraft, to be made the document's. */
export interface TakenFact {
  readonly keys: Readonly<Record<string, FactValue>>;
  readonly field: string;
  readonly value: FactValue;
}

/** The rows of one family for a controller, and how a value of it gets back into the document. */
export interface FactSource {
  readonly family: FactFamilyId;
  readonly rows: (scope: FirmwareScope) => readonly FactRow[];
  /** The edit that makes a value the document's; undefined where the document has no place for it. */
  readonly take?: (scope: FirmwareScope, taken: TakenFact) => SimpleEdit | undefined;
  /** The edit that makes a whole row the document's that it does not have; undefined where the values do not make one. */
  readonly takeRow?: (scope: FirmwareScope, row: TakenRow) => SimpleEdit | undefined;
}

/** A row that was read from an aircraft and is not in the document. */
export interface TakenRow {
  readonly keys: Readonly<Record<string, FactValue>>;
  readonly values: Readonly<Record<string, FactValue | undefined>>;
}

export function fact(value: FactValue | undefined, ...from: readonly Source[]): Fact | undefined {
  return value === undefined ? undefined : { value, from };
}

export function yesOrNo(is: boolean): 'yes' | 'no' {
  return is ? 'yes' : 'no';
}

/** A setting of an item as a source. */
export function fromSetting(item: ItemId, setting: string, words: string): Source {
  return { path: ['items', item, 'settings', setting], words };
}

/** What is plugged where: any cable or mate may have made the difference. */
export const FROM_WIRING: readonly Source[] = [
  { path: ['cables'], words: 'the wiring' },
  { path: ['mates'], words: 'the wiring' },
];
