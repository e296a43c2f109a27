import { dialectProblems } from '../../dialects/dialectProblems.ts';
import { compiledText, type CompiledLine } from '../../dialects/lines/compiledText.ts';
import { matchCells } from '../../dialects/lines/matchLine.ts';
import { boardNamed } from '../../dialects/boardOf.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { DialectText, LineTemplate } from '../../model/dialectText.ts';
import { factFamily, type Coding, type FactFamilyId } from '../../model/firmwareFacts.ts';
import type { FactValue } from '../facts/factRow.ts';
import { tableOfCoding, withCode } from '../editing/codeTables.ts';
import { encode } from '../text/coding.ts';
import { valueWords } from '../valueWords.ts';
import { changedCells, type ChangedCell } from './changedCells.ts';

/** The one thing that was changed on the aircraft between two dumps. */
export interface KnownChange {
  readonly of: FactFamilyId;
  /** What the row is told apart by, such as `port: 'S4'`. */
  readonly keys: Readonly<Record<string, FactValue>>;
  readonly field: string;
  readonly was: FactValue;
  readonly now: FactValue;
  /** The board, where a key is one of its ports, outputs or banks. */
  readonly target?: string;
}

/** What two dumps teach: a rule that explains one line that changed. */
export interface Lesson {
  readonly numberBefore: number;
  readonly numberAfter: number;
  readonly before: string;
  readonly after: string;
  /** What the dialect learns, each as a sentence. */
  readonly says: readonly string[];
  /** The dialect with it. */
  readonly dialect: Dialect;
  /** In which the dialect would not hold together then. */
  readonly problems: readonly string[];
}

/** The rules that would explain what changed from one dump to the other; a sentence where nothing can be learned. */
export function teach(
  dialect: Dialect,
  change: KnownChange,
  before: string,
  after: string,
): readonly Lesson[] | { readonly sentence: string } {
  const { text } = dialect;
  if (text === undefined) return { sentence: 'The dialect has no line format yet. Start from a copy of a sample.' };
  if (change.was === change.now) return { sentence: 'Nothing was changed: choose two values that differ.' };
  const changed = changedCells(text, before, after);
  if (changed.length === 0)
    return { sentence: 'The two dumps do not differ in the value of any line. Were both read after the change was saved?' };
  const lessons = changed.flatMap((cell) => lessonsOf(dialect, text, change, cell));
  return lessons.length > 0
    ? lessons
    : {
        sentence: `${changed.length === 1 ? 'One line differs' : `${changed.length} lines differ`}, and no rule for this change explains it.`,
      };
}

function lessonsOf(dialect: Dialect, text: DialectText, change: KnownChange, cell: ChangedCell): readonly Lesson[] {
  const spec = factFamily(change.of).fields[change.field];
  if (spec === undefined) return [];
  const field = fieldText(change, spec.coding, cell);
  if (field === undefined) return [];
  const known = knownTemplate(text, cell);
  if (known !== undefined) {
    // The line is known: its codes are what is new. A line that holds another fact explains nothing.
    const isMeant = 'planned' in known.is && known.is.planned.of === change.of && known.values.some(({ name }) => name === change.field);
    if (!isMeant || spec.coding.by === 'number') return [];
    // As the template cuts it: a code may hold signs that words do not.
    const [was, now] = [cell.before, cell.after].map((cells) => matchCells(known, cells)?.get(change.field) ?? '');
    const whole = { ...cell, was: was ?? cell.was, now: now ?? cell.now };
    return [lesson(withCodes(dialect, change, spec.coding, whole), cell, codeSentences(change, spec, whole))];
  }
  return keyed(dialect, change, withField(cell, field)).map(({ cells, learned, says }) => {
    const between = text.grammar.between === undefined ? ' ' : ` ${text.grammar.between} `;
    const template: LineTemplate = {
      id: freshId(text, `${change.of}-${change.field}`.toLowerCase()),
      of: change.of,
      write: cells.join(between),
    };
    const coded = spec.coding.by === 'number' ? learned : withCodes(learned, change, spec.coding, cell);
    return lesson(withTemplate(coded, template, cell.section), cell, [
      `A line "${template.write}" sets ${spec.title}.`,
      ...says,
      ...(spec.coding.by === 'number' ? [] : codeSentences(change, spec, cell)),
      ...(cells.length > 2 ? ['The other columns are copied as they are: teach the meaning of each of them, too.'] : []),
    ]);
  });
}

function lesson(dialect: Dialect, cell: ChangedCell, says: readonly string[]): Lesson {
  const { numberBefore, numberAfter, lineBefore, lineAfter } = cell;
  return { numberBefore, numberAfter, before: lineBefore, after: lineAfter, says, dialect, problems: dialectProblems(dialect) };
}

function codeSentences({ was, now }: KnownChange, { title, coding }: FactSpec, cell: ChangedCell): readonly string[] {
  return [`${title}: ${valueWords(coding, was)} is written ${cell.was}; ${valueWords(coding, now)} is written ${cell.now}.`];
}

interface FactSpec {
  readonly title: string;
  readonly coding: Coding;
}

/** The template that knows both lines; undefined where none does. */
function knownTemplate(text: DialectText, { before, after, section }: ChangedCell): CompiledLine | undefined {
  return compiledText(text).lines.find(
    (line) =>
      (section === undefined || line.section.id === section) &&
      line.cells.length === before.length &&
      matchCells(line, before) !== undefined &&
      matchCells(line, after) !== undefined,
  );
}

