/** The longest line that is read; no firmware writes longer ones. */
export const LONGEST_LINE = 2000;
/** More than this is no dump of a controller, in characters and in lines. */
export const DUMP_LIMITS = { characters: 20_000_000, lines: 200_000 } as const;

const BYTE_ORDER_MARK = '\uFEFF';

/**
 * The text of a dump without what editors and terminals put around it: the mark of the byte order, and the noughts between the letters of a
 * text of 16 bits that was read as one of 8.
 */
export function plainDump(text: string): string {
  const head = text.slice(0, 400);
  const noughts = head.split('\u0000').length - 1;
  const plain = noughts > head.length / 4 ? text.replaceAll('\u0000', '').replace(/^[\u00FF\u00FE\uFFFD]{1,2}/, '') : text;
  return plain.startsWith(BYTE_ORDER_MARK) ? plain.slice(1) : plain;
}

/** The lines of a text, whatever ends them: line feed, carriage return, or both, mixed. What ends the last line makes no further one. */
export function linesOf(text: string): readonly string[] {
  const lines = text.split(/\r\n|\n|\r/);
  if (lines.at(-1) === '') lines.pop();
  return lines;
}

const CONTROL = /[\u0000-\u0008\u000B-\u001F\u007F]/;

/** Why a line cannot be read, as the end of a sentence; undefined where it can. */
export function lineProblem(line: string): string | undefined {
  if (line.length > LONGEST_LINE) return `has ${line.length} characters; the limit is ${LONGEST_LINE}`;
  return CONTROL.test(line) ? 'has control characters' : undefined;
}
