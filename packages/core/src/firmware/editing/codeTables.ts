import type { BoardEntry, Dialect, NamedCode } from '../../model/dialect.ts';
import { NONE_CODES } from '../../model/dialectText.ts';
import { WORD_LISTS, wordLists, type Coding, type WordList } from '../../model/firmwareFacts.ts';
import { flightModes } from '../../model/flightModes.ts';
import { lossActions } from '../../model/lossActions.ts';
import { mountings } from '../../model/mounting.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import { outputFunctions } from '../../model/outputFunctions.ts';
import { PROTOCOL_IDS } from '../../model/protocolIds.ts';
import type { Part, ResolvedPart } from '../../model/part.ts';
import { valueWords } from '../valueWords.ts';

/** One code of a dialect: what it stands for, and how it is written; empty where the dialect does not say. */
export interface CodeRow {
  readonly key: string;
  readonly title: string;
  readonly code: string;
}

/** One table of a dialect to edit. */
export interface CodeTable {
  readonly id: string;
  readonly title: string;
  readonly rows: readonly CodeRow[];
}

const NAMED = {
  roles: { title: 'Protocols of serial ports', of: PROTOCOL_IDS },
  functions: { title: 'Functions of outputs', of: outputFunctions },
  orientations: { title: 'Orientations', of: mountings },
  modes: { title: 'Flight modes', of: flightModes },
} as const satisfies Readonly<Record<string, { readonly title: string; readonly of: readonly string[] }>>;
type NamedTable = keyof typeof NAMED;
const namedTables: readonly NamedTable[] = ['roles', 'functions', 'orientations', 'modes'];

const NONE_TITLES = {
  roles: 'no protocol',
  functions: 'no function',
  modes: 'no mode',
  actions: 'no action',
  armed: 'motors may run',
} as const;
const BOARD_TABLES = { serial: 'Serial ports', outputs: 'Outputs', banks: 'Output banks' } as const;
type BoardTable = keyof typeof BOARD_TABLES;
const boardTables: readonly BoardTable[] = ['serial', 'outputs', 'banks'];

/** Every table of codes of a dialect, with those of a board where one is given, in the order in which they are edited. */
export function codeTables(dialect: Dialect, part?: ResolvedPart): readonly CodeTable[] {
  const target = part?.board?.target;
  return [
    ...(part === undefined || target === undefined ? [] : boardTables.map((table) => boardTable(dialect, part, target, table))),
    ...namedTables.map((id): CodeTable => ({
      id,
      title: NAMED[id].title,
      rows: NAMED[id].of.map((key) => ({ key, title: valueWords({ by: id }, key), code: codeIn(dialect[id], key) })),
    })),
    {
      id: 'actions',
      title: 'Loss-of-signal actions',
      rows: lossActions.map((key) => ({
        key,
        title: valueWords({ by: 'actions' }, key),
        code: codeIn(dialect.failsafe?.actions ?? {}, key),
      })),
    },
    {
      id: 'bauds',
      title: 'Baud rates',
      rows: Object.entries(dialect.bauds)
        .sort(([a], [b]) => Number(a) - Number(b))
        .map(([key, code]) => ({ key, title: `${key} baud`, code })),
    },
    ...wordLists.map((list) => wordTable(dialect, list)),
    {
      id: 'none',
      title: 'Codes for none',
      rows: NONE_CODES.map((key) => ({ key, title: NONE_TITLES[key], code: dialect.text?.none?.[key] ?? '' })),
    },
  ];
}

function codeIn(table: Readonly<Record<string, NamedCode | undefined>>, key: string): string {
  return (Object.hasOwn(table, key) ? table[key]?.code : undefined) ?? '';
}

function wordTable({ text }: Dialect, list: WordList): CodeTable {
  const coding: Coding = { by: 'words', words: list };
  const words: Readonly<Record<string, string>> = text?.words[list] ?? {};
  return {
    id: `words.${list}`,
    title: `Words: ${WORD_LISTS[list].title}`,
    rows: WORD_LISTS[list].of.map((key) => ({
      key,
      title: valueWords(coding, key),
      code: Object.hasOwn(words, key) ? (words[key] ?? '') : '',
    })),
  };
}

