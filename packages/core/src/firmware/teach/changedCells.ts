import { cellsOf, isComment, withoutLeading } from '../../dialects/lines/cells.ts';
import type { DialectText } from '../../model/dialectText.ts';
import { lineProblem, linesOf, plainDump } from '../readBack/dumpLines.ts';

/** A line of two dumps that says something else in one place. */
export interface ChangedCell {
  /** Of the section that it stands in; undefined where the text has no headings. */
  readonly section: string | undefined;
  readonly numberBefore: number;
  readonly numberAfter: number;
  /** The whole lines, and their cells. */
  readonly lineBefore: string;
  readonly lineAfter: string;
  readonly before: readonly string[];
  readonly after: readonly string[];
  /** The cell that differs, and in it the part that does. */
  readonly cell: number;
  readonly from: number;
  readonly was: string;
  readonly now: string;
}

interface Entry {
  readonly section: string | undefined;
  readonly number: number;
  readonly line: string;
  readonly cells: readonly string[];
}

/** The lines that two dumps have under one name and that differ in one word, whether the dialect knows them or not. */
export function changedCells(text: DialectText, before: string, after: string): readonly ChangedCell[] {
  const later = new Map(entriesOf(text, after).map((entry) => [keyOf(entry), entry]));
  return entriesOf(text, before).flatMap((entry): ChangedCell[] => {
    const other = later.get(keyOf(entry));
    if (other === undefined || other.cells.length !== entry.cells.length) return [];
    const differing = entry.cells.flatMap((cell, i) => (cell === other.cells[i] ? [] : [i]));
    const [cell] = differing;
    if (cell === undefined || differing.length > 1) return [];
    const word = changedWord(entry.cells[cell] ?? '', other.cells[cell] ?? '');
    if (word === undefined) return [];
    return [
      {
        section: entry.section,
        numberBefore: entry.number,
        numberAfter: other.number,
        lineBefore: entry.line,
        lineAfter: other.line,
        before: entry.cells,
        after: other.cells,
        cell,
        ...word,
      },
    ];
  });
}

function keyOf({ section, cells }: Entry): string {
  return `${section ?? ''}\n${cells[0] ?? ''}`;
}

function entriesOf({ grammar, sections, passEnd = [], footer = [] }: DialectText, dump: string): readonly Entry[] {
  const headings = new Map(sections.flatMap(({ id, heading }) => (heading === undefined ? [] : [[heading, id] as const])));
  const silent = new Set([...(grammar.commands ?? []), ...passEnd, ...footer]);
  let section: string | undefined;
  return linesOf(plainDump(dump)).flatMap((raw, i): Entry[] => {
    const line = raw.trim();
    if (headings.has(line)) section = headings.get(line);
    if (line === '' || lineProblem(raw) !== undefined || headings.has(line) || silent.has(line) || isComment(grammar, line)) return [];
    const cells = cellsOf(grammar, withoutLeading(grammar, line));
    return cells.length < 2 ? [] : [{ section, number: i + 1, line, cells }];
  });
}

const WORD_SIGN = /[A-Za-z0-9_+-]/;

/** The one word in which two cells differ: what is common before and after it, widened to whole words and numbers. */
function changedWord(was: string, now: string): { readonly from: number; readonly was: string; readonly now: string } | undefined {
  let from = 0;
  while (from < Math.min(was.length, now.length) && was[from] === now[from]) from += 1;
  let behind = 0;
  while (behind < Math.min(was.length, now.length) - from && was.at(-1 - behind) === now.at(-1 - behind)) behind += 1;
  while (from > 0 && isInWord(was, from - 1)) from -= 1;
  while (behind > 0 && isInWord(was, was.length - behind)) behind -= 1;
  const [one, other] = [was.slice(from, was.length - behind), now.slice(from, now.length - behind)];
  return one === '' || other === '' || /\s/.test(`${one}${other}`) ? undefined : { from, was: one, now: other };
}

/** True for a sign of a word, or for the point of a number. */
function isInWord(text: string, at: number): boolean {
  const sign = text[at] ?? '';
  if (WORD_SIGN.test(sign)) return true;
  return sign === '.' && /\d/.test(text[at - 1] ?? '') && /\d/.test(text[at + 1] ?? '');
}
