import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import http from 'node:http';
import { canonicalJson, readAircraftFile, SCHEMA_VERSION, type AircraftId, type Edit } from '@wired-falcon/core';
import type { CreatedResponse, ErrorResponse, HangarEntry } from '@wired-falcon/contract';
import { EPOCH_HEADER, routes } from '@wired-falcon/contract';
import { noteEdit, noteOf, submitted, TestServer } from './test/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start(true);
});
afterAll(() => server.stop());

const reedbed = 'reedbed' as AircraftId;

describe('the hangar', () => {
  it('lists the demo aircraft with what its checks say', async () => {
    expect((await server.hangar()).find((entry) => entry.id === reedbed)).toMatchObject({
      name: 'Reedbed',
      checked: { is: 'checked', items: 21, cables: 20, findings: { stop: 3, mend: 20, note: 11 } },
    });
  });

  it('answers at once, and says of what is not checked yet that it is being checked, never that nothing was found', async () => {
    const id = await server.create('Unchecked');
    const { body } = await server.ask<HangarEntry[]>('GET', '/api/aircraft');
    expect(body.find((entry) => entry.id === id)?.checked).toEqual({ is: 'checking' });
    expect((await server.hangar()).find((entry) => entry.id === id)?.checked).toMatchObject({ is: 'checked', items: 0 });
  });

  it('counts again after an edit, and lists it first whatever the clock of its sender says', async () => {
    const id = await server.create('Counted');
    expect((await server.hangar()).find((entry) => entry.id === id)).toMatchObject({ version: 0, checked: { items: 0 } });
    await server.edit(id, 0, [submitted('c1', { kind: 'set-aircraft-name', name: 'Counted twice', was: 'Counted' })]);
    expect((await server.hangar())[0]).toMatchObject({ id, name: 'Counted twice', version: 1, checked: { is: 'checked' } });
  });

  it('tells of an aircraft that is not there in a sentence', async () => {
    const { status, body } = await server.ask<ErrorResponse>('GET', '/api/aircraft/nobody?author=me');
    expect(status).toBe(404);
    expect(body).toEqual({ code: 'not-found', message: expect.stringContaining('no aircraft "nobody"'), details: [] });
  });
});

describe('documents', () => {
  it.each([
    ['faults/aircraft', 'Class,Fault,Worst situation,Lost,Stops'],
    ['supplies/aircraft', 'Item,Element,Lowest V'],
    ['nets/climb', 'Net,Held by'],
    ['currents/cruise', 'Cable,Pin A,Colour'],
    ['cut-list/aircraft', ','],
  ])('%s is made by the server as CSV', async (path, head) => {
    const response = await fetch(`${server.url}/api/aircraft/saltmarsh/documents/${path}`);
    expect([response.status, response.headers.get('content-type')]).toEqual([200, 'text/csv; charset=utf-8']);
    const lines = (await response.text()).trim().split('\r\n');
    expect(lines[0]).toContain(head);
    expect(lines.length).toBeGreaterThan(5);
  });

  it.each(['nothing/aircraft', 'faults/nobody', 'nets/nowhere'])('%s is told not to be there in a sentence', async (path) => {
    const { status, body } = await server.ask<ErrorResponse>('GET', `/api/aircraft/saltmarsh/documents/${path}`);
    expect([status, body.code]).toEqual([404, 'not-found']);
    expect(body.message).toContain('There is no document');
  });
});

