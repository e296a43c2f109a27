import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { asId, canonicalJson, catalogue, ownCopyOf, partKeyOf, sampleParts, type Edit, type ItemId, type PartId } from '@wired-falcon/core';
import type { EditSession } from '../../apps/web/src/session/editSession.ts';
import type { Kept } from '../../apps/web/src/session/sessionState.ts';
import { RealWorkshop } from './realWorkshop.ts';
import { addition, note, quiet, refs, rename, sentences, SessionBench } from './sessionBench.ts';

let workshop: RealWorkshop;
let bench: SessionBench;
beforeAll(async () => {
  workshop = await RealWorkshop.open();
});
afterAll(() => workshop.dispose());
beforeEach(async () => {
  bench = await SessionBench.of(workshop);
});

async function expectSame(session: EditSession): Promise<void> {
  const { aircraft, version } = await workshop.aircraft(bench.id);
  expect(canonicalJson(session.getState().design.aircraft)).toBe(canonicalJson(aircraft));
  expect(session.getState().version).toBe(version);
}

describe('an edit session', () => {
  it('shows an edit at once and saves edits in order', async () => {
    const { session } = await bench.open();
    for (let n = 1; n <= 5; n++) session.make(addition(n));
    expect(refs(session.getState().design)).toHaveLength(5);
    expect(session.getState()).toMatchObject({ pending: 5, saving: 'saving', seq: 6 });
    await quiet(session);
    expect(await bench.titles()).toEqual([1, 2, 3, 4, 5].map((n) => expect.stringContaining(`SRV${n}`)));
    expect(session.getState()).toMatchObject({ pending: 0, saving: 'saved', version: 5 });
    await expectSame(session);
  });

  it('refuses at once what cannot be made, says why, and sends nothing', async () => {
    const { session } = await bench.open();
    expect(session.make(rename('x', 'wrong'))).toMatchObject({ refused: { code: 'changed-since' } });
    await quiet(session);
    expect(bench.asked).not.toContain('edits');
    expect(sentences(session).at(-1)).toContain('renamed to "Test" meanwhile');
  });

  it('keeps edits while the server is away, says so, and sends them when it is back', async () => {
    const { session, retry } = await bench.open();
    bench.network = 'down';
    session.make(addition(1));
    session.make(addition(2));
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'waiting', trouble: { is: 'away' }, pending: 2 });
    bench.network = 'up';
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'saved', trouble: undefined, pending: 0 });
    expect(await bench.titles()).toHaveLength(2);
  });

  it('doubles nothing and misses nothing when the answer is lost and others edit in between', async () => {
    const { session, retry } = await bench.open();
    bench.network = 'answers lost';
    session.make(addition(1));
    await quiet(session);
    bench.network = 'up';
    await bench.act(rename('Theirs', 'Test'));
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'saved', version: 2 });
    expect(session.getState().design.aircraft.name).toBe('Theirs');
    await expectSame(session);
    session.make(addition(2));
    await quiet(session);
    expect(await bench.titles()).toHaveLength(3);
    await expectSame(session);
  });

  it('rebases on what others did, and says which name it had to change', async () => {
    const { session } = await bench.open();
    await bench.act(addition(9, 'SRV1'));
    session.make(addition(1));
    await quiet(session);
    expect(refs(await bench.aircraft())).toEqual(['SRV1', 'SRV2']);
    expect(sentences(session)).toEqual(['SRV1 was used by someone else meanwhile; yours is now SRV2.']);
    await expectSame(session);
  });

  it('loses no batch when others took its first name: names stay apart through the whole queue', async () => {
    const { session, retry } = await bench.open();
    bench.network = 'down';
    const [one, two] = [addition(1), addition(2)];
    session.make({ kind: 'batch', title: 'Add SRV1 and SRV2', edits: [one, two] });
    session.make({ kind: 'rename-item', item: two.item.id, ref: 'FLAP1', was: 'SRV2' });
    session.make(addition(3));
    await quiet(session);
    await bench.act(addition(9, 'SRV1'));
    bench.network = 'up';
    retry();
    await quiet(session);
    expect(refs(await bench.aircraft())).toEqual(['FLAP1', 'SRV1', 'SRV2', 'SRV4']);
    expect(await bench.titles()).toEqual([
      expect.stringContaining('SRV1'),
      'Add SRV2 and SRV3',
      'Rename SRV3 to FLAP1',
      expect.stringContaining('SRV4'),
    ]);
    expect(session.getState().conflicts).toEqual([]);
    await expectSame(session);
  });

  it('never overrules a value that changed meanwhile: its own edit is set aside and the person is asked', async () => {
    const { session } = await bench.open();
    await bench.act(rename('Theirs', 'Test'));
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    expect(session.getState().design.aircraft.name).toBe('Theirs');
    expect(await bench.titles()).toHaveLength(1);
    expect(session.getState().conflicts).toMatchObject([{ title: 'Rename the aircraft to Mine', again: { was: 'Theirs' } }]);
    expect(session.getState().conflicts[0]?.sentence).toContain('renamed to "Theirs" meanwhile');
    expect(session.getState().conflicts[0]?.text).toContain('"Mine"');
    expect(session.getState().undo).toEqual([]);
  });

  it.each([
    ['mine', 'Mine', 2],
    ['theirs', 'Theirs', 1],
  ] as const)('lets the person decide: %s', async (word, name, rows) => {
    const { session } = await bench.open();
    await bench.act(rename('Theirs', 'Test'));
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    session.decide(session.getState().conflicts[0]?.editId ?? asId('none'), word);
    await quiet(session);
    expect(session.getState().conflicts).toEqual([]);
    expect((await bench.aircraft()).name).toBe(name);
    expect(await bench.titles()).toHaveLength(rows);
  });

  it('says of six lost edits six times what became of them', async () => {
    const { session, retry } = await bench.open();
    const item = addition(1);
    session.make(item);
    await quiet(session);
    bench.network = 'down';
    for (let n = 0; n < 6; n++)
      session.make({ kind: 'label-item', item: item.item.id, label: `label ${n + 1}`, was: n === 0 ? '' : `label ${n}` });
    await quiet(session);
    await bench.act({ kind: 'remove-item', item: item.item.id });
    bench.network = 'up';
    retry();
    await quiet(session);
    expect(session.getState().conflicts).toHaveLength(6);
    expect(session.getState().conflicts.map(({ again }) => again)).toEqual(Array.from({ length: 6 }, () => undefined));
    for (let n = 0; n < 6; n++) session.say(`something else ${n}`);
    expect(session.getState().messages).toHaveLength(6);
    session.say('something else 3');
    expect(sentences(session)).toHaveLength(6);
  });

  it('sees what others did without editing itself', async () => {
    const { session } = await bench.open();
    await bench.act(rename('Theirs', 'Test'));
    await session.pull();
    await expectSame(session);
    expect(session.getState().version).toBe(1);
  });

  it('says when there is nothing to undo', async () => {
    const { session } = await bench.open();
    session.undo();
    session.redo();
    expect(sentences(session)).toEqual(['There is nothing to undo.', 'There is nothing to redo.']);
    session.dismiss(1);
    expect(session.getState().messages).toHaveLength(1);
  });

  it('tells how the design changed, so that a worker can follow', async () => {
    const { session } = await bench.open();
    const edit = addition(1);
    session.make(edit);
    expect(session.getState().last).toEqual({ is: 'edit', edit });
    session.undo();
    expect(session.getState().last).toMatchObject({ is: 'edit', edit: { kind: 'undo' }, undoes: { kind: 'put-back' } });
  });
});

