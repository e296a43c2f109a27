import { describe, expect, it } from '@jest/globals';
import { sampleDialects } from '../dialects/sampleDialects.ts';
import { LIMITS } from '../model/limits.ts';
import { readDialectFile, writeDialectFile } from './dialectFile.ts';

function sentenceFor(text: string): string {
  const read = readDialectFile(text);
  if (!('sentence' in read)) throw new Error('The file was accepted.');
  return read.sentence;
}

/** Every place of a JSON value that holds no object and no list, as the way to it. */
function leavesOf(value: unknown, path: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (typeof value !== 'object' || value === null) return [path];
  return Object.entries(value).flatMap(([key, inner]) => leavesOf(inner, [...path, key]));
}

function damaged(value: unknown, [step, ...rest]: readonly (string | number)[], to: unknown): unknown {
  if (step === undefined) return to;
  if (typeof value !== 'object' || value === null) throw new Error('The way leads nowhere.');
  const changed = Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, key === String(step) ? damaged(inner, rest, to) : inner]),
  );
  return Array.isArray(value) ? Object.values(changed) : changed;
}

describe('dialect files', () => {
  it.each(sampleDialects.map((dialect) => [dialect.id, dialect] as const))(
    'of %s: written, read and written again give the same bytes',
    (_, dialect) => {
      const once = writeDialectFile(dialect);
      const read = readDialectFile(once);
      if ('sentence' in read) throw new Error(read.sentence);
      expect(writeDialectFile(read.dialect)).toBe(once);
    },
  );

  const text = writeDialectFile(sampleDialects[0]);

  it.each([
    ['no JSON', 'hello', 'not JSON'],
    ['another file', '{"format":"wired-falcon-part"}', '"format" should be'],
    ['an id that objects own', text.replace('"PLOVER4"', '"constructor"'), '/dialect/boards'],
    ['an unknown table', text.replace('"limits"', '"secrets": {}, "limits"'), '/dialect/secrets'],
    [
      'a loop',
      text
        .replace('"title": "F4 wing board"', '"like": "TEAL7", "title": "x"')
        .replace('"title": "F7 mini"', '"like": "PLOVER4", "title": "y"'),
      'loop',
    ],
    ['more than fits', ' '.repeat(LIMITS.dialectFileChars + 1), 'too large for a dialect'],
  ])('with %s are refused in one sentence that names the place', (_, source, part) => {
    expect(sentenceFor(source)).toContain(part);
  });

  it('150 damaged ones get a sentence each that names the place', () => {
    const value: unknown = JSON.parse(text);
    const leaves = leavesOf(value).filter(([first]) => first === 'dialect');
    const step = leaves.length / 150;
    const wrong = [null, {}, [], '', 'a b c d e f g h i j k l m n o p', -1e9, true];
    const told = Array.from({ length: 150 }, (_, i) => {
      const path = leaves[Math.floor(i * step)] ?? [];
      // A choice of two is damaged by a word that is neither; a number by a text; a text by an object.
      const to = wrong[i % wrong.length];
      const read = readDialectFile(JSON.stringify(damaged(value, path, to)));
      return { path: path.join('/'), to, read };
    });
    const accepted = told.filter(({ read }) => !('sentence' in read));
    // Names, summaries, steps and marks are any text: only those may take another one.
    expect(
      accepted.filter(
        ({ path }) =>
          !/\/(name|title|sentence|summary|button|light|text|todo|caution|heading|delivered|(header|passEnd|footer|comments|commands)\/\d+)$/.test(
            path,
          ),
      ),
    ).toEqual([]);
    for (const { path, read } of told) {
      if (!('sentence' in read)) continue;
      const [, ...steps] = path.split('/');
      expect(read.sentence).toMatch(/at \/dialect|is inconsistent/);
      if (read.sentence.includes('/dialect/')) expect(read.sentence).toContain(`/${steps[0] ?? ''}`);
    }
    expect(told.length - accepted.length).toBeGreaterThan(120);
  });
});
