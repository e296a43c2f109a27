import { describe, expect, it } from '@jest/globals';
import { gunzipSync } from 'node:zlib';
import { MikroORM } from '@mikro-orm/core';
import type { ErrorResponse } from '@wired-falcon/contract';
import { configFrom } from './config.ts';
import { ormOptions } from './database/ormOptions.ts';
import { HEAD } from './database/documentPieces.ts';
import { AircraftTable, JournalTable, PieceTable, SnapshotTable } from './database/tables.ts';
import { noteEdit, submitted, TestServer } from './test/testServer.ts';

async function withDatabase<T>(file: string, look: (orm: MikroORM) => Promise<T>): Promise<T> {
  const orm = await MikroORM.init(ormOptions(file));
  try {
    return await look(orm);
  } finally {
    await orm.close(true);
  }
}

describe('the database', () => {
  it('is in WAL with full sync and foreign keys', async () => {
    const server = await TestServer.start();
    const values = await withDatabase(server.databaseFile, async (orm) => {
      const connection = orm.em.fork().getConnection();
      const names = ['journal_mode', 'synchronous', 'foreign_keys'];
      const read = (name: string): Promise<unknown> => connection.execute(`PRAGMA ${name}`);
      return Promise.all(names.map(read));
    });
    expect(values).toEqual([[{ journal_mode: 'wal' }], [{ synchronous: 2 }], [{ foreign_keys: 1 }]]);
    await server.stop();
  });

  it('holds journal rows that take back what they did, and a snapshot every 200 versions', async () => {
    const server = await TestServer.start();
    const id = await server.create('Long');
    for (let version = 0; version < 200; version += 50) {
      const edits = Array.from({ length: 50 }, (_, i) =>
        submitted(`e${version + i}`, noteEdit(`n${version + i}`, version + i === 0 ? '' : `n${version + i - 1}`)),
      );
      expect((await server.edit(id, version, edits)).body).toMatchObject({ is: 'done', version: version + 50 });
    }
    await withDatabase(server.databaseFile, async (orm) => {
      const em = orm.em.fork();
      const row = await em.findOneOrFail(JournalTable, { aircraft: id, version: 2 });
      expect(JSON.parse(row.inverse)).toMatchObject({ kind: 'put-back', changes: [{ path: ['note'], was: 'n1', now: 'n0' }] });
      const snapshots = await em.find(SnapshotTable, { aircraft: id });
      expect(snapshots.map((snapshot) => snapshot.version)).toEqual([200]);
      expect(JSON.parse(gunzipSync(snapshots[0]?.content ?? Buffer.alloc(0)).toString())).toMatchObject({ note: 'n199' });
    });
    await server.stop();
  });

  it('keeps a document of a newer product untouched, refuses it in a sentence, and still shows the others', async () => {
    const server = await TestServer.start();
    const id = await server.create('From the future');
    await server.create('Of today');
    await withDatabase(server.databaseFile, (orm) =>
      orm.em.transactional(async (em) => {
        await em.nativeUpdate(AircraftTable, { id }, { schema: 99, version: 5 });
        await em.nativeUpdate(PieceTable, { aircraft: id, path: HEAD }, { content: '{"schema":99,"secret":1}' });
      }),
    );
    await server.restart();
    const { status, body } = await server.ask<ErrorResponse>('GET', `/api/aircraft/${id}?author=me`);
    expect([status, body.code]).toEqual([409, 'cannot-open']);
    expect(body.message).toContain('newer version of the product');
    const refused = await server.edit(id, 5, [submitted('e1', noteEdit('x', ''))]);
    expect(refused.status).toBe(409);
    expect((await server.hangar()).map(({ name, checked }) => [name, checked.is]).sort()).toEqual([
      ['From the future', 'problem'],
      ['Of today', 'checked'],
    ]);
    const kept = await withDatabase(server.databaseFile, (orm) => orm.em.fork().find(PieceTable, { aircraft: id }));
    expect(kept.find((piece) => piece.path === HEAD)?.content).toBe('{"schema":99,"secret":1}');
    await server.stop();
  });
});

describe('the configuration', () => {
  it('has defaults on loopback, and refuses to listen beyond it', () => {
    expect(configFrom({})).toMatchObject({ host: '127.0.0.1', demo: false });
    expect(() => configFrom({ WF_HOST: '0.0.0.0' })).toThrow('Set WF_ACCESS_KEY too');
    expect(() => configFrom({ WF_PORT: 'many' })).toThrow('should be a port number');
  });
});
