import { uniqBy } from 'es-toolkit';
import { fillTemplate } from '../../dialects/lines/lineTemplate.ts';
import type { DialectSection, LineTemplate } from '../../model/dialectText.ts';
import { fieldOf, type FactFamilyId } from '../../model/firmwareFacts.ts';
import type { FactRow, FactValue, Source } from '../facts/factRow.ts';
import { valueWords } from '../valueWords.ts';
import { encode, type CodeBook } from './coding.ts';
import type { CompiledLine } from '../../dialects/lines/compiledText.ts';
import { lineName } from '../../dialects/lines/lineName.ts';

/** One value of a line. */
export interface LineValue {
  readonly field: string;
  readonly title: string;
  /** Undefined where the line is written without it. */
  readonly value: FactValue | undefined;
  readonly code: string;
}

/** A line as it follows from a row of facts. */
export interface WrittenLine {
  readonly section: DialectSection;
  readonly template: LineTemplate;
  readonly compiled: CompiledLine;
  readonly family: FactFamilyId;
  /** What it is known by in its section, without its values. */
  readonly name: string;
  readonly text: string;
  readonly row: FactRow;
  readonly values: readonly LineValue[];
  /** What in the document makes it what it is. */
  readonly from: readonly Source[];
}

/** A fact that the dialect cannot write. */
export interface LeftOut {
  readonly family: FactFamilyId;
  readonly what: string;
  /** Of the field or the key for which there is no code. */
  readonly title: string;
  readonly value: FactValue;
  /** The same in words. */
  readonly words: string;
  readonly from: readonly Source[];
}

/** The line of a row; nothing where a value that it holds is not said; or what the dialect has no code for. */
export function writeLine(
  book: CodeBook,
  compiled: CompiledLine,
  template: LineTemplate,
  row: FactRow,
): { readonly line: WrittenLine | undefined } | { readonly leftOut: readonly LeftOut[] } {
  const codes = new Map<string, string>();
  const values: LineValue[] = [];
  const leftOut: LeftOut[] = [];
  const from: Source[] = [];
  for (const field of [...compiled.keys, ...compiled.values]) {
    const spec = fieldOf(template.of, field.name);
    if (spec === undefined) return { line: undefined };
    const isKey = Object.hasOwn(row.keys, field.name);
    const fact = row.facts[field.name];
    const value = isKey ? row.keys[field.name] : fact?.value;
    if (fact !== undefined) from.push(...fact.from);
    if (value === undefined) {
      if (field.otherwise === undefined) return { line: undefined };
      codes.set(field.name, field.otherwise);
      values.push({ field: field.name, title: spec.title, value, code: field.otherwise });
      continue;
    }
    const code = encode(book, spec.coding, field, value);
    if (code === undefined)
      leftOut.push({
        family: template.of,
        what: row.what,
        title: spec.title,
        value,
        words: valueWords(spec.coding, value),
        from: fact?.from ?? row.from,
      });
    else {
      codes.set(field.name, code);
      if (!isKey) values.push({ field: field.name, title: spec.title, value, code });
    }
  }
  if (leftOut.length > 0) return { leftOut };
  const codeOf = ({ name }: { readonly name: string }): string => codes.get(name) ?? '';
  return {
    line: {
      section: compiled.section,
      template,
      compiled,
      family: template.of,
      name: lineName(compiled.pieces, compiled.keys, codeOf),
      text: fillTemplate(compiled.pieces, codeOf),
      row,
      values,
      from: uniqBy([...from, ...row.from], ({ path, words }) => `${path.join('/')} ${words}`),
    },
  };
}
