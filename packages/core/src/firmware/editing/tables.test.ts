import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { numbered } from '../../dialects/numbered.ts';
import { ownDialectOf } from '../../dialects/ownDialect.ts';
import { sampleDialects } from '../../dialects/sampleDialects.ts';
import { writeTables } from '../../dialects/sheet/tables.ts';
import type { Dialect } from '../../model/dialect.ts';
import { asId, type DialectId } from '../../model/ids.ts';
import { LIMITS } from '../../model/limits.ts';
import { withCode } from './codeTables.ts';
import { draftOf, judgeDraft, withDialect, withTables } from './dialectDraft.ts';

const own = ownDialectOf(numbered, asId<DialectId>('own'));
const draft = draftOf(own);

/** The line of a text in which a word is, from 1. */
function lineOf(text: string, word: string): number {
  return text.slice(0, text.indexOf(word)).split('\n').length;
}

describe('the tables of a dialect as one text', () => {
  it.each(sampleDialects.map((dialect) => [dialect.id, dialect] as const))(
    'of %s, read as they are written, are the dialect',
    (_, dialect: Dialect) => {
      const before = draftOf(dialect);
      const after = withTables({ ...before, dialect: { ...dialect, name: 'another', limits: [] } }, before.tables);
      expect(after.dialect).toEqual(dialect);
      expect(judgeDraft(after).dialect).toEqual(dialect);
    },
  );

  it('change what has no other place: prerequisites, steps by hand, signs, boards', () => {
    const { text } = own;
    if (text === undefined) throw new Error('The sample has no text.');
    const tables = writeTables({
      ...own,
      boards: { ...own.boards, MARSH2: { title: 'A board of our own', like: 'ESTUARY7', reserved: { quad: ['m1'] } } },
      text: {
        ...text,
        grammar: { ...text.grammar, comments: ['%'] },
        prerequisites: [...(text.prerequisites ?? []), { id: 'safe', title: 'The safety switch is off', byHand: 'Press it for 3 s.' }],
        byHand: [...(text.byHand ?? []), { id: 'horn', when: 'after', text: 'Listen for the horn.' }],
      },
    });
    const { dialect } = judgeDraft(withTables(draft, tables));
    expect(dialect?.text?.prerequisites?.at(-1)?.id).toBe('safe');
    expect(dialect?.text?.byHand?.at(-1)?.text).toBe('Listen for the horn.');
    expect(dialect?.text?.grammar.comments).toEqual(['%']);
    expect(dialect?.boards['MARSH2']?.like).toBe('ESTUARY7');
    expect([dialect?.id, dialect?.source, dialect?.text?.sections]).toEqual([own.id, own.source, own.text?.sections]);
  });

  it('follow a code that was changed in its own table', () => {
    const { tables } = withDialect(draft, withCode(own, 'roles', 'mavlink-2', '77'));
    expect(tables).toMatch(/"mavlink-2": \{\s*"code": "77"/);
    expect(withTables(draft, tables).dialect.roles['mavlink-2']?.code).toBe('77');
  });

  it.each<readonly [string, (tables: string) => string, string, string]>([
    [
      'a comma that is missing',
      (t) => t.replace('"pitchRisesOn": "pull",', '"pitchRisesOn": "pull"'),
      '"rcScaleUs"',
      'This is not valid JSON: comma expected.',
    ],
    ['a value of another kind', (t) => t.replace('"pitchRisesOn": "pull"', '"pitchRisesOn": "shove"'), '"pitchRisesOn"', '/pitchRisesOn: '],
    [
      'a name that dialects do not have',
      (t) => t.replace('"pitchRisesOn"', '"pitchFalls": 1,\n  "pitchRisesOn"'),
      '"pitchFalls"',
      '/pitchFalls: ',
    ],
    [
      'a name that appears twice',
      (t) => t.replace('"pitchRisesOn"', '"pitchRisesOn": "push",\n  "pitchRisesOn"'),
      '"pitchRisesOn": "pull"',
      '"pitchRisesOn" appears twice',
    ],
    ['an id', (t) => t.replace('"pitchRisesOn"', '"id": "x",\n  "pitchRisesOn"'), '"id": "x"', '"id" cannot be changed here'],
    [
      'lines in it',
      (t) => t.replace('"grammar"', '"sections": [],\n    "grammar"'),
      '"sections": []',
      '"sections" cannot be changed here: edit the lines instead.',
    ],
    ['a comment', (t) => t.replace('"pitchRisesOn"', '// so\n  "pitchRisesOn"'), '// so', 'This is not valid JSON: invalid comment token.'],
  ])('with %s say so at the line, and the codes stay those of before', (_, change, at, words) => {
    const tables = change(draft.tables);
    expect(tables).not.toBe(draft.tables);
    const broken = withTables(draft, tables);
    const { inTables, dialect } = judgeDraft(broken);
    expect([inTables[0]?.line, inTables[0]?.sentence]).toEqual([lineOf(tables, at), expect.stringContaining(words)]);
    expect(dialect).toBeUndefined();
    expect([broken.tables, broken.dialect]).toEqual([tables, own]);
  });

  it('begin a text where the dialect has none', () => {
    const { text: _none, ...without } = own;
    const empty = draftOf(without);
    expect(judgeDraft(empty)).toMatchObject({ dialect: undefined, others: [expect.stringContaining('has no lines yet')] });
    const begun = withTables(empty, writeTables({ ...own, text: { sections: [], grammar: { comments: ['#'] }, header: [], words: {} } }));
    const { dialect, ...wrong } = judgeDraft({ ...begun, sheet: '@ all: All\nairframe (airframe) CRAFT {kind}' });
    expect(wrong).toMatchObject({ inSheet: [], inTables: [], others: [] });
    expect(dialect?.text?.sections.map(({ lines }) => lines.length)).toEqual([1]);
  });

  it('refuse what no parser could take', () => {
    const sentences = [
      '['.repeat(100_000),
      `{"a": "${'x'.repeat(LIMITS.dialectFileChars)}"}`,
      '',
      '[]',
      'null',
      '{"a": {"__proto__": 1}}',
    ].map((text) => judgeDraft(withTables(draft, text)).inTables[0]?.sentence ?? 'none');
    expect(sentences).toEqual([
      'The tables are nested more than 100 deep.',
      expect.stringContaining('Too long for a dialect'),
      expect.stringContaining('This is not valid JSON'),
      'The tables are one JSON object: { "name": ... }.',
      'The tables are one JSON object: { "name": ... }.',
      expect.stringMatching(/^\/\w+: /),
    ]);
  });

  it('never throw, whatever is typed or cut out', () => {
    fc.assert(
      fc.property(fc.nat(draft.tables.length), fc.nat(300), fc.string({ maxLength: 20 }), (from, length, typed) => {
        const tables = draft.tables.slice(0, from) + typed + draft.tables.slice(from + length);
        const verdict = judgeDraft(withTables(draft, tables));
        const lines = tables.split('\n').length;
        for (const { line } of verdict.inTables) expect(line >= 1 && line <= lines).toBe(true);
        expect(verdict.dialect !== undefined || verdict.inTables.length + verdict.others.length + verdict.inSheet.length > 0).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});
