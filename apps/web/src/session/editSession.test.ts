import { describe, expect, it } from '@jest/globals';
import {
  applyEdit,
  asId,
  canonicalJson,
  catalogue,
  newAircraft,
  ownCopyOf,
  partKeyOf,
  sampleParts,
  undoStacksOf,
  type AircraftId,
  type Design,
  type Edit,
  type EditId,
  type ItemId,
  type Part,
  type PartId,
  type PutBack,
} from '@wired-falcon/core';
import type { AircraftResponse, EditOutcome, EditsResponse, JournalEntry } from '@wired-falcon/contract';
import { EditSession } from './editSession.ts';
import type { Kept } from './sessionState.ts';
import type { SubmittedEdit, Transport } from './transport.ts';

const id = asId<AircraftId>('a1');

/** A server in memory that keeps the rules of the real one, with a network that can be cut before or after it acts. */
class FakeServer implements Transport {
  design: Design = { aircraft: newAircraft(id, 'Test'), parts: catalogue };
  readonly journal: (JournalEntry & { readonly inverse: PutBack })[] = [];
  network: 'up' | 'down' | 'answers lost' = 'up';
  requests = 0;

  load(_id: AircraftId, author: string): Promise<AircraftResponse> {
    const own = this.journal.filter((entry) => entry.by === author);
    const stacks = undoStacksOf(own.map(({ editId, edit }) => ({ editId, undoOf: edit.kind === 'undo' ? edit.of : undefined })));
    const entriesOf = (ids: readonly EditId[]) => own.filter((entry) => ids.includes(entry.editId));
    const [undo, redo] = [entriesOf(stacks.undo), entriesOf(stacks.redo)];
    return Promise.resolve({
      aircraft: this.design.aircraft,
      version: this.journal.length,
      updatedAt: '2026-11-24T10:00:00Z',
      parts: usedParts(this.design),
      history: { undo, redo },
    });
  }

  async submit(_id: AircraftId, baseVersion: number, edits: readonly SubmittedEdit[]): Promise<EditsResponse> {
    this.requests += 1;
    if (this.network === 'down') throw new TypeError('The network is down.');
    const answer = this.act(baseVersion, edits);
    await Promise.resolve();
    if (this.network === 'answers lost') throw new TypeError('The network went down.');
    return answer;
  }

  since(_id: AircraftId, version: number) {
    return Promise.resolve({ version: this.journal.length, edits: this.journal.slice(version) });
  }

  act(baseVersion: number, edits: readonly SubmittedEdit[]): EditsResponse {
    const isKnown = (editId: EditId): boolean => this.journal.some((entry) => entry.editId === editId);
    const ownSince = this.journal.slice(baseVersion).filter((entry) => edits.some((edit) => edit.editId === entry.editId)).length;
    if (edits.some((edit) => !isKnown(edit.editId)) && baseVersion + ownSince !== this.journal.length) {
      return { is: 'stale', version: this.journal.length, since: this.journal.slice(baseVersion) };
    }
    const outcomes = edits.map((edit): EditOutcome => this.one(edit));
    return { is: 'done', version: this.journal.length, outcomes };
  }

  one({ editId, edit, by, at }: SubmittedEdit): EditOutcome {
    const known = this.journal.find((entry) => entry.editId === editId);
    if (known !== undefined) return { is: 'accepted', editId, version: known.version, title: known.title };
    const undoes = edit.kind === 'undo' ? this.journal.find((entry) => entry.editId === edit.of)?.inverse : undefined;
    const result = applyEdit(this.design, edit, () => undoes ?? { refused: { code: 'unknown-edit', sentence: 'Unknown.', about: [] } });
    if ('refused' in result) return { is: 'refused', editId, refusal: result.refused };
    this.design = result.design;
    const version = this.journal.length + 1;
    this.journal.push({
      version,
      editId,
      at,
      by,
      title: result.title,
      edit,
      inverse: result.inverse,
      ...(undoes === undefined ? {} : { undoes }),
    });
    return { is: 'accepted', editId, version, title: result.title };
  }
}

function usedParts({ aircraft, parts }: Design): Part[] {
  return [...new Set(Object.values(aircraft.items).map(({ part }) => part))].flatMap((key) => parts.get(key) ?? []);
}

let made = 0;

