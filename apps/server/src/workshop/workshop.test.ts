import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MikroORM, type SqlEntityManager } from '@mikro-orm/libsql';
import { asId, shipped, newAircraft, type AircraftId } from '@wired-falcon/core';
import { isUniqueViolation } from '../database/fastWriter.ts';
import { ormOptions } from '../database/ormOptions.ts';
import { AircraftTable, JournalTable, PartTable, PieceTable, SnapshotTable } from '../database/tables.ts';
import { AircraftQueue } from './aircraftQueue.ts';
import { CommitGroup, type Commit } from './commitGroup.ts';
import { DesignCache } from './designCache.ts';

describe('the queue of an aircraft', () => {
  const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

  it('keeps the order of asking, whatever each task takes', async () => {
    const queue = new AircraftQueue();
    const done: number[] = [];
    await Promise.all([8, 1, 4].map((ms, i) => queue.run('a', () => pause(ms).then(() => done.push(i)))));
    expect(done).toEqual([0, 1, 2]);
  });

  it('goes on after a task that failed, and tells only its asker', async () => {
    const queue = new AircraftQueue();
    const first = queue.run('a', () => Promise.reject(new Error('no')));
    const second = queue.run('a', () => Promise.resolve('yes'));
    await expect(first).rejects.toThrow('no');
    await expect(second).resolves.toBe('yes');
  });

  it('lets two aircraft go side by side', async () => {
    const queue = new AircraftQueue();
    const done: string[] = [];
    let release = (): void => undefined;
    const blocked = queue.run('a', () => new Promise<void>((resolve) => (release = resolve)).then(() => done.push('a')));
    await queue.run('b', () => Promise.resolve(done.push('b')));
    release();
    await blocked;
    expect(done).toEqual(['b', 'a']);
  });
});

describe('the cache of designs', () => {
  it('keeps those that were asked for last', () => {
    const cache = new DesignCache();
    const id = (n: number): AircraftId => asId<AircraftId>(`a${n}`);
    const current = (n: number) => ({ design: { aircraft: newAircraft(id(n), 'x'), ...shipped }, version: n, updatedAt: '' });
    for (let n = 0; n < 50; n++) cache.put(id(n), current(n));
    expect(cache.get(id(0))?.version).toBe(0);
    cache.put(id(50), current(50));
    expect(cache.get(id(1))).toBeUndefined();
    expect(cache.get(id(0))?.version).toBe(0);
    cache.drop(id(0));
    expect(cache.get(id(0))).toBeUndefined();
  });
});

describe('a group of commits', () => {
  let folder: string;
  let orm: MikroORM;
  let em: SqlEntityManager;
  let group: CommitGroup;

  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'wired-falcon-commits-'));
    orm = await MikroORM.init(ormOptions(join(folder, 'test.db')));
    await orm.migrator.up();
    em = orm.em.fork();
    group = new CommitGroup(em);
    for (const id of ['a', 'b', 'c']) {
      await em.insert(AircraftTable, { id, name: id, version: 0, schema: 1, createdAt: 't0', updatedAt: 't0' });
    }
  });

  afterEach(async () => {
    group.onModuleDestroy();
    await orm.close(true);
    rmSync(folder, { recursive: true, force: true });
  });

  function commitOf(aircraft: string, from: number, editId = `e${aircraft}${from}`): Commit {
    const row = {
      aircraft,
      version: from + 1,
      editId,
      author: 'me',
      at: 't1',
      schema: 1,
      title: 't',
      edit: '{}',
      inverse: '{}',
      undoOf: null,
    };
    return {
      aircraft,
      from,
      to: from + 1,
      name: aircraft,
      schema: 1,
      pieces: [
        { path: '', content: `{"v":${from + 1}}` },
        { path: 'items/gone', content: from === 0 ? '{}' : undefined },
      ],
      updatedAt: 't1',
      rows: [row],
      kept: [],
      snapshot: undefined,
    };
  }

  async function state(): Promise<Record<string, { version: number; rows: number }>> {
    const fresh = em.fork();
    const aircraft = await fresh.find(AircraftTable, {}, { orderBy: { id: 'asc' } });
    const entries = aircraft.map(
      async (row) => [row.id, { version: row.version, rows: await fresh.count(JournalTable, { aircraft: row.id }) }] as const,
    );
    return Object.fromEntries(await Promise.all(entries));
  }

  it('brings rows, document, parts and snapshot to the disk together', async () => {
    const snapshot = { aircraft: 'a', version: 1, schema: 1, content: Buffer.from('x') };
    await group.commit({ ...commitOf('a', 0), kept: [{ table: 'part', key: 'p', content: '{}' }], snapshot });
    const fresh = em.fork();
    const pieces = async () => (await em.fork().find(PieceTable, { aircraft: 'a' })).map(({ path, content }) => [path, content]);
    expect(await pieces()).toEqual([
      ['', '{"v":1}'],
      ['items/gone', '{}'],
    ]);
    expect(await fresh.count(PartTable)).toBe(1);
    expect(await fresh.count(SnapshotTable)).toBe(1);
    expect((await state())['a']).toEqual({ version: 1, rows: 1 });
    await group.commit(commitOf('a', 1));
    expect(await pieces()).toEqual([['', '{"v":2}']]);
  });

  it('is not spoiled by one that cannot be made: the others are kept, of the bad one nothing', async () => {
    const results = await Promise.allSettled([
      group.commit(commitOf('a', 0)),
      group.commit(commitOf('b', 7)),
      group.commit(commitOf('c', 0)),
    ]);
    expect(results.map((result) => result.status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
    expect(await state()).toEqual({ a: { version: 1, rows: 1 }, b: { version: 0, rows: 0 }, c: { version: 1, rows: 1 } });
  });

  it('refuses the same edit twice, recognisably', async () => {
    await group.commit(commitOf('a', 0, 'same'));
    const again: unknown = await group.commit(commitOf('a', 1, 'same')).catch((error: unknown) => error);
    expect(isUniqueViolation(again)).toBe(true);
    expect((await state())['a']).toEqual({ version: 1, rows: 1 });
  });

  it('takes the same edit id for another aircraft', async () => {
    await Promise.all([group.commit(commitOf('a', 0, 'same')), group.commit(commitOf('b', 0, 'same'))]);
    expect(await state()).toMatchObject({ a: { version: 1 }, b: { version: 1 } });
  });

  it('goes on after a failure', async () => {
    await expect(group.commit(commitOf('a', 5))).rejects.toThrow('no longer at version 5');
    await group.commit(commitOf('a', 0));
    expect((await state())['a']).toEqual({ version: 1, rows: 1 });
  });

  it('refuses rows of an aircraft that is not there', async () => {
    await expect(group.commit(commitOf('z', 0))).rejects.toThrow();
  });
});