describe('requests', () => {
  it.each([
    ['an unknown property', '/api/aircraft', { name: 'x', extra: 1 }, 'extra'],
    ['an empty name', '/api/aircraft', { name: '' }, 'name'],
    ['a name that turns the reading direction', '/api/aircraft', { name: 'a\u202Eb' }, 'name'],
    ['a version that is no number', `/api/aircraft/${reedbed}/edits`, { epoch: 'e', baseVersion: 'x', edits: [] }, 'baseVersion'],
    ['no epoch', `/api/aircraft/${reedbed}/edits`, { baseVersion: 0, edits: [submitted('x1', noteEdit('a', ''))] }, 'epoch'],
    ['no edits', `/api/aircraft/${reedbed}/edits`, { epoch: 'e', baseVersion: 0, edits: [] }, 'edits'],
    ['a list in the place of an edit', `/api/aircraft/${reedbed}/edits`, { epoch: 'e', baseVersion: 0, edits: [[]] }, 'edits'],
    [
      'a list of lists of edits',
      `/api/aircraft/${reedbed}/edits`,
      { epoch: 'e', baseVersion: 0, edits: [[submitted('x1', noteEdit('a', ''))]] },
      'edits',
    ],
    ['null in the place of an edit', `/api/aircraft/${reedbed}/edits`, { epoch: 'e', baseVersion: 0, edits: [null] }, 'edits'],
  ])('with %s are refused in one shape', async (_, path, body, place) => {
    const answer = await server.ask<ErrorResponse>('POST', path, body);
    expect(answer.status).toBe(400);
    expect(answer.body.code).toBe('bad-request');
    expect(answer.body.details.join(' ')).toContain(place);
  });

  it.each([
    ['of no kind', submitted('x1', { kind: 'boom' } as unknown as Edit), 'There is no edit of the kind "boom"'],
    ['with an id that has signs', submitted('../x', noteEdit('a', '')), 'editId'],
    ['with a name that objects inherit as its id', submitted('constructor', noteEdit('a', '')), 'editId'],
    ['of no schema', { ...submitted('x1', noteEdit('a', '')), schema: undefined }, 'schema'],
  ])('with an edit %s say that the edit is what is wrong, and which', async (_, edit, place) => {
    const edits = [submitted('ok1', noteEdit('a', '')), edit];
    const { status, body } = await server.ask<ErrorResponse>('POST', `/api/aircraft/${reedbed}/edits`, {
      epoch: 'e',
      baseVersion: 0,
      edits,
    });
    expect([status, body.code]).toEqual([400, 'bad-edit']);
    expect(body.details.every((detail) => detail.startsWith('edits.1.'))).toBe(true);
    expect(body.details.join(' ')).toContain(place);
  });

  it('with an edit of a newer product are refused as a whole, and nothing is made', async () => {
    const id = await server.create('Of tomorrow');
    const { status, body } = await server.edit(id, 0, [
      submitted('n1', noteEdit('a', '')),
      { ...submitted('n2', noteEdit('b', 'a')), schema: SCHEMA_VERSION + 1 },
    ]);
    expect([status, body.code]).toEqual([409, 'older-server']);
    expect((await server.load(id)).version).toBe(0);
  });

  it('nested without end are refused, wherever they go', async () => {
    const deep = `${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`;
    const lists = `${'['.repeat(5000)}${']'.repeat(5000)}`;
    const edit = JSON.stringify(submitted('d1', noteEdit('a', '')));
    for (const inner of [deep, lists]) {
      for (const text of [
        inner,
        `{"name":${inner}}`,
        `{"epoch":"e","baseVersion":0,"edits":${inner}}`,
        `{"epoch":"e","baseVersion":0,"edits":[${inner}]}`,
        `{"epoch":"e","baseVersion":0,"edits":[${edit.replace('"a"', inner)}]}`,
      ]) {
        for (const path of ['/api/aircraft', `/api/aircraft/${reedbed}/edits`, `/api/aircraft/${reedbed}/edits/arrived`, '/api/parts']) {
          const { status, body } = await server.ask<ErrorResponse>('POST', path, text);
          expect([path, status, body.code]).toEqual([path, 400, 'bad-request']);
        }
      }
    }
  });

  it('that are no JSON are refused', async () => {
    const { status, body } = await server.ask<ErrorResponse>('POST', '/api/aircraft', '{"name": ');
    expect([status, body.code, body.message]).toEqual([400, 'bad-request', 'The request is not JSON.']);
  });

  it('that are too large are refused before they are read', async () => {
    const { status, body } = await server.ask<ErrorResponse>('POST', '/api/aircraft', JSON.stringify({ name: 'x'.repeat(2_100_000) }));
    expect([status, body.code]).toEqual([413, 'too-large']);
  });

  it('to no address are answered in the same shape', async () => {
    const { status, body } = await server.ask<ErrorResponse>('GET', '/api/nothing');
    expect([status, body.code]).toEqual([404, 'not-found']);
  });
});

