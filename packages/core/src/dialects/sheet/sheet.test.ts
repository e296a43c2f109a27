import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Dialect } from '../../model/dialect.ts';
import { sampleDialects } from '../sampleDialects.ts';
import { readSheet, writeSheet } from './sheet.ts';

describe('the lines of a dialect as a text', () => {
  it.each(sampleDialects.map((dialect) => [dialect.id, dialect] as const))(
    'of %s are read as they were written',
    (_, { text }: Dialect) => {
      if (text === undefined) throw new Error('The sample has no text.');
      const sheet = writeSheet(text.sections);
      const read = readSheet(sheet);
      expect(read.problems).toEqual([]);
      expect(read.sections).toEqual(text.sections);
      expect(writeSheet(read.sections)).toBe(sheet);
      // Each line says where it stands.
      const rows = sheet.split('\n');
      for (const { name, section, line } of read.lines) expect(rows[line - 1]).toMatch(name === undefined ? `@ ${section}` : `${name} (`);
    },
  );

  it.each<readonly [string, string, number, number, string]>([
    ['a line before any section', 'a (port) P{port} {role}', 1, 1, 'begins a section'],
    ['a section without a title', '@ ports', 1, 1, 'A section begins like this'],
    ['a line without brackets', '@ a: A\nport P{port}', 2, 1, 'A line has a name'],
    ['no family', '@ a: A\nx (ports) P{port} {role}', 2, 4, '"ports" is not a family of facts'],
    ['a mark that is none', '@ a: A\nx (port; deliver 0) P{port} {role}', 2, 4, '"deliver 0" is not understood'],
    ['a tag that is none', '@ a: A\nx (port; only soft) P{port} {role}', 2, 4, '"only soft" is not understood'],
    ['a calibration without a title', '@ a: A\nx (calibration) G{axis} {value}', 2, 4, 'A calibration has a title'],
    ['a needless need', '@ a: A\nx (port; needs a of b) P{port} {role}', 2, 4, 'is not understood'],
  ])('with %s say where it is, and keep the rest', (_, sheet, line, column, words) => {
    const { problems } = readSheet(`${sheet}\n@ last: Last\nok (system) ID {id}`);
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatchObject({ line, column, sentence: expect.stringContaining(words) });
    expect(readSheet(`${sheet}\n@ last: Last\nok (system) ID {id}`).sections.at(-1)?.lines).toHaveLength(1);
  });

  it('never throw, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom('@', 'a', 'b', '(', ')', '{', '}', ';', ':', ',', ' ', '-', '\n', '|'), maxLength: 200 }),
        (text) => {
          const { problems, lines } = readSheet(text);
          const said = text.split('\n').filter((line) => line.trimEnd() !== '' && !line.startsWith('--'));
          expect(problems.length + lines.length).toBe(said.length);
        },
      ),
      { numRuns: 400 },
    );
  });
});
