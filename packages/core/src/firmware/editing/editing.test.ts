import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { dialectProblems } from '../../dialects/dialectProblems.ts';
import { ownDialectOf } from '../../dialects/ownDialect.ts';
import { numbered } from '../../dialects/numbered.ts';
import { sampleDialects } from '../../dialects/sampleDialects.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { DialectSchema, type Dialect } from '../../model/dialect.ts';
import { asId, type AircraftId, type DialectId } from '../../model/ids.ts';
import { shapeProblems } from '../../model/shape.ts';
import { countingIds } from '../../test/designs.ts';
import { testDialect } from '../text/testDialect.ts';
import { scopeOf } from '../scope.ts';
import { codeTables, withCode } from './codeTables.ts';
import { draftOf, judgeDraft } from './dialectDraft.ts';
import { previewDialect } from './previewDialect.ts';

const design = saltmarsh(asId<AircraftId>('a'), countingIds());
const scope = scopeOf(graphOf(design));
if (typeof scope === 'string') throw new Error(scope);
const { part } = scope;
const own = ownDialectOf(numbered, asId<DialectId>('own'));

describe('the tables of a dialect', () => {
  it.each(sampleDialects.map((dialect) => [dialect.id, dialect] as const))(
    'of %s: every code can be changed and put back',
    (_, dialect: Dialect) => {
      const target = part.board?.target;
      for (const { id, rows } of codeTables(dialect, part)) {
        for (const { key, code } of rows) {
          const changed = withCode(dialect, id, key, 'q9', target);
          expect([
            id,
            key,
            codeTables(changed, part)
              .find((table) => table.id === id)
              ?.rows.find((row) => row.key === key)?.code,
          ]).toEqual([id, key, 'q9']);
          expect(shapeProblems(DialectSchema, changed)).toEqual([]);
          expect([id, key, withCode(changed, id, key, code, target)]).toEqual([id, key, dialect]);
        }
      }
    },
  );

  it('of a board that the dialect does not have begin empty', () => {
    const without: Dialect = { ...own, boards: {} };
    expect(codeTables(without, part)[0]?.rows.every(({ code }) => code === '')).toBe(true);
    expect(withCode(without, 'board.serial', 'A', '4', 'ESTUARY7').boards['ESTUARY7']).toEqual({ title: 'ESTUARY7', serial: { A: '4' } });
  });
});

describe('what a change comes to on an aircraft', () => {
  it('is the lines with that code, and no other', () => {
    const preview = previewDialect(design, withCode(own, 'roles', 'mavlink-2', '77'));
    if ('sentence' in preview) throw new Error(preview.sentence);
    expect(preview.changed.map(({ was, now }) => `${was} > ${now}`)).toEqual(['P26.ROLE 31 > P26.ROLE 77', 'P20.ROLE 31 > P20.ROLE 77']);
  });

  it('is nothing where only the name of the dialect is another', () => {
    expect(previewDialect(design, own)).toMatchObject({ changed: [], leftOut: [] });
  });

  it('names what there is no code for', () => {
    expect(previewDialect(design, withCode(own, 'roles', 'sbus', ''))).toMatchObject({
      leftOut: [expect.stringContaining('no code for protocol SBUS')],
    });
  });
});

describe('a draft', () => {
  it.each(sampleDialects.map((dialect) => [dialect.id, dialect] as const))(
    'of %s that nobody has changed is the dialect itself',
    (_, dialect: Dialect) => {
      const verdict = judgeDraft(draftOf(dialect));
      expect(verdict).toMatchObject({ inSheet: [], inTests: [], others: [] });
      expect(verdict.dialect).toEqual(dialect);
      expect(dialectProblems(dialect)).toEqual([]);
    },
  );

  it.each<readonly [string, (sheet: string) => string, RegExp, string]>([
    ['a field that the family lacks', (sheet) => sheet.replace('P{port}.ROLE {role}', 'P{port}.ROLE {rule}'), /^port-role /, 'has {rule}'],
    ['a brace that is not closed', (sheet) => sheet.replace('P{port}.ROLE {role}', 'P{port}.ROLE {role'), /^port-role /, 'is not closed'],
    ['a key that is missing', (sheet) => sheet.replace('P{port}.ROLE {role}', 'PX.ROLE {role}'), /^port-role /, 'lacks {port}'],
    ['two fields that touch', (sheet) => sheet.replace('VIEW.{field} {col} {row}', 'VIEW.{field} {col}{row}'), /^picture /, 'touch'],
    [
      'a line that would be read as another',
      (sheet) => sheet.replace('P{port}.PACE {baud}', 'P{port}.ROLE {baud}'),
      /^port-pace /,
      'would be read as "port-role"',
    ],
    [
      'a line that would be read as a comment',
      (sheet) => sheet.replace('P{port}.ROLE {role}', '~ P{port}.ROLE {role}'),
      /^port-role /,
      'would be read as a comment',
    ],
    [
      'a prerequisite that is not there',
      (sheet) => sheet.replace('needs fix)', 'needs fax)'),
      /^fix-fore /,
      'names the prerequisite "fax"',
    ],
    [
      'a word that is no mark',
      (sheet) => sheet.replace('(port; delivered 0;', '(port; delivers 0;'),
      /^port-role /,
      '"delivers 0" is not understood',
    ],
  ])('with %s says so at the line, and is not taken', (_, change, at, words) => {
    const draft = draftOf(own);
    const sheet = change(draft.sheet);
    expect(sheet).not.toBe(draft.sheet);
    const { inSheet, dialect } = judgeDraft({ ...draft, sheet });
    expect(dialect).toBeUndefined();
    const [problem] = inSheet;
    expect(problem?.sentence).toContain(words);
    expect(sheet.split('\n')[(problem?.line ?? 0) - 1]).toMatch(at);
  });

  it('runs the tests that are written down', () => {
    const tests =
      'port on ESTUARY7: port=B role=mavlink-2 -> P20.ROLE 31\noutput on ESTUARY7: output=m1 trimUs=1510 -> D10.REST 1500\nport: x=1 -> y\n';
    const { results, inTests, dialect } = judgeDraft({ ...draftOf(own), tests });
    expect(results.map(({ isMet, gives }) => [isMet, gives])).toEqual([
      [true, ['P20.ROLE 31']],
      [false, ['D10.REST 1510']],
    ]);
    expect(inTests).toMatchObject([{ line: 3, sentence: expect.stringContaining('"x=1" is not a fact of port') }]);
    expect(dialect).toBeUndefined();
    const kept = judgeDraft({ ...draftOf(own), tests: tests.split('\n').slice(0, 2).join('\n') }).dialect;
    expect(kept === undefined ? [] : testDialect(kept).map(({ isMet }) => isMet)).toEqual([true, false]);
  });
});