describe('safety of the address', () => {
  /** `fetch` does not let a Host header be set. */
  function askRaw(headers: Record<string, string>): Promise<number> {
    return new Promise((resolve, reject) => {
      http.get(`${server.url}/api/health`, { headers }, (response) => resolve(response.resume().statusCode ?? 0)).on('error', reject);
    });
  }

  it('refuses another host name, and pages of another origin', async () => {
    const { host } = new URL(server.url);
    expect(await askRaw({ host })).toBe(200);
    expect(await askRaw({ host: 'evil.example' })).toBe(403);
    expect(await askRaw({ host: `evil.example:${new URL(server.url).port}` })).toBe(403);
    expect(await askRaw({ host, origin: 'http://evil.example' })).toBe(403);
    expect(await askRaw({ host, origin: server.url })).toBe(200);
  });

  it('sends security headers', async () => {
    const { headers } = await fetch(`${server.url}/api/health`);
    expect(headers.get('content-security-policy')).toContain("script-src 'self'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
    expect(headers.get(EPOCH_HEADER)).toMatch(/^[A-Za-z0-9]{16}$/);
  });
});

describe('edits', () => {
  it('are kept, and a repeat by its id gets the first answer and changes nothing', async () => {
    const id = await server.create('Edits');
    const first = await server.edit(id, 0, [submitted('e1', noteEdit('one', ''))]);
    expect(first.body).toEqual({
      is: 'done',
      version: 1,
      outcomes: [{ is: 'accepted', editId: 'e1', version: 1, title: 'Change the note of the aircraft' }],
    });
    const again = await server.edit(id, 0, [submitted('e1', noteEdit('one', ''))]);
    expect(again.body).toEqual(first.body);
    const loaded = await server.load(id);
    expect([loaded.version, noteOf(loaded.aircraft)]).toEqual([1, 'one']);
  });

  it('that are repeated by someone who has seen everything since still get their first answer', async () => {
    const id = await server.create('Late repeat');
    await server.edit(id, 0, [submitted('e1', noteEdit('one', ''))]);
    await server.edit(id, 1, [submitted('e2', noteEdit('two', 'one'))]);
    const repeat = await server.edit(id, 2, [submitted('e1', noteEdit('one', ''))]);
    expect(repeat.body).toMatchObject({ is: 'done', version: 2, outcomes: [{ is: 'accepted', editId: 'e1', version: 1 }] });
    const mixed = await server.edit(id, 2, [submitted('e2', noteEdit('two', 'one')), submitted('e3', noteEdit('three', 'two'))]);
    expect(mixed.body).toMatchObject({ is: 'done', version: 3, outcomes: [{ version: 2 }, { version: 3 }] });
    expect(noteOf((await server.load(id)).aircraft)).toBe('three');
  });

  it('and readers that come at once to an aircraft that nobody has opened yet see one version after the other', async () => {
    const id = await server.create('Rush');
    for (let version = 0; version < 5; version++) {
      await server.restart();
      const [first, done, last] = await Promise.all([
        server.load(id),
        server.edit(id, version, [submitted(`e${version}`, noteEdit(`note ${version}`, version === 0 ? '' : `note ${version - 1}`))]),
        server.load(id),
      ]);
      expect(done.body).toMatchObject({ is: 'done', version: version + 1 });
      for (const { version: seen, aircraft } of [first, last, await server.load(id)]) {
        expect(noteOf(aircraft)).toBe(seen === 0 ? '' : `note ${seen - 1}`);
      }
      expect((await server.load(id)).version).toBe(version + 1);
    }
  });

  it('repeated on an old base are answered with what lies between, by others and by the sender', async () => {
    const id = await server.create('Lost, then edited by another');
    await server.edit(id, 0, [submitted('e1', noteEdit('mine', ''))]);
    await server.edit(id, 1, [
      submitted('e2', { kind: 'set-aircraft-name', name: 'Theirs', was: 'Lost, then edited by another' }, 'other'),
    ]);
    const { body } = await server.edit(id, 0, [submitted('e1', noteEdit('mine', ''))]);
    expect(body).toMatchObject({ is: 'stale', version: 2, since: [{ editId: 'e1' }, { editId: 'e2', by: 'other' }] });
    expect((await server.load(id)).version).toBe(2);
  });

  it('repeated in another form, as another window sent them, are answered with what is in the journal', async () => {
    const id = await server.create('Two windows, one edit');
    await server.edit(id, 0, [submitted('e1', noteEdit('as one window sent it', ''))]);
    const other = await server.edit(id, 0, [submitted('e1', noteEdit('as another has it', ''))]);
    expect(other.body).toMatchObject({ is: 'stale', version: 1, since: [{ editId: 'e1', edit: { note: 'as one window sent it' } }] });
    const later = await server.edit(id, 0, [
      submitted('e2', noteEdit('before it', '')),
      submitted('e1', noteEdit('as one window sent it', '')),
    ]);
    expect(later.body).toMatchObject({ is: 'stale', version: 1 });
    expect((await server.load(id)).version).toBe(1);
  });

  it('of another epoch, or on a version that the document never had, are told so, and nothing is made', async () => {
    const id = await server.create('Elsewhere');
    const edits = [submitted('e1', noteEdit('one', ''))];
    const epoch = await server.epoch();
    const other = await server.ask('POST', `/api/aircraft/${id}/edits`, { epoch: 'another', baseVersion: 0, edits });
    expect(other).toEqual({ status: 200, body: { is: 'other-document', epoch } });
    expect((await server.edit(id, 1, edits)).body).toEqual({ is: 'other-document', epoch });
    for (const [named, since] of [
      ['another', 0],
      [epoch, 1],
    ] as const)
      expect((await server.ask('GET', routes.editsSince(id, named, since))).body).toEqual({ is: 'other-document', epoch });
    expect((await server.load(id)).version).toBe(0);
  });

  it('can be asked for by their ids: those that arrived are named with their versions', async () => {
    const id = await server.create('Arrived');
    await server.edit(id, 0, [submitted('e1', noteEdit('one', '')), submitted('e2', noteEdit('two', 'one'))]);
    const { body } = await server.ask('POST', routes.arrived(id), { editIds: ['e2', 'e9', 'e1'] });
    expect(body).toEqual({
      arrived: expect.arrayContaining([
        { editId: 'e1', version: 1 },
        { editId: 'e2', version: 2 },
      ]),
    });
    expect((await server.ask('POST', routes.arrived('nobody' as AircraftId), { editIds: ['e1'] })).status).toBe(404);
  });

  it('that come twice in one request are made once', async () => {
    const id = await server.create('Twice');
    const twice = submitted('e1', noteEdit('one', ''));
    const { body } = await server.edit(id, 0, [twice, twice]);
    expect(body).toMatchObject({ version: 1, outcomes: [{ version: 1 }, { version: 1 }] });
  });

  it('whose answer was lost go on: a repeat with a new one after it is no conflict', async () => {
    const id = await server.create('Lost answer');
    await server.edit(id, 0, [submitted('e1', noteEdit('one', ''))]);
    const { body } = await server.edit(id, 0, [submitted('e1', noteEdit('one', '')), submitted('e2', noteEdit('two', 'one'))]);
    expect(body).toMatchObject({ is: 'done', version: 2, outcomes: [{ version: 1 }, { version: 2 }] });
  });

  it('on an old version are answered with the edits since, and change nothing', async () => {
    const id = await server.create('Stale');
    await server.edit(id, 0, [submitted('e1', noteEdit('theirs', ''), 'other')]);
    const { status, body } = await server.edit(id, 0, [submitted('e2', noteEdit('mine', ''))]);
    expect(status).toBe(200);
    expect(body).toMatchObject({
      is: 'stale',
      version: 1,
      since: [{ version: 1, editId: 'e1', by: 'other', edit: noteEdit('theirs', '') }],
    });
    expect(noteOf((await server.load(id)).aircraft)).toBe('theirs');
  });

  it('after a refused one are left alone, those before it are kept', async () => {
    const id = await server.create('Refused');
    const { body } = await server.edit(id, 0, [
      submitted('e1', noteEdit('one', '')),
      submitted('e2', noteEdit('two', 'wrong')),
      submitted('e3', noteEdit('three', 'one')),
    ]);
    expect(body).toMatchObject({
      version: 1,
      outcomes: [{ is: 'accepted' }, { is: 'refused', refusal: { code: 'changed-since' } }, { is: 'not-tried', editId: 'e3' }],
    });
    expect(noteOf((await server.load(id)).aircraft)).toBe('one');
  });

  it('of eight clients at once on one aircraft all arrive, each once', async () => {
    const id = await server.create('Busy');
    const sendOne = async (client: number, n: number): Promise<void> => {
      for (let base = 0; ;) {
        const note = noteOf((await server.load(id)).aircraft);
        base = (await server.load(id)).version;
        const { body } = await server.edit(id, base, [submitted(`c${client}n${n}`, noteEdit(`${note}[${client}.${n}]`, note))]);
        if (body.is === 'done' && body.outcomes[0]?.is === 'accepted') return;
        if (body.is === 'done' && body.outcomes[0]?.is === 'refused') continue;
      }
    };
    await Promise.all(
      Array.from({ length: 8 }, async (_, client) => {
        for (let n = 0; n < 3; n++) await sendOne(client, n);
      }),
    );
    const { aircraft, version } = await server.load(id);
    expect(version).toBe(24);
    expect(
      noteOf(aircraft)
        .match(/\[[^\]]+\]/g)
        ?.sort(),
    ).toEqual(Array.from({ length: 24 }, (_, i) => `[${Math.floor(i / 3)}.${i % 3}]`).sort());
  });

  it('are given in order to whoever asks what happened since', async () => {
    const id = await server.create('Since');
    for (const [i, was] of ['', 'n0', 'n1'].entries()) await server.edit(id, i, [submitted(`s${i}`, noteEdit(`n${i}`, was))]);
    expect(await server.since(id, 1)).toMatchObject({ version: 3, edits: [{ editId: 's1' }, { editId: 's2' }] });
  });
});

