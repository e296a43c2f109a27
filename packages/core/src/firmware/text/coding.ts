import type { DialectBoard } from '../../dialects/boardOf.ts';
import { readNumber, writeNumber, type TemplateField } from '../../dialects/lines/lineTemplate.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { NoneCode } from '../../model/dialectText.ts';
import type { Coding } from '../../model/firmwareFacts.ts';
import type { FactValue } from '../facts/factRow.ts';

/** What codes are looked up in. */
export interface CodeBook {
  readonly dialect: Dialect;
  readonly board: DialectBoard | undefined;
}

/** A value as the dialect writes it in a field; undefined where it has no code for it. */
export function encode(book: CodeBook, coding: Coding, field: TemplateField, value: FactValue): string | undefined {
  if (coding.by === 'number') return typeof value === 'number' ? writeNumber(field, value) : undefined;
  if (coding.by === 'text') return String(value);
  const table = tableOf(book, coding);
  const key = String(value);
  return Object.hasOwn(table, key) ? table[key] : undefined;
}

/** Every value that the dialect writes so, since several may have one code; none where it is no code of the table. */
export function decode(book: CodeBook, coding: Coding, field: Pick<TemplateField, 'times' | 'plus'>, code: string): readonly FactValue[] {
  if (coding.by === 'number') {
    const value = readNumber(field, code);
    return value === undefined ? [] : [value];
  }
  if (coding.by === 'text') return [code];
  const values = Object.entries(tableOf(book, coding)).flatMap(([value, one]) => (one === code ? [value] : []));
  return coding.by === 'bauds' ? values.map(Number) : values;
}

type Table = Readonly<Record<string, string>>;
const tables = new WeakMap<Dialect, Map<string, Table>>();

/** The table of a coding, from our ids to codes; built once a dialect, those of a board each time. */
function tableOf({ dialect, board }: CodeBook, coding: Exclude<Coding, { by: 'number' } | { by: 'text' }>): Table {
  if (coding.by === 'serial' || coding.by === 'outputs' || coding.by === 'banks') return board?.[coding.by] ?? {};
  const known = tables.get(dialect) ?? new Map<string, Table>();
  tables.set(dialect, known);
  const name = coding.by === 'words' ? `words ${coding.words}` : coding.by;
  const found = known.get(name) ?? built(dialect, coding);
  known.set(name, found);
  return found;
}

function built(dialect: Dialect, coding: Exclude<Coding, { by: 'number' | 'text' | 'serial' | 'outputs' | 'banks' }>): Table {
  const { text } = dialect;
  switch (coding.by) {
    case 'bauds':
      return dialect.bauds;
    case 'words':
      return text?.words[coding.words] ?? {};
    case 'roles':
    case 'functions':
    case 'orientations':
      return { ...codesIn(dialect[coding.by]), ...noneIn(dialect, coding.by) };
    case 'modes':
      return {
        ...noneIn(dialect, 'modes'),
        ...codesIn(dialect.modes),
        ...(text?.none?.armed === undefined ? {} : { armed: text.none.armed }),
      };
    case 'actions':
      return { ...noneIn(dialect, 'actions'), ...codesIn(dialect.failsafe?.actions ?? {}) };
  }
}

function noneIn({ text }: Dialect, table: NoneCode | 'orientations'): Table {
  const code = table === 'orientations' ? undefined : text?.none?.[table];
  return code === undefined ? {} : { none: code };
}

function codesIn(table: Readonly<Record<string, { readonly code: string } | undefined>>): Table {
  return Object.fromEntries(Object.entries(table).flatMap(([key, entry]) => (entry === undefined ? [] : [[key, entry.code]])));
}
