import { matchTemplate, parseTemplate, type TemplatePiece } from '../../dialects/lines/lineTemplate.ts';
import type { DialectText } from '../../model/dialectText.ts';
import type { TextContents } from '../configText.ts';
import { cellsOf, isComment, withoutLeading } from '../../dialects/lines/cells.ts';
import { matchCells } from '../../dialects/lines/matchLine.ts';
import { compiledText, type CompiledLine } from '../../dialects/lines/compiledText.ts';
import { LineNames, lineName } from '../../dialects/lines/lineName.ts';
import { DUMP_LIMITS, lineProblem, linesOf, plainDump } from './dumpLines.ts';

/** One line of a dump, with its number in the text. */
export type DumpLine =
  | { readonly is: 'blank' | 'comment' | 'command' | 'heading'; readonly number: number; readonly text: string }
  | DumpValue
  /** No template of the dialect writes it. It is kept. */
  | { readonly is: 'unknown'; readonly number: number; readonly text: string; readonly section: string; readonly name: string }
  | { readonly is: 'bad'; readonly number: number; readonly text: string; readonly why: string };

/** A line that a template of the dialect writes. */
export interface DumpValue {
  readonly is: 'value';
  readonly number: number;
  readonly text: string;
  readonly section: string;
  /** What it is known by, as the plan names its lines; the second of a name has a number behind it. */
  readonly name: string;
  readonly compiled: CompiledLine;
  /** What its fields are written as. */
  readonly codes: ReadonlyMap<string, string>;
}

/** What a dump says of itself at its head. */
export interface DumpAbout {
  readonly board?: string;
  readonly version?: string;
  readonly aircraft?: string;
  readonly contents?: TextContents;
}

/** The values of a read line, as `delivered` has them. */
export function valuesOf({ compiled, codes }: DumpValue): string {
  return compiled.values.map(({ name }) => codes.get(name) ?? '').join(' ');
}

export interface ReadDump {
  /** Every line of the text, in its order: none is lost. */
  readonly lines: readonly DumpLine[];
  readonly about: DumpAbout;
}

/** A text that is read bit by bit, so that a long one can be shown as it comes and stopped. */
export interface DumpReader {
  readonly total: number;
  /** Reads so many lines more. Gives how many are read by then. */
  readonly read: (count: number) => number;
  readonly result: () => ReadDump;
}

/** Reads a dump with a dialect. Never throws, whatever the text is. */
export function readDump(text: DialectText, dump: string): ReadDump {
  const reader = dumpReader(text, dump);
  reader.read(reader.total);
  return reader.result();
}

/** Why a text is not read at all, in a sentence; undefined where it is. */
export function dumpProblem(dump: string): string | undefined {
  if (dump.trim() === '') return 'There is nothing to read: the text is empty.';
  if (dump.length > DUMP_LIMITS.characters)
    return `The text has ${dump.length} characters; the limit is ${DUMP_LIMITS.characters}. A dump of a controller is much shorter.`;
  return undefined;
}

export function dumpReader(text: DialectText, dump: string): DumpReader {
  const raw = linesOf(plainDump(dump));
  const lines: DumpLine[] = [];
  const about: Record<string, string> = {};
  const recogniser = new Recogniser(text);
  return {
    total: raw.length,
    read: (count) => {
      const end = Math.min(raw.length, lines.length + count);
      for (let i = lines.length; i < end; i += 1) {
        const line = raw[i] ?? '';
        lines.push(i < DUMP_LIMITS.lines ? recogniser.line(line, i + 1, about) : { is: 'bad', number: i + 1, text: line, why: TOO_MANY });
      }
      return lines.length;
    },
    result: () => ({ lines, about: aboutOf(text, about) }),
  };
}

const TOO_MANY = `is beyond the limit of ${DUMP_LIMITS.lines} lines`;

function aboutOf({ contents }: DialectText, { board, version, aircraft, contents: word }: Record<string, string>): DumpAbout {
  const kind =
    word === undefined || contents === undefined
      ? undefined
      : word === contents.complete
        ? 'complete'
        : word === contents.differences
          ? 'differences'
          : undefined;
  return {
    ...(board === undefined ? {} : { board }),
    ...(version === undefined ? {} : { version }),
    ...(aircraft === undefined ? {} : { aircraft }),
    ...(kind === undefined ? {} : { contents: kind }),
  };
}