/** A session with timers that run when the test says so. */
async function open(server: FakeServer, author = 'me', keep?: (kept: Kept) => void) {
  const waiting: (() => void)[] = [];
  const session = new EditSession(id, await server.load(id, author), {
    transport: server,
    author,
    makeId: () => `${author}${++made}`,
    now: () => '2026-11-24T10:00:00.000Z',
    later: (task) => {
      waiting.push(task);
      return () => waiting.splice(waiting.indexOf(task), 1);
    },
    ...(keep === undefined ? {} : { keep }),
  });
  return { session, retry: () => waiting.splice(0).forEach((task) => task()) };
}

async function quiet(session: EditSession): Promise<void> {
  for (let i = 0; i < 50 && session.getState().saving === 'saving'; i++) await new Promise((resolve) => setImmediate(resolve));
  for (let i = 0; i < 10; i++) await new Promise((resolve) => setImmediate(resolve));
}

function addition(n: number, ref = `SRV${n}`): Edit {
  const servo = sampleParts.find((part) => part.kind === 'servo');
  if (servo === undefined) throw new Error('There is no servo.');
  return { kind: 'add-item', item: { id: asId<ItemId>(`i${ref}${n}`), ref, part: partKeyOf(servo), where: 'aircraft', settings: {} } };
}
const rename = (name: string, was: string): Edit => ({ kind: 'set-aircraft-name', name, was });
const refs = (design: Design): string[] =>
  Object.values(design.aircraft.items)
    .map((item) => item.ref)
    .sort();