describe('what is not acknowledged', () => {
  it('is kept, and a later session takes it up in order, once', async () => {
    const all: Kept[] = [];
    const keep = (now: Kept): Promise<void> => Promise.resolve(void all.push(now));
    const { session } = await bench.open('me', keep);
    bench.network = 'down';
    session.make(rename('One', 'Test'));
    session.make(rename('Two', 'One'));
    session.undo();
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'waiting', pending: 3, keeping: 'browser' });
    const last = all.at(-1);
    expect(last).toMatchObject({ epoch: workshop.epoch, version: 0, aside: [] });
    expect(last?.edits.map(({ edit }) => edit.kind)).toEqual(['set-aircraft-name', 'set-aircraft-name', 'undo']);
    session.close();

    bench.network = 'up';
    const later = await bench.open('me', keep);
    later.session.resume(last?.edits ?? []);
    later.session.resume(last?.edits ?? []);
    await quiet(later.session);
    expect(await bench.titles()).toEqual(['Rename the aircraft to One', 'Rename the aircraft to Two', 'Rename the aircraft to Two']);
    expect((await bench.aircraft()).name).toBe('One');
    expect(all.at(-1)?.edits).toEqual([]);
  });

  it('and had arrived though its answer was lost is not asked about, nor made again', async () => {
    const all: Kept[] = [];
    const { session } = await bench.open('me', (now) => Promise.resolve(void all.push(now)));
    bench.network = 'answers lost';
    session.make(rename('Mine', 'Test'));
    session.make(addition(1));
    await quiet(session);
    session.close();
    expect(all.at(-1)?.edits).toHaveLength(2);
    expect(await bench.titles()).toEqual(['Rename the aircraft to Mine']);
    bench.network = 'up';
    const later = await bench.open();
    later.session.resume(all.at(-1)?.edits ?? []);
    await quiet(later.session);
    expect(later.session.getState()).toMatchObject({ conflicts: [], pending: 0 });
    expect(await bench.titles()).toHaveLength(2);
    await expectSame(later.session);
  });

  it('and was asked about is asked about again by the next window', async () => {
    const all: Kept[] = [];
    const { session } = await bench.open('me', (now) => Promise.resolve(void all.push(now)));
    await bench.act(rename('Theirs', 'Test'));
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    expect(all.at(-1)?.aside).toHaveLength(1);
    session.close();
    const later = await bench.open();
    later.session.resume([], all.at(-1)?.aside);
    expect(later.session.getState().conflicts.map(({ title }) => title)).toEqual(['Rename the aircraft to Mine']);
  });

  it('is said to be in this window only where the browser keeps nothing, and is kept as soon as it does', async () => {
    let isFull = true;
    const written: Kept[] = [];
    const { session, retry } = await bench.open('me', (now) => {
      if (isFull) return Promise.reject(new Error('The quota is exceeded.'));
      written.push(now);
      return Promise.resolve();
    });
    bench.network = 'down';
    session.make(addition(1));
    expect(session.getState().keeping).toBe('writing');
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'waiting', keeping: 'window' });
    isFull = false;
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'waiting', keeping: 'browser' });
    expect(written.at(-1)?.edits).toHaveLength(1);
  });
});