describe('undo', () => {
  const undo = (of: string): Edit => ({ kind: 'undo', of: of as Extract<Edit, { kind: 'undo' }>['of'] });

  it('takes back, brings back, survives a restart, and is told to the next window', async () => {
    const own = await TestServer.start();
    const id = await own.create('Undo');
    await own.edit(id, 0, [submitted('e1', noteEdit('one', '')), submitted('e2', noteEdit('two', 'one'))]);
    await own.restart();
    expect((await own.load(id)).history.undo.map((entry) => entry.editId)).toEqual(['e1', 'e2']);
    await own.edit(id, 2, [submitted('u1', undo('e2'))]);
    const undone = await own.load(id);
    expect([noteOf(undone.aircraft), undone.history.undo.map((e) => e.editId), undone.history.redo.map((e) => e.editId)]).toEqual([
      'one',
      ['e1'],
      ['u1'],
    ]);
    await own.edit(id, 3, [submitted('r1', undo('u1'))]);
    expect(noteOf((await own.load(id)).aircraft)).toBe('two');
    expect((await own.since(id, 2)).edits.map((entry) => entry.undoes?.changes.length)).toEqual([1, 1]);
    await own.stop();
  });

  it('is refused for the edits of others, twice, and for edits that are not there', async () => {
    const id = await server.create('No undo');
    await server.edit(id, 0, [submitted('e1', noteEdit('one', ''), 'other')]);
    const outcome = async (edit: Edit, by: string, name: string): Promise<unknown> => {
      const { version } = await server.load(id);
      return (await server.edit(id, version, [submitted(name, edit, by)])).body;
    };
    expect(await outcome(undo('e1'), 'tester', 'u1')).toMatchObject({
      outcomes: [{ refusal: { code: 'not-yours', sentence: expect.stringContaining('made by other') } }],
    });
    expect(await outcome(undo('e9'), 'tester', 'u2')).toMatchObject({ outcomes: [{ refusal: { code: 'unknown-edit' } }] });
    expect(await outcome(undo('e1'), 'other', 'u3')).toMatchObject({ outcomes: [{ is: 'accepted' }] });
    expect(await outcome(undo('e1'), 'other', 'u4')).toMatchObject({ outcomes: [{ refusal: { code: 'already-undone' } }] });
  });

  it('keeps a history for each author', async () => {
    const id = await server.create('Two authors');
    await server.edit(id, 0, [
      submitted('a1', noteEdit('a', ''), 'ann'),
      submitted('b1', { kind: 'set-aircraft-name', name: 'Two', was: 'Two authors' }, 'ben'),
    ]);
    expect((await server.load(id, 'ann')).history.undo.map((e) => e.editId)).toEqual(['a1']);
    expect((await server.load(id, 'ben')).history.undo.map((e) => e.editId)).toEqual(['b1']);
  });
});

