import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { asId, dialectKeyOf, ownDialectOf, sampleDialects, type Dialect, type DialectId, type Edit, type EditId } from '@wired-falcon/core';
import type { DialectRevision, ErrorResponse } from '@wired-falcon/contract';
import { submitted, TestServer } from './test/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const [sample, other] = sampleDialects;
const ownOf = (id: string): Dialect => ownDialectOf(sample, asId<DialectId>(id));

function save(dialect: unknown, base: number, by = 'tester') {
  return server.ask<DialectRevision & ErrorResponse>('POST', '/api/dialects', { dialect, base, by });
}

describe('dialects of the workshop', () => {
  it('are stored in revisions, listed by their newest, and still there after a restart', async () => {
    const first = ownOf('what-we-fly');
    expect((await save(first, 0)).body).toMatchObject({ revision: 1, key: dialectKeyOf(first), by: 'tester' });
    const second: Dialect = { ...first, pitchRisesOn: 'push' };
    expect((await save(second, 1, 'other')).body).toMatchObject({ revision: 2, key: dialectKeyOf(second), by: 'other' });
    await server.restart();
    const { body: newest } = await server.ask<DialectRevision[]>('GET', '/api/dialects');
    expect(newest.map(({ revision, dialect }) => [revision, dialect])).toEqual([[2, second]]);
    const { body: all } = await server.ask<DialectRevision[]>('GET', '/api/dialects/what-we-fly/revisions');
    expect(all.map(({ revision, dialect }) => [revision, dialect.pitchRisesOn])).toEqual([
      [2, 'push'],
      [1, 'pull'],
    ]);
    expect((await save({ ...first, versions: '3' }, 1)).body).toMatchObject({
      code: 'changed-since',
      message: 'other saved revision 2 of this dialect meanwhile. Look at it, then save yours after it.',
    });
  });

  it.each<readonly [string, unknown, string]>([
    ['the id of a sample', sample, 'is the id of a sample dialect'],
    [
      'a code of two modes',
      { ...ownOf('a'), modes: { manual: { code: '1' }, rate: { code: '1' } } },
      'Modes manual and rate have the same code, 1.',
    ],
    ['a loop', { ...ownOf('a'), boards: { A: { title: 'a', like: 'A' } } }, 'Boards go round in a loop: A is like A.'],
    [
      'a board that objects own',
      { ...ownOf('a'), boards: { constructor: { title: 'a' } } },
      'The request has a member "constructor", which is not allowed.',
    ],
    ['markup in its name', { ...ownOf('a'), name: '<b>x' }, 'holds markup'],
    ['nothing', null, 'dialect'],
    ['an id with signs', { ...ownOf('a'), id: '../a' }, '/id'],
  ])('with %s are refused in a sentence, and nothing is stored', async (_, dialect, words) => {
    const before = await server.ask<DialectRevision[]>('GET', '/api/dialects');
    const { status, body } = await save(dialect, 0);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect([body.message, ...body.details].join(' ')).toContain(words);
    expect((await server.ask<DialectRevision[]>('GET', '/api/dialects')).body).toEqual(before.body);
  });

  it('of 50 MB are refused in a sentence', async () => {
    const { status, body } = await save({ ...ownOf('a'), summary: 'x'.repeat(50_000_000) }, 0);
    expect([status, body.code]).toEqual([413, 'too-large']);
  });

  it('that are not there are told in a sentence', async () => {
    const { status, body } = await server.ask<ErrorResponse>('GET', '/api/dialects/none/revisions');
    expect([status, body.message]).toEqual([404, 'The workshop has no dialect "none" of its own.']);
  });

  it('are used by an aircraft that was open before, go out with its file, and come in with it elsewhere', async () => {
    const id = await server.create('With a dialect of its own');
    const { aircraft } = await server.load(id);
    const own = { ...ownOf('own'), versions: '7' };
    const use: Edit = { kind: 'set-dialect', dialect: dialectKeyOf(own), was: aircraft.dialect };
    expect((await server.edit(id, 0, [submitted('d1', use)])).body).toMatchObject({
      outcomes: [
        { is: 'refused', refusal: { code: 'unknown-dialect', sentence: 'The dialect "own" is not known here. Import it first.' } },
      ],
    });
    await save(own, 0);
    expect((await server.edit(id, 0, [submitted('d2', use)])).body).toMatchObject({ is: 'done', outcomes: [{ is: 'accepted' }] });
    await server.restart();
    expect((await server.load(id, 'somebody else')).dialects).toEqual([own]);
    // Who can take the choice back needs the dialect of before to see what that does.
    expect((await server.load(id)).dialects.map((dialect) => dialect.id).sort()).toEqual(['numbered-ports', 'own']);
    const { body: file } = await server.ask<{ dialects: Dialect[] }>('GET', `/api/aircraft/${id}/export`);
    expect(file.dialects).toEqual([own]);
    const elsewhere = await TestServer.start();
    const { body: made } = await elsewhere.ask<{ id: string }>('POST', '/api/aircraft/import', file);
    await elsewhere.restart();
    expect((await elsewhere.load(asId(made.id))).dialects).toEqual([own]);
    await elsewhere.stop();
    const undo: Edit = { kind: 'undo', of: asId<EditId>('d2') };
    expect((await server.edit(id, 1, [submitted('d3', undo)])).body).toMatchObject({ is: 'done', outcomes: [{ is: 'accepted' }] });
    expect((await server.load(id)).aircraft.dialect).toBe(aircraft.dialect);
  });

  it('named by their id alone, as a window of the version before does, mean the samples', async () => {
    const id = await server.create('Edited by an older window');
    const old: Edit = { kind: 'set-dialect', dialect: other.id, was: sample.id };
    expect((await server.edit(id, 0, [submitted('o1', old)])).body).toMatchObject({ is: 'done', outcomes: [{ is: 'accepted' }] });
    expect((await server.load(id)).aircraft.dialect).toBe(dialectKeyOf(other));
  });

  it('have a published shape', async () => {
    const { body } = await server.ask<{ title: string }>('GET', '/api/schema/dialect');
    expect(body.title).toBe('Wired Falcon dialect');
  });
});