describe('an answer that is no word on an edit', () => {
  const html = (status: number): Response => new Response('<!doctype html><p>Hello', { status });
  const answers: readonly [string, (b: SessionBench) => Response, object][] = [
    ['401: the key was changed', (b) => b.refusing(401, 'no-access'), { is: 'key' }],
    ['403 for the name of the host', (b) => b.refusing(403, 'wrong-host'), { is: 'held' }],
    ['404: the aircraft is not there', (b) => b.refusing(404, 'not-found'), { is: 'held', sentence: 'No.' }],
    ['404 of another program', () => html(404), { is: 'away' }],
    [
      '404 in our form of another program',
      () => Response.json({ code: 'not-found', message: 'x', details: [] }, { status: 404 }),
      { is: 'away' },
    ],
    ['200 of another program', () => html(200), { is: 'away' }],
    ['200 of another program that looks like ours', () => Response.json({ is: 'done', version: 1, outcomes: [] }), { is: 'away' }],
    ['409: the document is of a newer product', (b) => b.refusing(409, 'cannot-open'), { is: 'held' }],
    ['409: the server is older', (b) => b.refusing(409, 'older-server'), { is: 'held' }],
    ['429', (b) => b.refusing(429, 'too-many-tries'), { is: 'away' }],
    ['500', (b) => b.refusing(500, 'server-error'), { is: 'away' }],
    ['400 for the request', (b) => b.refusing(400, 'bad-request'), { is: 'held' }],
  ];

  it.each(answers)('%s: every edit stays, nothing is called saved, and all arrive when it is over', async (_, answer, trouble) => {
    const all: Kept[] = [];
    const { session, retry, timers } = await bench.open('me', (now) => Promise.resolve(void all.push(now)));
    bench.instead = () => answer(bench);
    session.make(addition(1));
    session.make(addition(2));
    await quiet(session);
    expect(session.getState()).toMatchObject({ pending: 2, saving: 'waiting', trouble, conflicts: [], messages: [] });
    expect(all.at(-1)?.edits).toHaveLength(2);
    expect([bench.asked.filter((what) => what === 'edits').length, timers()]).toEqual([1, 1]);
    retry();
    await quiet(session);
    expect(session.getState().pending).toBe(2);
    bench.instead = () => undefined;
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ pending: 0, saving: 'saved', trouble: undefined });
    expect(refs(await bench.aircraft())).toEqual(['SRV1', 'SRV2']);
    await expectSame(session);
  });

  it('413: half as many at once, until all are there', async () => {
    const { session } = await bench.open();
    const sizes: number[] = [];
    bench.instead = ({ address, body }) => {
      if (!address.endsWith('/edits') || body === undefined) return undefined;
      const { edits } = JSON.parse(body) as { edits: unknown[] };
      sizes.push(edits.length);
      return edits.length > 3 ? bench.refusing(413, 'too-large') : undefined;
    };
    for (let n = 1; n <= 20; n++) session.make(addition(n));
    await quiet(session);
    expect(refs(await bench.aircraft())).toHaveLength(20);
    expect(Math.max(...sizes)).toBeGreaterThan(10);
    expect(session.getState()).toMatchObject({ pending: 0, conflicts: [] });
  });

  it('400 for one edit of many: the one is found and shown with its text, and all others are made', async () => {
    const { session } = await bench.open();
    const items = [1, 2, 3, 4, 5, 6, 7].map((n) => addition(n));
    for (const item of items) session.make(item);
    // What the server holds texts to and the browser does not: a mark that turns the reading direction.
    session.make({ kind: 'set-aircraft-note', note: 'turned \u202E around', was: '' });
    session.make(rename('After', 'Test'));
    await quiet(session);
    expect(refs(await bench.aircraft())).toHaveLength(7);
    expect((await bench.aircraft()).name).toBe('After');
    expect(session.getState()).toMatchObject({
      pending: 0,
      saving: 'saved',
      conflicts: [{ title: 'Change the note of the aircraft', again: undefined, sentence: expect.stringContaining('cannot be seen') }],
    });
    expect(session.getState().conflicts[0]?.text).toContain('turned');
    await expectSame(session);
  });
});

