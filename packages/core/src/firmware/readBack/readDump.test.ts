import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { numbered } from '../../dialects/numbered.ts';
import { roleTable } from '../../dialects/roleTable.ts';
import { sampleDialects } from '../../dialects/sampleDialects.ts';
import { textProblems } from '../../dialects/textProblems.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { Dialect } from '../../model/dialect.ts';
import type { DialectText } from '../../model/dialectText.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { countingIds } from '../../test/designs.ts';
import { configText } from '../configText.ts';
import { configurationOf, type Configuration } from '../configuration.ts';
import { driftOfText } from '../drift/driftOf.ts';
import { scopeOf } from '../scope.ts';
import { LONGEST_LINE, plainDump } from './dumpLines.ts';
import { dumpProblem, dumpReader, readDump, type ReadDump } from './readDump.ts';

function textOf(dialect: Dialect): DialectText {
  if (dialect.text === undefined) throw new Error('The sample has no text.');
  return dialect.text;
}

function planned(): Configuration {
  const scope = scopeOf(graphOf(saltmarsh(asId<AircraftId>('a'), countingIds())));
  if (typeof scope === 'string') throw new Error(scope);
  return configurationOf(scope);
}

const whats = ({ lines }: ReadDump): readonly string[] => lines.map(({ is }) => is);

describe('a dump', () => {
  it('is read line by line, and each line is one thing', () => {
    const { lines, about } = readDump(
      textOf(numbered),
      [
        '~ board ESTUARY7',
        '~ release 3.1',
        '~ holds changes',
        '',
        '~ by hand',
        'P7.ROLE 31',
        'P7.ROLE',
        'HELLO 7',
        'KEEP',
        'P7.ROLE 31 9',
      ].join('\n'),
    );
    expect(lines.map(({ is }) => is)).toEqual([
      'comment',
      'comment',
      'comment',
      'blank',
      'comment',
      'value',
      'unknown',
      'unknown',
      'command',
      'unknown',
    ]);
    expect(about).toEqual({ board: 'ESTUARY7', version: '3.1', contents: 'differences' });
  });

  it('in sections belongs to the section that it stands in, and to nobody in a section that the dialect does not have', () => {
    const read = readDump(
      textOf(roleTable),
      '[ports]\nJ17|ground | 57k6|plain|  free\n[odd]\nJ17 | ground | 57k6 | plain | free\n[lost]\nhome | 80\nhome | 80 | 9\n',
    );
    expect(whats(read)).toEqual(['heading', 'value', 'heading', 'unknown', 'heading', 'value', 'bad']);
    expect(read.lines[6]).toMatchObject({ number: 7, why: 'has 3 cells; "home" needs 2' });
  });

  it('whose lines begin with a word that says nothing is read with that word and without it', () => {
    const text: DialectText = {
      grammar: { comments: ['rem'], leading: ['say'] },
      header: [],
      words: {},
      sections: [
        {
          id: 'all',
          title: 'All',
          lines: [
            { id: 'port', of: 'port', write: 'say port {port} serves {role}' },
            { id: 'system', of: 'system', write: 'number {id}' },
          ],
        },
      ],
    };
    const { lines } = readDump(text, 'say port 3 serves ground\nport 4 serves sticks\nsay number 7\nnumber 8\nsaying number 9');
    expect(lines.map((line) => (line.is === 'value' ? [line.compiled.is, [...line.codes.values()].join(' ')] : line.is))).toEqual([
      [{ planned: expect.objectContaining({ id: 'port' }) }, '3 ground'],
      [{ planned: expect.objectContaining({ id: 'port' }) }, '4 sticks'],
      [{ planned: expect.objectContaining({ id: 'system' }) }, '7'],
      [{ planned: expect.objectContaining({ id: 'system' }) }, '8'],
      'unknown',
    ]);
    expect(textProblems({ text })).toEqual([]);
  });

  it('that unreadable says so in a sentence', () => {
    expect(dumpProblem(' \n\t')).toBe('There is nothing to read: the text is empty.');
    expect(dumpProblem('x'.repeat(20_000_001))).toContain('20000001 characters; the limit is 20000000');
    expect(dumpProblem('P7.ROLE 31')).toBeUndefined();
  });

  it('comes with a mark of the byte order, in 16 bits, with any line ends: all the same', () => {
    const plain = 'P7.ROLE 31\nP7.PACE 60\n';
    const wide = `\u00FF\u00FE${plain
      .split('')
      .map((sign) => `${sign}\u0000`)
      .join('')}`;
    for (const text of [`\uFEFF${plain}`, wide, plain.replaceAll('\n', '\r\n'), plain.replaceAll('\n', '\r'), 'P7.ROLE 31\r\nP7.PACE 60\n'])
      expect(readDump(textOf(numbered), text).lines.map(({ is, text: line }) => [is, line])).toEqual([
        ['value', 'P7.ROLE 31'],
        ['value', 'P7.PACE 60'],
      ]);
    expect(plainDump('abc\u0000defgh')).toBe('abc\u0000defgh');
  });

  it('keeps bad lines with their numbers', () => {
    const { lines } = readDump(textOf(numbered), `P7.ROLE 31\nP7.\u0007ROLE 31\n${'x'.repeat(LONGEST_LINE + 1)}\nP7.PACE 60`);
    expect(lines.map((line) => (line.is === 'bad' ? `${line.number} ${line.why}` : line.is))).toEqual([
      'value',
      '2 has control characters',
      `3 has ${LONGEST_LINE + 1} characters; the limit is ${LONGEST_LINE}`,
      'value',
    ]);
  });

  it('is read in pieces as it is read at once', () => {
    const text = configText(planned());
    const reader = dumpReader(textOf(numbered), text);
    let read = 0;
    for (let rounds = 0; read < reader.total; rounds += 1) {
      expect(rounds).toBeLessThan(100);
      read = reader.read(7);
    }
    expect(reader.result()).toEqual(readDump(textOf(numbered), text));
  });
});