describe('an edit session', () => {
  it('shows an edit at once and saves edits in order', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    for (let n = 1; n <= 5; n++) session.make(addition(n));
    expect(refs(session.getState().design)).toHaveLength(5);
    expect(session.getState()).toMatchObject({ pending: 5, saving: 'saving', seq: 6 });
    await quiet(session);
    expect(server.journal.map((entry) => entry.title)).toEqual([1, 2, 3, 4, 5].map((n) => expect.stringContaining(`SRV${n}`)));
    expect(session.getState()).toMatchObject({ pending: 0, saving: 'saved', version: 5 });
    expect(canonicalJson(server.design.aircraft)).toBe(canonicalJson(session.getState().design.aircraft));
  });

  it('refuses at once what cannot be made, says why, and sends nothing', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    expect(session.make(rename('x', 'wrong'))).toMatchObject({ refused: { code: 'changed-since' } });
    await quiet(session);
    expect(server.requests).toBe(0);
    expect(session.getState().messages.at(-1)?.sentence).toContain('renamed to "Test" meanwhile');
  });

  it('keeps edits while the server is away, says so, and sends them when it is back', async () => {
    const server = new FakeServer();
    server.network = 'down';
    const { session, retry } = await open(server);
    session.make(addition(1));
    session.make(addition(2));
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'offline', pending: 2 });
    server.network = 'up';
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'saved', pending: 0 });
    expect(server.journal).toHaveLength(2);
  });

  it('doubles nothing when the answer is lost, even if others edit in between', async () => {
    const server = new FakeServer();
    server.network = 'answers lost';
    const { session, retry } = await open(server);
    session.make(addition(1));
    await quiet(session);
    server.network = 'up';
    server.act(1, [{ editId: asId<EditId>('other1'), at: '2026-11-24T10:00:00Z', by: 'other', edit: rename('Theirs', 'Test') }]);
    session.make(addition(2));
    retry();
    await quiet(session);
    expect(server.journal.map((entry) => entry.editId)).toEqual([expect.stringMatching(/^me/), 'other1', expect.stringMatching(/^me/)]);
    expect(session.getState().design.aircraft.name).toBe('Theirs');
    expect(canonicalJson(server.design.aircraft)).toBe(canonicalJson(session.getState().design.aircraft));
  });

  it('rebases on what others did, and says which name it had to change', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    server.act(0, [{ editId: asId<EditId>('other1'), at: '2026-11-24T10:00:00Z', by: 'other', edit: addition(9, 'SRV1') }]);
    session.make(addition(1));
    await quiet(session);
    expect(refs(server.design)).toEqual(['SRV1', 'SRV2']);
    expect(session.getState().messages.map((message) => message.sentence)).toEqual([
      'SRV1 was used by someone else meanwhile; yours is now SRV2.',
    ]);
    expect(canonicalJson(server.design.aircraft)).toBe(canonicalJson(session.getState().design.aircraft));
  });

  it('never overrules a value that changed meanwhile: its own edit is taken off and the person is asked', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    server.act(0, [{ editId: asId<EditId>('other1'), at: '2026-11-24T10:00:00Z', by: 'other', edit: rename('Theirs', 'Test') }]);
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    expect(session.getState().design.aircraft.name).toBe('Theirs');
    expect(server.journal).toHaveLength(1);
    expect(session.getState().conflicts).toMatchObject([{ title: 'Rename the aircraft to Mine', again: { was: 'Theirs' } }]);
    expect(session.getState().conflicts[0]?.sentence).toContain('renamed to "Theirs" meanwhile');
    expect(session.getState().undo).toEqual([]);
  });

  it.each([
    ['mine', 'Mine', 2],
    ['theirs', 'Theirs', 1],
  ] as const)('lets the person decide: %s', async (word, name, rows) => {
    const server = new FakeServer();
    const { session } = await open(server);
    server.act(0, [{ editId: asId<EditId>('other1'), at: '2026-11-24T10:00:00Z', by: 'other', edit: rename('Theirs', 'Test') }]);
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    session.decide(session.getState().conflicts[0]?.editId ?? asId<EditId>('none'), word);
    await quiet(session);
    expect(session.getState().conflicts).toEqual([]);
    expect(server.design.aircraft.name).toBe(name);
    expect(server.journal).toHaveLength(rows);
  });

  it('keeps what is not acknowledged, and a later session takes it up in order, once', async () => {
    const server = new FakeServer();
    const kept: Kept[] = [];
    const { session } = await open(server, 'me', (now) => kept.push(now));
    server.network = 'down';
    session.make(rename('One', 'Test'));
    session.make(rename('Two', 'One'));
    session.undo();
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'offline', pending: 3 });
    const last = kept.at(-1);
    expect(last).toMatchObject({ version: 0, asked: [] });
    expect(last?.edits.map(({ edit }) => edit.kind)).toEqual(['set-aircraft-name', 'set-aircraft-name', 'undo']);
    session.close();

    server.network = 'up';
    const later = await open(server, 'me', (now) => kept.push(now));
    later.session.resume(last?.edits ?? []);
    later.session.resume(last?.edits ?? []);
    await quiet(later.session);
    expect(server.journal.map((entry) => entry.title)).toEqual([
      'Rename the aircraft to One',
      'Rename the aircraft to Two',
      'Rename the aircraft to Two',
    ]);
    expect(server.design.aircraft.name).toBe('One');
    expect(kept.at(-1)?.edits).toEqual([]);
  });

  it('keeps a question that was not answered, for the next window to ask again', async () => {
    const server = new FakeServer();
    const kept: Kept[] = [];
    const { session } = await open(server, 'me', (now) => kept.push(now));
    server.act(0, [{ editId: asId<EditId>('other1'), at: '2026-11-24T10:00:00Z', by: 'other', edit: rename('Theirs', 'Test') }]);
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    const last = kept.at(-1);
    expect(last?.asked).toHaveLength(1);
    session.close();
    const later = await open(server);
    later.session.resume([], last?.asked);
    expect(later.session.getState().conflicts.map(({ title }) => title)).toEqual(['Rename the aircraft to Mine']);
  });

  it('sees what others did without editing itself', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    server.act(0, [{ editId: asId<EditId>('other1'), at: '2026-11-24T10:00:00Z', by: 'other', edit: rename('Theirs', 'Test') }]);
    await session.pull();
    expect(session.getState().design.aircraft.name).toBe('Theirs');
    expect(session.getState().version).toBe(1);
  });

  it('undoes and redoes as edits, also in a session that is opened later', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    session.make(rename('One', 'Test'));
    session.make(rename('Two', 'One'));
    session.undo();
    expect(session.getState().design.aircraft.name).toBe('One');
    session.redo();
    expect(session.getState().design.aircraft.name).toBe('Two');
    await quiet(session);
    expect(server.journal.map((entry) => entry.edit.kind)).toEqual(['set-aircraft-name', 'set-aircraft-name', 'undo', 'undo']);
    const later = await open(server);
    later.session.undo();
    await quiet(later.session);
    expect(server.design.aircraft.name).toBe('One');
  });

  it('can undo what the same person did in another window', async () => {
    const server = new FakeServer();
    const [here, there] = [await open(server), await open(server)];
    there.session.make(rename('There', 'Test'));
    await quiet(there.session);
    await here.session.pull();
    await quiet(here.session);
    expect(here.session.getState().undo.map((entry) => entry.title)).toEqual(['Rename the aircraft to There']);
    here.session.undo();
    await quiet(here.session);
    expect(server.design.aircraft.name).toBe('Test');
  });

  it('drops an edit that the server will never take, says why, and goes on with the next', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    const submit = server.submit.bind(server);
    let refusals = 1;
    server.submit = (aircraft, base, edits) => {
      if (refusals-- > 0) return Promise.reject(Object.assign(new Error('The request does not have the form.'), { status: 400 }));
      return submit(aircraft, base, edits);
    };
    session.make(addition(1));
    session.make(addition(2));
    await quiet(session);
    expect(session.getState().messages[0]?.sentence).toContain('does not have the form');
    expect(refs(server.design)).toEqual(['SRV2']);
    expect(session.getState().pending).toBe(0);
  });

  it('takes the answer of a server that refuses an edit: shows the document without it, and says why', async () => {
    const server = new FakeServer();
    const { session } = await open(server);
    const one = server.one.bind(server);
    server.one = (edit) =>
      edit.edit.kind === 'add-item' && edit.edit.item.ref === 'SRV1'
        ? {
            is: 'refused',
            editId: edit.editId,
            refusal: { code: 'ref-taken', sentence: 'SRV1 is already the name of another item.', about: [] },
          }
        : one(edit);
    session.make(addition(1));
    session.make(addition(2));
    await quiet(session);
    expect(refs(session.getState().design)).toEqual(['SRV2']);
    expect(session.getState().messages.map((message) => message.sentence)).toContain('SRV1 is already the name of another item.');
    expect(canonicalJson(server.design.aircraft.items)).toBe(canonicalJson(session.getState().design.aircraft.items));
  });

  it('says when there is nothing to undo', async () => {
    const { session } = await open(new FakeServer());
    session.undo();
    session.redo();
    expect(session.getState().messages.map((message) => message.sentence)).toEqual([
      'There is nothing to undo.',
      'There is nothing to redo.',
    ]);
    session.dismiss(1);
    expect(session.getState().messages).toHaveLength(1);
  });

  it('tells how the design changed, so that a worker can follow', async () => {
    const { session } = await open(new FakeServer());
    const edit = addition(1);
    session.make(edit);
    expect(session.getState().last).toEqual({ is: 'edit', edit });
    session.undo();
    expect(session.getState().last).toMatchObject({ is: 'edit', edit: { kind: 'undo' }, undoes: { kind: 'put-back' } });
  });
});

