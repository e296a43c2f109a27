import type { ExpectedLine } from '../../model/dialectText.ts';
import { factFamilies, fieldOf, isFactFamily } from '../../model/firmwareFacts.ts';
import { listed } from '../../text/lists.ts';
import type { SheetProblem } from './sheet.ts';

/*
 * The tests of a dialect as a text to edit, one a line: the family, the board where the line has an index of it, the facts, and the line:
 *
 *   port on ESTUARY7: port=B role=mavlink-2 -> P20.ROLE 31
 */

export interface ReadExpected {
  readonly expects: readonly ExpectedLine[];
  /** In which line of the text each stands, from 1. */
  readonly lines: readonly number[];
  readonly problems: readonly SheetProblem[];
}

export function writeExpected(expects: readonly ExpectedLine[]): string {
  return expects
    .map(({ of, board, facts, line }) => {
      const words = Object.entries(facts).map(([name, value]) => `${name}=${value}`);
      return `${of}${board === undefined ? '' : ` on ${board}`}: ${words.join(' ')} -> ${line}\n`;
    })
    .join('');
}

const TEST = /^([a-z-]+)(?: on ([A-Za-z0-9][A-Za-z0-9_-]{0,39}))?: (.*?) -> (.+)$/;
const FACT = /^([a-z][A-Za-z]{0,19})=(\S+)$/;

/** Reads the tests. What cannot be read is said and left out. */
export function readExpected(text: string): ReadExpected {
  const expects: ExpectedLine[] = [];
  const lines: number[] = [];
  const problems: SheetProblem[] = [];
  text.split(/\r\n|\n|\r/).forEach((raw, i) => {
    const content = raw.trim();
    if (content === '' || content.startsWith('--')) return;
    const read = readTest(content);
    if ('sentence' in read) problems.push({ line: i + 1, column: 1, sentence: read.sentence });
    else {
      expects.push(read);
      lines.push(i + 1);
    }
  });
  return { expects, lines, problems };
}

function readTest(content: string): ExpectedLine | { readonly sentence: string } {
  const found = TEST.exec(content);
  if (found === null) return { sentence: 'A test is a family, facts and the line: port on ESTUARY7: port=B role=mavlink-2 -> P20.ROLE 31' };
  const [, of = '', board, words = '', line = ''] = found;
  if (!isFactFamily(of)) return { sentence: `"${of}" is not a family of facts. The families are: ${listed(factFamilies)}.` };
  const facts: Record<string, string | number> = {};
  for (const word of words.split(/\s+/).filter((one) => one !== '')) {
    const [, name = '', value = ''] = FACT.exec(word) ?? [];
    const spec = fieldOf(of, name);
    if (spec === undefined) return { sentence: `"${word}" is not a fact of ${of}: write its name and its value, such as role=mavlink-2.` };
    const number = Number(value);
    if (spec.coding.by === 'number' && !Number.isFinite(number)) return { sentence: `${name} must be a number; "${value}" is not.` };
    facts[name] = spec.coding.by === 'number' || spec.coding.by === 'bauds' ? number : value;
  }
  return { of, ...(board === undefined ? {} : { board }), facts, line };
}
