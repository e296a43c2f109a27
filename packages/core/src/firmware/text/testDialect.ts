import { boardNamed } from '../../dialects/boardOf.ts';
import { compiledText } from '../../dialects/lines/compiledText.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { ExpectedLine } from '../../model/dialectText.ts';
import { factFamily } from '../../model/firmwareFacts.ts';
import type { FactRow } from '../facts/factRow.ts';
import { writeLine } from './writeLine.ts';

/** What became of a test of a dialect. */
export interface ExpectedResult {
  readonly expected: ExpectedLine;
  readonly isMet: boolean;
  /** The lines that the dialect writes of these facts. */
  readonly gives: readonly string[];
}

/** The tests that are written down in a dialect, run on it. */
export function testDialect(dialect: Dialect, expects: readonly ExpectedLine[] = dialect.text?.expects ?? []): readonly ExpectedResult[] {
  return expects.map((expected) => {
    const gives = linesOf(dialect, expected);
    return { expected, isMet: gives.includes(expected.line), gives };
  });
}

function linesOf(dialect: Dialect, { of, board, facts }: ExpectedLine): readonly string[] {
  if (dialect.text === undefined) return [];
  const book = { dialect, board: board === undefined ? undefined : boardNamed(dialect, board) };
  const { keys } = factFamily(of);
  const row: FactRow = {
    keys: Object.fromEntries(Object.entries(facts).filter(([name]) => Object.hasOwn(keys, name))),
    facts: Object.fromEntries(
      Object.entries(facts).flatMap(([name, value]) => (Object.hasOwn(keys, name) ? [] : [[name, { value, from: [] }]])),
    ),
    what: of,
    from: [],
    tags: [],
  };
  return compiledText(dialect.text).lines.flatMap((compiled): string[] => {
    if (!('planned' in compiled.is) || compiled.is.planned.of !== of) return [];
    const made = writeLine(book, compiled, compiled.is.planned, row);
    return 'leftOut' in made || made.line === undefined ? [] : [made.line.text];
  });
}