describe('a part that the workshop made', () => {
  const [sample] = sampleParts;
  if (sample === undefined) throw new Error('The catalogue is empty.');
  const own = ownCopyOf(sample, asId<PartId>('own'));
  const add: Edit = {
    kind: 'add-item',
    item: { id: asId<ItemId>('own1'), ref: 'FC1', part: partKeyOf(own), where: 'aircraft', settings: {} },
  };

  it('is refused until it is known, and taken once it is', async () => {
    const server = new FakeServer();
    server.design = { ...server.design, parts: new Map([...catalogue, [partKeyOf(own), own]]) };
    const { session } = await open(server);
    expect(session.make(add)).toMatchObject({ refused: { code: 'unknown-part' } });
    const { seq } = session.getState();
    session.learn([own, sample]);
    expect(session.getState()).toMatchObject({ seq: seq + 1, last: { is: 'reset' } });
    session.learn([own]);
    expect(session.getState().seq).toBe(seq + 1);
    expect(session.make(add)).toMatchObject({ title: expect.stringContaining('FC1') });
    await quiet(session);
    expect(Object.keys(server.design.aircraft.items)).toEqual(['own1']);
  });

  it('comes with an edit of another window that names it, and edits made here meanwhile stay', async () => {
    const server = new FakeServer();
    server.design = { ...server.design, parts: new Map([...catalogue, [partKeyOf(own), own]]) };
    const [mine, theirs] = [await open(server, 'me'), await open(server, 'other')];
    theirs.session.learn([own]);
    theirs.session.make(add);
    await quiet(theirs.session);
    mine.session.make({ kind: 'set-aircraft-note', note: 'mine', was: '' });
    await quiet(mine.session);
    const { design, pending, version } = mine.session.getState();
    expect(design.aircraft).toEqual(server.design.aircraft);
    expect(design.aircraft.note).toBe('mine');
    expect(design.parts.get(partKeyOf(own))).toEqual(own);
    expect([pending, version]).toEqual([0, 2]);
  });
});
