import type { CompiledLine } from './compiledText.ts';
import { matchTemplate } from './lineTemplate.ts';

/** What the fields of a template are in the cells of a line; undefined where the template would not write it. A code is one word. */
export function matchCells({ cells, start }: CompiledLine, read: readonly string[]): ReadonlyMap<string, string> | undefined {
  // Nearly every template is told apart by its beginning.
  if (start !== '' && !(read[0] ?? '').startsWith(start)) return undefined;
  const codes = new Map<string, string>();
  for (const [i, pieces] of cells.entries()) {
    const found = matchTemplate(pieces, read[i] ?? '');
    if (found === undefined) return undefined;
    for (const [name, code] of found) {
      // A code is one word: with a blank in it the line is another one.
      if (code.includes(' ')) return undefined;
      codes.set(name, code);
    }
  }
  return codes;
}