describe('undo', () => {
  it('and redo are edits, also in a session that is opened later', async () => {
    const { session } = await bench.open();
    session.make(rename('One', 'Test'));
    session.make(rename('Two', 'One'));
    session.undo();
    expect(session.getState().design.aircraft.name).toBe('One');
    session.redo();
    expect(session.getState().design.aircraft.name).toBe('Two');
    await quiet(session);
    expect((await workshop.rows(bench.id)).map(({ undoOf }) => undoOf === null)).toEqual([true, true, false, false]);
    const later = await bench.open();
    later.session.undo();
    await quiet(later.session);
    expect((await bench.aircraft()).name).toBe('One');
  });

  it('takes back what the same person did in another window', async () => {
    const [here, there] = [await bench.open(), await bench.open()];
    there.session.make(rename('There', 'Test'));
    await quiet(there.session);
    await here.session.pull();
    expect(here.session.getState().undo.map((entry) => entry.title)).toEqual(['Rename the aircraft to There']);
    here.session.undo();
    await quiet(here.session);
    expect((await bench.aircraft()).name).toBe('Test');
  });

  it('forgets an edit that was not made: what comes next is what can be taken back', async () => {
    const { session } = await bench.open();
    session.make(note('first', ''));
    await quiet(session);
    await bench.act(rename('Theirs', 'Test'));
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    expect(session.getState().undo.map(({ title }) => title)).toEqual(['Change the note of the aircraft']);
    session.undo();
    await quiet(session);
    expect((await bench.aircraft()).note).toBeUndefined();
  });

  it('of what others changed since says why, and offers the next that can be taken back, by its name', async () => {
    const { session } = await bench.open();
    session.make(addition(1));
    session.make(rename('Mine', 'Test'));
    session.make(note('mine', ''));
    await quiet(session);
    await bench.act(rename('Theirs', 'Mine'));
    await bench.act(note('theirs', 'mine'));
    await session.pull();
    session.undo();
    session.undo();
    const [message, ...more] = session.getState().messages;
    expect(more).toEqual([]);
    expect(message).toMatchObject({
      sentence: expect.stringContaining('was changed since'),
      offer: { title: expect.stringMatching(/^Undo instead: Add SRV1, /) },
    });
    if (message === undefined) throw new Error('Nothing was said.');
    session.take(message);
    await quiet(session);
    expect(refs(await bench.aircraft())).toEqual([]);
    expect(session.getState()).toMatchObject({ messages: [], undo: [{}, {}], redo: [{}] });
    session.redo();
    await quiet(session);
    expect(refs(await bench.aircraft())).toEqual(['SRV1']);
  });

  it('of an edit that turns out not to be possible takes back both: nothing is asked that was taken back', async () => {
    const { session, retry } = await bench.open();
    bench.network = 'down';
    session.make(rename('Mine', 'Test'));
    session.undo();
    await quiet(session);
    await bench.act(rename('Theirs', 'Test'));
    bench.network = 'up';
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ pending: 0, conflicts: [], messages: [], undo: [], redo: [] });
    await expectSame(session);
  });
});

