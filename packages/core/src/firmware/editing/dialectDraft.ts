import { readExpected, writeExpected } from '../../dialects/sheet/expectedLines.ts';
import { readSheet, writeSheet, type SheetProblem } from '../../dialects/sheet/sheet.ts';
import { dialectProblems } from '../../dialects/dialectProblems.ts';
import { textProblems } from '../../dialects/textProblems.ts';
import { DialectSchema, type Dialect } from '../../model/dialect.ts';
import { hiddenTextIn } from '../../model/plainText.ts';
import { hasShape, shapeProblems } from '../../model/shape.ts';
import { testDialect, type ExpectedResult } from '../text/testDialect.ts';

/** A dialect that is being edited: its tables, and its lines and tests as they are typed. */
export interface DialectDraft {
  readonly dialect: Dialect;
  readonly sheet: string;
  readonly tests: string;
}

/** What a draft comes to. */
export interface DraftVerdict {
  /** The dialect, where it holds together. */
  readonly dialect: Dialect | undefined;
  /** What is wrong in the lines, each at its line. */
  readonly inSheet: readonly SheetProblem[];
  readonly inTests: readonly SheetProblem[];
  /** What is wrong elsewhere, each as a sentence. */
  readonly others: readonly string[];
  readonly results: readonly ExpectedResult[];
}

export function draftOf(dialect: Dialect): DialectDraft {
  return { dialect, sheet: writeSheet(dialect.text?.sections ?? []), tests: writeExpected(dialect.text?.expects ?? []) };
}

/** Reads a draft; whatever is typed gets sentences and no exception. */
export function judgeDraft({ dialect, sheet, tests }: DialectDraft): DraftVerdict {
  const read = readSheet(sheet);
  const expected = readExpected(tests);
  const before = dialect.text;
  if (before === undefined) return { dialect: undefined, inSheet: [], inTests: [], others: ['The dialect has no lines yet.'], results: [] };
  const { expects: _was, ...text } = before;
  const made: Dialect = {
    ...dialect,
    text: { ...text, sections: [...read.sections], ...(expected.expects.length === 0 ? {} : { expects: [...expected.expects] }) },
  };
  if (!hasShape(DialectSchema, made)) {
    const others = shapeProblems(DialectSchema, made, 8).map(({ path, message }) => `${path}: ${message}.`);
    return { dialect: undefined, inSheet: read.problems, inTests: expected.problems, others, results: [] };
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
  const isSound = inSheet.length + others.length + expected.problems.length === 0;
  return { dialect: isSound ? made : undefined, inSheet, inTests: expected.problems, others, results: testDialect(made, expected.expects) };
}