/** Says of one line after the other what it is. It knows in which section it is. */
class Recogniser {
  readonly #text: DialectText;
  readonly #headers: readonly (readonly TemplatePiece[])[];
  /** Templates by section and number of cells; all under one name where the text has no headings. */
  readonly #templates = new Map<string, CompiledLine[]>();
  /** First cells without fields, by section: a line that begins so and is nothing else is a bad one. */
  readonly #firstCells = new Map<string, readonly number[]>();
  readonly #headings: ReadonlyMap<string, string>;
  readonly #names = new LineNames();
  #section: string | undefined;

  constructor(text: DialectText) {
    this.#text = text;
    this.#headers = text.header.flatMap((line) => {
      const parsed = parseTemplate(line);
      return 'problem' in parsed ? [] : [parsed.pieces];
    });
    this.#headings = new Map(text.sections.flatMap(({ id, heading }) => (heading === undefined ? [] : [[heading, id] as const])));
    for (const line of compiledText(text).lines) {
      const place = this.#placeOf(line.section.id);
      const key = `${place} ${line.cells.length}`;
      this.#templates.set(key, [...(this.#templates.get(key) ?? []), line]);
      const [first] = line.cells;
      const piece = first?.length === 1 ? first[0] : undefined;
      if (piece?.is === 'text')
        this.#firstCells.set(`${place} ${piece.text}`, [...(this.#firstCells.get(`${place} ${piece.text}`) ?? []), line.cells.length]);
    }
  }

  /** Where the text has headings, a template counts under its own only. */
  #placeOf(section: string | undefined): string {
    return this.#headings.size === 0 ? '' : (section ?? '');
  }

  line(raw: string, number: number, about: Record<string, string>): DumpLine {
    const problem = lineProblem(raw);
    if (problem !== undefined) return { is: 'bad', number, text: raw, why: problem };
    const text = raw.trim();
    const { grammar, passEnd = [], footer = [] } = this.#text;
    if (text === '') return { is: 'blank', number, text: raw };
    if (this.#isHeader(text, about)) return { is: 'comment', number, text: raw };
    if (isComment(grammar, text)) return { is: 'comment', number, text: raw };
    if (this.#headings.has(text)) {
      this.#section = this.#headings.get(text);
      return { is: 'heading', number, text: raw };
    }
    if ([...(grammar.commands ?? []), ...passEnd, ...footer].includes(text)) return { is: 'command', number, text: raw };
    if (this.#looksLikeHeading(text)) {
      this.#section = text;
      return { is: 'heading', number, text: raw };
    }
    return this.#value(withoutLeading(grammar, text), raw, number);
  }

  #isHeader(text: string, about: Record<string, string>): boolean {
    for (const pieces of this.#headers) {
      const found = matchTemplate(pieces, text);
      if (found === undefined) continue;
      for (const [name, value] of found) about[name] = value.trim();
      return true;
    }
    return false;
  }

  /** A heading of a section that the dialect does not have: it begins and ends as all of its own do. */
  #looksLikeHeading(text: string): boolean {
    const headings = [...this.#headings.keys()];
    const [first] = headings;
    if (first === undefined || first.length < 3) return false;
    const [open, close] = [first.slice(0, 1), first.slice(-1)];
    if (/[A-Za-z0-9]/.test(open) || !headings.every((one) => one.startsWith(open) && one.endsWith(close))) return false;
    return text.startsWith(open) && text.endsWith(close);
  }

  #value(text: string, raw: string, number: number): DumpLine {
    const cells = cellsOf(this.#text.grammar, text);
    const place = this.#placeOf(this.#section);
    for (const compiled of this.#templates.get(`${place} ${cells.length}`) ?? []) {
      const codes = matchCells(compiled, cells);
      if (codes === undefined) continue;
      const name = lineName(compiled.pieces, compiled.keys, ({ name: field }) => codes.get(field) ?? '');
      return {
        is: 'value',
        number,
        text: raw,
        section: compiled.section.id,
        name: this.#names.next(compiled.section.id, name),
        compiled,
        codes,
      };
    }
    const wanted = this.#firstCells.get(`${place} ${cells[0] ?? ''}`);
    if (wanted !== undefined && !wanted.includes(cells.length))
      return { is: 'bad', number, text: raw, why: `has ${cellWords(cells.length)}; "${cells[0] ?? ''}" needs ${Math.min(...wanted)}` };
    const section = this.#section ?? '';
    const name = cells.length > 1 ? (cells[0] ?? '') : text;
    return { is: 'unknown', number, text: raw, section, name: this.#names.next(section, name) };
  }
}

function cellWords(count: number): string {
  return count === 1 ? '1 cell' : `${count} cells`;
}