describe('whatever comes in', () => {
  const signs = fc.constantFrom(
    ...'P7.ROLE 31|[]{}~;*#\t\r\n\u0000\u0007\uFEFF\u00A0é漢+-.'.split(''),
    '\r\n',
    'lever 2 | ',
    '[ports]\n',
    'KEEP\n',
    '..',
    ' | ',
  );
  const texts = fc.array(signs, { maxLength: 400 }).map((parts) => parts.join(''));

  it('every line is accounted for, and nothing throws', () => {
    const configuration = planned();
    fc.assert(
      fc.property(texts, fc.constantFrom(...sampleDialects), (text, dialect) => {
        const { lines } = readDump(textOf(dialect), text);
        expect(lines.map(({ number }) => number)).toEqual(lines.map((_, i) => i + 1));
        const { counts } = driftOfText(configuration, text);
        const { total, compared, own, repeated, silent, unknown, bad } = counts;
        expect(compared + own + repeated + silent + unknown + bad).toBe(total);
      }),
      { numRuns: 300 },
    );
  });

  it('also in 50,000 lines, in a line of 5 MB, and more lines than are read', () => {
    const configuration = planned();
    const many = Array.from({ length: 50_000 }, (_, i) => `P${i % 400}.ROLE ${i % 90}`).join('\n');
    expect(driftOfText(configuration, many).counts).toMatchObject({ total: 50_000, bad: 0 });
    expect(driftOfText(configuration, `P7.ROLE 31\n${'y '.repeat(2_500_000)}\nP7.PACE 60`).counts).toMatchObject({ total: 3, bad: 1 });
    expect(driftOfText(configuration, 'P7.ROLE 31\n'.repeat(200_003)).counts).toMatchObject({ total: 200_003, bad: 3 });
  });

  it('with a dialect in which prerequisites go round in a circle', () => {
    const text = textOf(numbered);
    const round: DialectText = {
      ...text,
      sections: text.sections.map((section) => ({
        ...section,
        lines: section.lines.map((line) => ({
          ...line,
          needs: { prerequisite: 'fix' },
          gives: { prerequisite: line.id === 'port-role' ? 'watch' : 'fix' },
        })),
      })),
    };
    const { scope } = planned();
    const configuration = configurationOf({ ...scope, graph: { ...scope.graph }, text: round });
    const drift = driftOfText(configuration, configText(configuration));
    expect(drift.lines.filter(({ is }) => is !== 'same')).toEqual([]);
    expect(configuration.passes).toBeLessThan(4);
  });
});