function boardTable(dialect: Dialect, part: ResolvedPart, target: string, table: BoardTable): CodeTable {
  const own = (Object.hasOwn(dialect.boards, target) ? dialect.boards[target] : undefined)?.[table] ?? {};
  return {
    id: `board.${table}`,
    title: `${target}: ${BOARD_TABLES[table].toLowerCase()}`,
    rows: idsOf(part, table).map((key) => ({ key, title: key, code: Object.hasOwn(own, key) ? (own[key] ?? '') : '' })),
  };
}

function idsOf({ endpoints, board }: Pick<Part | ResolvedPart, 'endpoints' | 'board'>, table: BoardTable): readonly string[] {
  if (table === 'banks') return (board?.banks ?? []).map(({ id }) => id).sort(naturalOrder);
  const is = table === 'serial' ? 'uart' : 'pulse-out';
  return endpoints.flatMap((endpoint) => (endpoint.is === is ? [endpoint.id] : [])).sort(naturalOrder);
}

/**
 * The dialect with another code in one of its tables.
 * @param code empty to leave it unsaid
 * @param target the board whose table it is, of tables of a board
 */
export function withCode(dialect: Dialect, table: string, key: string, code: string, target?: string): Dialect {
  const named = namedTables.find((id) => id === table);
  if (named !== undefined) return { ...dialect, [named]: withNamed(dialect[named], key, code) };
  if (table === 'bauds') return { ...dialect, bauds: withWord(dialect.bauds, key, code) };
  if (table === 'actions')
    return dialect.failsafe === undefined
      ? dialect
      : { ...dialect, failsafe: { ...dialect.failsafe, actions: withNamed(dialect.failsafe.actions, key, code) } };
  const boardPart = boardTables.find((one) => table === `board.${one}`);
  if (boardPart !== undefined && target !== undefined) {
    const entry: BoardEntry = (Object.hasOwn(dialect.boards, target) ? dialect.boards[target] : undefined) ?? { title: target };
    return { ...dialect, boards: { ...dialect.boards, [target]: { ...entry, [boardPart]: withWord(entry[boardPart] ?? {}, key, code) } } };
  }
  const { text } = dialect;
  if (text === undefined) return dialect;
  const list = wordLists.find((one) => table === `words.${one}`);
  if (list !== undefined) {
    const { [list]: was, ...others } = text.words;
    const now = withWord(was ?? {}, key, code);
    return { ...dialect, text: { ...text, words: Object.keys(now).length === 0 ? others : { ...others, [list]: now } } };
  }
  const none = NONE_CODES.find((one) => one === key);
  return table === 'none' && none !== undefined ? { ...dialect, text: { ...text, none: withWord(text.none ?? {}, none, code) } } : dialect;
}

function withWord(table: Readonly<Record<string, string>>, key: string, code: string): Readonly<Record<string, string>> {
  const { [key]: _was, ...others } = table;
  return code === '' ? others : { ...table, [key]: code };
}

function withNamed(table: Readonly<Record<string, NamedCode | undefined>>, key: string, code: string): Readonly<Record<string, NamedCode>> {
  const entries = Object.entries(table).flatMap(([name, entry]) => (entry === undefined ? [] : [[name, entry] as const]));
  const was = entries.find(([name]) => name === key)?.[1];
  const others = Object.fromEntries(entries.filter(([name]) => name !== key));
  return code === '' ? others : { ...others, [key]: { ...was, code } };
}

/** The table in which the codes of a field are; undefined for what is written as it is. */
export function tableOfCoding(coding: Coding): string | undefined {
  switch (coding.by) {
    case 'number':
    case 'text':
      return undefined;
    case 'words':
      return `words.${coding.words}`;
    case 'serial':
    case 'outputs':
    case 'banks':
      return `board.${coding.by}`;
    default:
      return coding.by;
  }
}
