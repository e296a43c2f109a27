import { describe, expect, it } from '@jest/globals';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MikroORM } from '@mikro-orm/core';
import fc from 'fast-check';
import { changedPieces, documentFrom, HEAD, type Piece } from './documentPieces.ts';
import { migrations } from './migrations.ts';
import { ormOptions } from './ormOptions.ts';
import { PieceTable } from './tables.ts';

const key = fc.stringMatching(/^[a-z_/.'"]{1,6}$/);
const scalar = fc.oneof(fc.integer(), fc.string(), fc.boolean(), fc.constant(null), fc.array(fc.integer(), { maxLength: 2 }));
const collection = fc.dictionary(key, fc.oneof(scalar, fc.dictionary(key, scalar, { maxKeys: 2 })), { maxKeys: 5 });
const documents = fc.dictionary(fc.stringMatching(/^[a-z]{1,4}$/), fc.oneof(scalar, collection), { maxKeys: 6 });

function write(stored: ReadonlyMap<string, string>, changes: ReturnType<typeof changedPieces>): Map<string, string> {
  const after = new Map(stored);
  for (const { path, content } of changes) {
    if (content === undefined) after.delete(path);
    else after.set(path, content);
  }
  return after;
}

function read(stored: ReadonlyMap<string, string>) {
  return documentFrom([...stored].map(([path, content]): Piece => ({ path, content })));
}

describe('a document in pieces', () => {
  it('comes back as it was, and after any change as it then is', () => {
    fc.assert(
      fc.property(documents, documents, (before, after) => {
        const first = write(new Map(), changedPieces(undefined, before));
        expect(read(first)).toEqual(before);
        expect(read(write(first, changedPieces(before, after)))).toEqual(after);
      }),
    );
  });

  it('writes only what changed', () => {
    const kept = { name: 'kept' };
    const before = { name: 'A', items: { a: kept, b: { n: 1 }, c: { n: 1 } }, cables: { w: kept } };
    expect(changedPieces(before, { ...before })).toEqual([]);
    expect(changedPieces(before, { ...before, items: { a: kept, b: { n: 2 } } })).toEqual([
      { path: 'items/b', content: '{"n":2}' },
      { path: 'items/c', content: undefined },
    ]);
    expect(changedPieces(before, { ...before, name: 'B' })).toEqual([{ path: HEAD, content: '{"name":"B","items":{},"cables":{}}' }]);
  });

  it('says so when its head is missing', () => {
    expect(() => documentFrom([{ path: 'items/a', content: '{}' }])).toThrow('has no head');
  });

  it('is what a database of the first tables becomes', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-migration-'));
    const orm = await MikroORM.init(ormOptions(join(folder, 'old.db')));
    await orm.migrator.up({ to: '0001-first-tables' });
    const document = {
      schema: 1,
      name: 'It\'s "old"',
      note: 'ä\n',
      items: { a: { list: [1, { x: null }], on: true } },
      cables: {},
      issued: { SRV: 3 },
    };
    await orm.em
      .fork()
      .getConnection()
      .execute('insert into aircraft values (?, ?, 3, 1, ?, ?, ?)', ['old', 'Old', JSON.stringify(document), 't0', 't1']);
    await orm.migrator.up();
    const pieces = await orm.em.fork().find(PieceTable, { aircraft: 'old' });
    expect(documentFrom(pieces)).toEqual(document);
    expect(await orm.em.fork().getConnection().execute('select id, version, updated_at from aircraft')).toEqual([
      { id: 'old', version: 3, updated_at: 't1' },
    ]);
    expect(migrations.map((migration) => migration.name)).toEqual([...migrations.map((migration) => migration.name)].sort());
    await orm.close(true);
    rmSync(folder, { recursive: true, force: true });
  });
});
