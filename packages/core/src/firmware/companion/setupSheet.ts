import type { ItemId } from '../../model/ids.ts';
import type { Source } from '../facts/factRow.ts';

/** One thing to set on a device beside the controller. */
export interface SetupStep {
  readonly title: string;
  /** What it is set to, and how, in sentences. */
  readonly text: string;
  readonly caution?: string;
  readonly from: readonly Source[];
}

/** What is set on a computer or a radio, as steps and as a text file. */
export interface SetupSheet {
  readonly item: ItemId;
  readonly ref: string;
  /** The part, as people know it. */
  readonly part: string;
  readonly steps: readonly SetupStep[];
  /** The same for whoever types or loads it. The same aircraft gives the same bytes. */
  readonly file: string;
}

/** The lines of a file: a block in brackets with `name = value` below; what is not known is left out. */
export function block(title: string, values: readonly (readonly [name: string, value: string | number | undefined])[]): string {
  const lines = values.flatMap(([name, value]) => (value === undefined ? [] : [`${name} = ${value}`]));
  return [`[${title}]`, ...lines, ''].join('\n');
}