/** The field as a template has it: of a number with the line through its two values. */
function fieldText({ field, was, now }: KnownChange, { by }: Coding, cell: ChangedCell): string | undefined {
  if (by !== 'number') return `{${field}}`;
  const [a, b] = [Number(cell.was), Number(cell.now)];
  if (typeof was !== 'number' || typeof now !== 'number' || !Number.isFinite(a) || !Number.isFinite(b)) return undefined;
  const times = round((b - a) / (now - was));
  const plus = round(a - times * was);
  const digits = Math.max(...[cell.was, cell.now].map((text) => /\.(\d+)$/.exec(text)?.[1]?.length ?? 0));
  if (times === 0 || digits > 6) return undefined;
  return [
    `{${field}`,
    ...(times === 1 ? [] : [`times ${times}`]),
    ...(plus === 0 ? [] : [`plus ${plus}`]),
    ...(digits === 0 ? [] : [`digits ${digits}`]),
    ...([cell.was, cell.now].some((text) => text.startsWith('+')) ? ['signed'] : []),
  ]
    .join(' ')
    .concat('}');
}

/** What arithmetic with two rounded values leaves behind is no factor. */
function round(value: number): number {
  return Number(value.toPrecision(6));
}

function withField({ before, cell, from, was }: ChangedCell, field: string): readonly string[] {
  return before.map((one, i) => (i === cell ? `${one.slice(0, from)}${field}${one.slice(from + was.length)}` : one));
}

interface Keyed {
  readonly cells: readonly string[];
  readonly learned: Dialect;
  readonly says: readonly string[];
}

/** The cells with the codes of the keys in braces. An index that the dialect does not know yet is read off the line: every number in it could be meant. */
function keyed(dialect: Dialect, change: KnownChange, cells: readonly string[]): readonly Keyed[] {
  return Object.entries(factFamily(change.of).keys).reduce<readonly Keyed[]>(
    (found, [key, { coding, title }]) =>
      found.flatMap((one): readonly Keyed[] => {
        const value = change.keys[key];
        if (value === undefined) return [];
        const book = { dialect: one.learned, board: change.target === undefined ? undefined : boardNamed(one.learned, change.target) };
        const code = encode(book, coding, PLAIN, value);
        const places = code === undefined ? numbersIn(one.cells) : placesOf(one.cells, code);
        return places.map(({ cell, from, text }) => ({
          cells: one.cells.map((content, i) =>
            i === cell ? `${content.slice(0, from)}{${key}}${content.slice(from + text.length)}` : content,
          ),
          learned: code === undefined ? learnedCode(one.learned, coding, value, text, change.target) : one.learned,
          says: code === undefined ? [...one.says, `${title} ${value} is ${text} in the firmware.`] : one.says,
        }));
      }),
    [{ cells, learned: dialect, says: [] }],
  );
}

const PLAIN = { name: '', times: 1, plus: 0, digits: 0, signed: false, otherwise: undefined } as const;

interface PlaceInCell {
  readonly cell: number;
  readonly from: number;
  readonly text: string;
}

/** Where a code stands by itself in the cells, outside of braces. */
function placesOf(cells: readonly string[], code: string): readonly PlaceInCell[] {
  return wordsIn(cells, /[A-Za-z0-9_-]+|\{[^}]*\}/g)
    .flatMap((word) => (word.text === code ? [word] : insideOf(word, code)))
    .slice(0, 1);
}

/** A code at the end of a word of letters, as `P17`. */
function insideOf({ cell, from, text }: PlaceInCell, code: string): readonly PlaceInCell[] {
  if (text.startsWith('{') || !text.endsWith(code) || /\d$/.test(text.slice(0, -code.length))) return [];
  return [{ cell, from: from + text.length - code.length, text: code }];
}

function numbersIn(cells: readonly string[]): readonly PlaceInCell[] {
  return wordsIn(cells.slice(0, 1), /\d+|\{[^}]*\}/g).filter(({ text }) => !text.startsWith('{'));
}

function wordsIn(cells: readonly string[], word: RegExp): readonly PlaceInCell[] {
  return cells.flatMap((content, cell) => [...content.matchAll(word)].map((found) => ({ cell, from: found.index, text: found[0] })));
}

function learnedCode(dialect: Dialect, coding: Coding, value: FactValue, code: string, target: string | undefined): Dialect {
  const table = tableOfCoding(coding);
  return table === undefined ? dialect : withCode(dialect, table, String(value), code, target);
}

/** The dialect with the codes of both values; "nothing" has codes of its own. */
function withCodes(dialect: Dialect, { was, now, target }: KnownChange, coding: Coding, cell: ChangedCell): Dialect {
  const one = (to: Dialect, value: FactValue, code: string): Dialect => {
    if (value === 'none' && coding.by !== 'words') return withCode(to, 'none', coding.by, code);
    return learnedCode(to, coding, value, code, target);
  };
  return one(one(dialect, was, cell.was), now, cell.now);
}

function freshId(text: DialectText, base: string): string {
  const taken = new Set(text.sections.flatMap(({ lines, own = [] }) => [...lines, ...own].map(({ id }) => id)));
  let id = base;
  for (let n = 2; taken.has(id); n += 1) id = `${base}-${n}`;
  return id;
}

/** The dialect with one line more, at the end of the section: the one that the line stood in, else the one with lines of its family, else the first. */
function withTemplate(dialect: Dialect, template: LineTemplate, section: string | undefined): Dialect {
  const { text } = dialect;
  if (text === undefined) return dialect;
  const wanted =
    text.sections.find(({ id }) => id === section) ??
    text.sections.find(({ lines }) => lines.some(({ of }) => of === template.of)) ??
    text.sections[0];
  return {
    ...dialect,
    text: { ...text, sections: text.sections.map((one) => (one === wanted ? { ...one, lines: [...one.lines, template] } : one)) },
  };
}
