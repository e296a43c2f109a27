import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  asId,
  ownCopyOf,
  partKeyOf,
  proposeAdoption,
  sampleParts,
  type Edit,
  type EditId,
  type ItemId,
  type Part,
  type PartId,
} from '@wired-falcon/core';
import type { ErrorResponse, PartRevision } from '@wired-falcon/contract';
import { submitted, TestServer } from './test/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const sample = sampleParts.find((part) => part.id === 'gnss-serial');
if (sample === undefined) throw new Error('There is no such sample.');
const ownOf = (id: string): Part => ownCopyOf(sample, asId<PartId>(id));

function save(part: unknown, base: number, by = 'tester') {
  return server.ask<PartRevision & ErrorResponse>('POST', '/api/parts', { part, base, by });
}

describe('parts of the workshop', () => {
  it('are stored in revisions, listed by their newest, and still there after a restart', async () => {
    const first = ownOf('mast-receiver');
    expect((await save(first, 0)).body).toMatchObject({ revision: 1, key: partKeyOf(first), by: 'tester' });
    const second = { ...first, massG: 21 };
    expect((await save(second, 1, 'other')).body).toMatchObject({ revision: 2, key: partKeyOf(second), by: 'other' });
    await server.restart();
    const { body: newest } = await server.ask<PartRevision[]>('GET', '/api/parts');
    expect(newest.filter(({ part }) => part.id === first.id).map(({ revision, part }) => [revision, part])).toEqual([[2, second]]);
    const { body: all } = await server.ask<PartRevision[]>('GET', '/api/parts/mast-receiver/revisions');
    expect(all.map(({ revision, part }) => [revision, part.massG])).toEqual([
      [2, 21],
      [1, first.massG],
    ]);
  });

  it('are not overwritten by whoever saw an older revision, nor doubled by a repeat', async () => {
    const part = ownOf('twice');
    await save(part, 0);
    await save({ ...part, massG: 30 }, 1, 'Ida');
    const late = await save({ ...part, massG: 31 }, 1);
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ code: 'changed-since', message: expect.stringContaining('Ida saved revision 2') });
    expect((await save({ ...part, massG: 30 }, 1)).body.revision).toBe(2);
    expect((await save({ ...ownOf('nowhere') }, 4)).body.message).toContain('no revision 4');
  });

  it('saved at the same moment become one after the other', async () => {
    const part = ownOf('race');
    const answers = await Promise.all([1, 2, 3, 4].map((n) => save({ ...part, massG: n }, 0)));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
  });

  it.each<readonly [string, unknown, string]>([
    ['the id of a sample', sample, 'is the id of a sample part'],
    ['a mass below zero', { ...ownOf('a'), massG: -1 }, '/massG'],
    [
      'a pin that is not there',
      { ...ownOf('a'), endpoints: [{ ...sample.endpoints[0], tx: 'UART.9' }] },
      'the pin UART.9, which does not exist',
    ],
    ['markup in its name', { ...ownOf('a'), name: '<b>x' }, 'holds markup'],
    ['a member too many', { ...ownOf('a'), extra: 1 }, '/extra'],
    ['nothing', null, 'part'],
    ['an id with signs', { ...ownOf('a'), id: '../a' }, '/id'],
  ])('with %s are refused in a sentence, and nothing is stored', async (_, part, words) => {
    const before = await server.ask<PartRevision[]>('GET', '/api/parts');
    const { status, body } = await save(part, 0);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect([body.message, ...body.details].join(' ')).toContain(words);
    expect((await server.ask<PartRevision[]>('GET', '/api/parts')).body).toEqual(before.body);
  });

  it('that are not there are told in a sentence', async () => {
    const { status, body } = await server.ask<ErrorResponse>('GET', '/api/parts/none/revisions');
    expect([status, body.message]).toEqual([404, 'The workshop has no part "none" of its own.']);
  });

  it('go into an aircraft that was open before they were made, and a newer revision is adopted there', async () => {
    const id = await server.create('With a part of its own');
    await server.load(id);
    const first = ownOf('own-receiver');
    await save(first, 0);
    const item = asId<ItemId>('i1');
    const add: Edit = { kind: 'add-item', item: { id: item, ref: 'GNSS1', part: partKeyOf(first), where: 'aircraft', settings: {} } };
    expect((await server.edit(id, 0, [submitted('p1', add)])).body).toMatchObject({ is: 'done', outcomes: [{ is: 'accepted' }] });
    const second: Part = { ...first, massG: 99 };
    await save(second, 1);
    const loaded = await server.load(id);
    expect(loaded.parts).toEqual([first]);
    const parts = new Map([first, second].map((part) => [partKeyOf(part), part]));
    const adopt = proposeAdoption({ ...loaded, parts, dialects: new Map() }, item, partKeyOf(second));
    if (adopt === undefined) throw new Error('There is no proposal.');
    expect((await server.edit(id, 1, [submitted('p2', adopt)])).body).toMatchObject({ is: 'done', outcomes: [{ is: 'accepted' }] });
    await server.restart();
    expect((await server.load(id, 'somebody else')).parts).toEqual([second]);
    // Who can take the adoption back needs the earlier revision to see what that does.
    const again = await server.load(id);
    expect(again.parts.map(({ massG }) => massG).sort()).toEqual([first.massG, second.massG].sort());
    const undo: Edit = { kind: 'undo', of: asId<EditId>('p2') };
    expect((await server.edit(id, 2, [submitted('p3', undo)])).body).toMatchObject({ is: 'done', outcomes: [{ is: 'accepted' }] });
    expect((await server.load(id)).aircraft.items[item]?.part).toBe(partKeyOf(first));
  });

  it('have a published shape', async () => {
    const { body } = await server.ask<{ title: string }>('GET', '/api/schema/part');
    expect(body.title).toBe('Wired Falcon part');
  });
});
