import type { DialectText } from '../../model/dialectText.ts';

type Grammar = DialectText['grammar'];

/** Blanks as any text may have them; a no-break space too, which comes with text that was copied from a page. */
const BLANKS = /[ \t\u00A0]+/g;

/** The cells of a line: what is between its separators, with single blanks inside. Fields of a template keep the blanks in their braces. */
export function cellsOf({ between }: Grammar, line: string): readonly string[] {
  if (between !== undefined) return line.split(between).map((cell) => cell.replace(BLANKS, ' ').trim());
  return splitAtBlanks(line);
}

/** Cut at blanks, but not inside braces. */
function splitAtBlanks(line: string): readonly string[] {
  const cells: string[] = [];
  let cell = '';
  let depth = 0;
  for (const sign of line) {
    if (depth === 0 && (sign === ' ' || sign === '\t' || sign === '\u00A0')) {
      if (cell !== '') cells.push(cell);
      cell = '';
      continue;
    }
    if (sign === '{') depth += 1;
    if (sign === '}' && depth > 0) depth -= 1;
    cell += sign;
  }
  if (cell !== '') cells.push(cell);
  return cells;
}

/** The line without a word that it may begin with and that says nothing. */
export function withoutLeading({ leading = [] }: Grammar, line: string): string {
  const word = leading.find((one) => line.startsWith(one) && !goesOn(line, one.length));
  return word === undefined ? line : line.slice(word.length).trimStart();
}

/** True where a word only begins at the beginning of another one. */
function goesOn(line: string, length: number): boolean {
  return /^\w\w$/.test(line.slice(length - 1, length + 1));
}

/** True for a line that says nothing. */
export function isComment({ comments }: Grammar, line: string): boolean {
  return comments.some((mark) => line.startsWith(mark));
}