describe('files', () => {
  async function exported(id: AircraftId): Promise<string> {
    return (await fetch(`${server.url}/api/aircraft/${id}/export`)).text();
  }

  it('go out and come into another workshop and out again as the same bytes', async () => {
    const text = await exported(reedbed);
    const other = await TestServer.start();
    const { status, body } = await other.ask<CreatedResponse>('POST', '/api/aircraft/import', text);
    expect([status, body.id]).toEqual([201, reedbed]);
    expect(await (await fetch(`${other.url}/api/aircraft/${reedbed}/export`)).text()).toBe(text);
    await other.stop();
  });

  it('become a copy where the aircraft is already there', async () => {
    const { body } = await server.ask<CreatedResponse>('POST', '/api/aircraft/import', await exported(reedbed));
    expect(body.id).not.toBe(reedbed);
    const read = readAircraftFile(await exported(body.id));
    if ('sentence' in read) throw new Error(read.sentence);
    const original = await server.load(reedbed);
    expect(canonicalJson({ ...read.design.aircraft, id: reedbed })).toBe(canonicalJson(original.aircraft));
  });

  it('that are bad are refused in a sentence, and nothing is stored', async () => {
    const before = (await server.ask<HangarEntry[]>('GET', '/api/aircraft')).body.length;
    for (const text of ['[]', '"x"', '{"format":"other"}', '{"format":"wired-falcon-aircraft","aircraft":{"schema":99}}']) {
      const { status, body } = await server.ask<ErrorResponse>('POST', '/api/aircraft/import', text);
      expect([status, body.code]).toEqual([422, 'cannot-import']);
      expect(body.message.length).toBeGreaterThan(20);
    }
    expect((await server.ask<HangarEntry[]>('GET', '/api/aircraft')).body).toHaveLength(before);
  });
});

describe('the API page', () => {
  it('is served, with the shapes of the requests taken from their DTOs', async () => {
    const page = await fetch(`${server.url}/api/docs`);
    expect([page.status, page.headers.get('content-type')]).toEqual([200, 'text/html; charset=utf-8']);
    const { body } = await server.ask<{ components: { schemas: Record<string, { required?: string[] }> } }>('GET', '/api/docs-json');
    expect(body.components.schemas['EditsRequestDto']?.required).toEqual(['epoch', 'baseVersion', 'edits']);
    expect(body.components.schemas['SubmittedEditDto']?.required).toEqual(['editId', 'at', 'by', 'schema', 'edit']);
    const schema = await server.ask<{ title: string }>('GET', '/api/schema/aircraft');
    expect(schema.body.title).toBe('Wired Falcon aircraft');
  });
});