describe('a workshop that was restored', () => {
  it('is noticed: unsent edits are made again on what is there, the person is told, and nothing runs in circles', async () => {
    const { session, retry } = await bench.open();
    session.make(addition(1));
    await quiet(session);
    workshop.backUp(`early-${bench.id}`);
    session.make(addition(2));
    session.make(addition(3));
    await quiet(session);
    bench.network = 'down';
    session.make(addition(4));
    await quiet(session);
    await workshop.restore(`early-${bench.id}`);
    await bench.act(addition(9, 'SRV2'));
    await bench.act(rename('After the restore', 'Test'));
    bench.network = 'up';
    bench.asked.length = 0;
    retry();
    await quiet(session);
    expect(bench.asked).toEqual(['edits', bench.id, 'arrived', 'edits']);
    expect(sentences(session)[0]).toBe(
      'The workshop was restored from a backup: this window shows the restored aircraft. Your unsent edit was made again on it.',
    );
    expect(refs(await bench.aircraft())).toEqual(['SRV1', 'SRV2', 'SRV4']);
    await expectSame(session);
  });

  it('is noticed by a window that only looks, also when the numbers are the same', async () => {
    workshop.backUp(`empty-${bench.id}`);
    const { session } = await bench.open();
    session.make(rename('Lost by the restore', 'Test'));
    await quiet(session);
    await workshop.restore(`empty-${bench.id}`);
    await bench.act(note('another document', ''));
    await session.pull();
    await quiet(session);
    expect(session.getState()).toMatchObject({ version: 1, design: { aircraft: { name: 'Test', note: 'another document' } } });
    await expectSame(session);
  });

  it('does not ask about an edit that the backup holds, though its answer had been lost', async () => {
    const { session, retry } = await bench.open();
    bench.network = 'answers lost';
    session.make(rename('Mine', 'Test'));
    await quiet(session);
    workshop.backUp(`mine-${bench.id}`);
    await workshop.restore(`mine-${bench.id}`);
    bench.network = 'up';
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ pending: 0, conflicts: [] });
    expect(await bench.titles()).toHaveLength(1);
    await expectSame(session);
  });
});

describe('a server that gives no sense', () => {
  it('and wants the document loaded anew each time is not asked without a pause', async () => {
    const { session, retry } = await bench.open();
    const other = { is: 'other-document', epoch: 'e' };
    bench.instead = ({ address }) =>
      address.endsWith('/edits') ? Response.json(other, { headers: { 'wired-falcon-epoch': 'e' } }) : undefined;
    session.make(addition(1));
    await quiet(session);
    expect(bench.asked.length).toBeLessThan(12);
    expect(session.getState()).toMatchObject({ saving: 'waiting', pending: 1 });
    bench.instead = () => undefined;
    retry();
    await quiet(session);
    expect(session.getState()).toMatchObject({ saving: 'saved', pending: 0 });
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
    workshop.know(own);
    const { session } = await bench.open();
    expect(session.make(add)).toMatchObject({ refused: { code: 'unknown-part' } });
    const { seq } = session.getState();
    session.learn({ parts: [own, sample], dialects: [] });
    expect(session.getState()).toMatchObject({ seq: seq + 1, last: { is: 'reset' } });
    session.learn({ parts: [own], dialects: [] });
    expect(session.getState().seq).toBe(seq + 1);
    expect(session.make(add)).toMatchObject({ title: expect.stringContaining('FC1') });
    await quiet(session);
    expect(Object.keys((await bench.aircraft()).items)).toEqual(['own1']);
  });

  it('comes with an edit of another window that names it, and edits made here meanwhile stay', async () => {
    workshop.know(own);
    const [mine, theirs] = [await bench.open('me'), await bench.open('other')];
    theirs.session.learn({ parts: [own], dialects: [] });
    theirs.session.make(add);
    await quiet(theirs.session);
    mine.session.make(note('mine', ''));
    await quiet(mine.session);
    const { design, pending, version } = mine.session.getState();
    expect(design.aircraft.note).toBe('mine');
    expect(design.parts.get(partKeyOf(own))).toEqual(own);
    expect([pending, version]).toEqual([0, 2]);
    expect(catalogue.has(partKeyOf(own))).toBe(false);
    await expectSame(mine.session);
  });
});
