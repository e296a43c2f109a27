import { readExpected, writeExpected } from '../../dialects/sheet/expectedLines.ts';
import { readSheet, writeSheet, type SheetProblem } from '../../dialects/sheet/sheet.ts';
import { placeInTables, readTables, writeTables } from '../../dialects/sheet/tables.ts';
import { dialectProblems } from '../../dialects/dialectProblems.ts';
import { textProblems } from '../../dialects/textProblems.ts';
import { DialectSchema, type Dialect } from '../../model/dialect.ts';
import { hiddenTextIn } from '../../model/plainText.ts';
import { hasShape, shapeProblems } from '../../model/shape.ts';
import { testDialect, type ExpectedResult } from '../text/testDialect.ts';

/** A dialect that is being edited: as it was last sound in shape, and its lines, tests and tables as they are typed. */
export interface DialectDraft {
  readonly dialect: Dialect;
  readonly sheet: string;
  readonly tests: string;
  readonly tables: string;
}

/** What a draft comes to. */
export interface DraftVerdict {
  /** The dialect, where it holds together. */
  readonly dialect: Dialect | undefined;
  /** What is wrong in the lines, each at its line. */
  readonly inSheet: readonly SheetProblem[];
  readonly inTests: readonly SheetProblem[];
  readonly inTables: readonly SheetProblem[];
  /** What is wrong elsewhere, each as a sentence. */
  readonly others: readonly string[];
  readonly results: readonly ExpectedResult[];
}

export function draftOf(dialect: Dialect): DialectDraft {
  return {
    dialect,
    sheet: writeSheet(dialect.text?.sections ?? []),
    tests: writeExpected(dialect.text?.expects ?? []),
    tables: writeTables(dialect),
  };
}

/** The draft with another dialect whose lines and tests are the same ones, such as after a code was changed. */
export function withDialect(draft: DialectDraft, dialect: Dialect): DialectDraft {
  return { ...draft, dialect, tables: writeTables(dialect) };
}

/** The draft with its tables as they are typed; where they have the shape of a dialect they are its tables. */
export function withTables(draft: DialectDraft, tables: string): DialectDraft {
  const { dialect } = tablesOf({ ...draft, tables });
  return { ...draft, tables, dialect: dialect ?? draft.dialect };
}

/** The dialect of the tables as they are typed, with the lines and tests of before; or what is wrong in them. */
function tablesOf({ dialect: { id, source, text }, tables }: Pick<DialectDraft, 'dialect' | 'tables'>): {
  readonly dialect: Dialect | undefined;
  readonly problems: readonly SheetProblem[];
} {
  const read = readTables(tables);
  if (read.value === undefined || read.problems.length > 0) return { dialect: undefined, problems: read.problems };
  const words = read.value['text'];
  // Lines and tests have texts of their own, and are judged there.
  const held = { sections: text?.sections ?? NO_LINES, ...(text?.expects === undefined ? {} : { expects: text.expects }) };
  const made: unknown = {
    ...read.value,
    id,
    source,
    ...(typeof words === 'object' && words !== null && !Array.isArray(words) ? { text: { ...words, ...held } } : {}),
  };
  if (hasShape(DialectSchema, made)) return { dialect: made, problems: [] };
  const problems = shapeProblems(DialectSchema, made, 8).flatMap((problem) => placeInTables(read, problem) ?? []);
  return { dialect: undefined, problems };
}

/** Where nobody has written lines yet. */
const NO_LINES = [{ id: 'lines', title: 'Lines', lines: [] }];

/** Reads a draft; whatever is typed gets sentences and no exception. */
export function judgeDraft({ dialect, sheet, tests, tables }: DialectDraft): DraftVerdict {
  const read = readSheet(sheet);
  const expected = readExpected(tests);
  const { problems: inTables } = tablesOf({ dialect, tables });
  const typed = { inSheet: read.problems, inTests: expected.problems, inTables };
  const before = dialect.text;
  if (before === undefined) return { ...typed, dialect: undefined, others: [NO_TEXT], results: [] };
  const { expects: _was, ...text } = before;
  const made: Dialect = {
    ...dialect,
    text: { ...text, sections: [...read.sections], ...(expected.expects.length === 0 ? {} : { expects: [...expected.expects] }) },
  };
  if (!hasShape(DialectSchema, made)) {
    const others = shapeProblems(DialectSchema, made, 8).map(({ path, message }) => `${path}: ${message}.`);
    return { ...typed, dialect: undefined, others, results: [] };
  }
  const placed = textProblems(made);
  const inSheet = [
    ...read.problems,
    ...placed.flatMap(({ sentence, line, section, column }): SheetProblem[] => {
      const at = read.lines.find((one) => (line === undefined ? one.name === undefined && one.section === section : one.name === line));
      return at === undefined ? [] : [{ line: at.line, column: column ?? 1, sentence }];
    }),
  ];
  const inLines = new Set(inSheet.map(({ sentence }) => sentence));
  const hidden = hiddenTextIn(made);
  const others = [
    ...dialectProblems(made).filter((sentence) => !inLines.has(sentence)),
    ...(hidden === undefined ? [] : [`The text at ${hidden.path} ${hidden.problem}.`]),
  ];
  const isSound = [inSheet, others, expected.problems, inTables].every((problems) => problems.length === 0);
  return { ...typed, dialect: isSound ? made : undefined, inSheet, others, results: testDialect(made, expected.expects) };
}

const NO_TEXT =
  'The dialect has no lines yet. Add a text to its tables first: "text": { "grammar": { "comments": ["#"] }, "header": [], "words": {} }.';
