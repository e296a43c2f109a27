import { describe, expect, it } from '@jest/globals';
import { existsSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { HangarEntry } from '@wired-falcon/contract';
import { noteEdit, submitted, TestServer } from '../test/testServer.ts';
import { backUp, restore } from './backup.ts';

describe('backup and restore', () => {
  it('bring a workshop back as it was, with journal and undo, though the server went on meanwhile', async () => {
    const server = await TestServer.start(true);
    const id = await server.create('Kept');
    await server.edit(id, 0, [submitted('k1', noteEdit('as it was', ''))]);
    const file = join(server.folder, 'one.backup');
    const made = backUp(server.databaseFile, file);
    expect(made.aircraft).toBe(4);
    await server.edit(id, 1, [submitted('k2', noteEdit('gone on', 'as it was'))]);
    expect(() => restore(file, server.databaseFile, new Date(0))).toThrow('The workshop is in use. Stop the server first');
    expect((await server.load(id)).aircraft.note).toBe('gone on');

    const epoch = await server.epoch();
    await server.restart();
    expect(await server.epoch()).toBe(epoch);

    await server.pauseFor(() => {
      const back = restore(file, server.databaseFile, new Date(0));
      expect(back.aircraft).toBe(4);
      expect(existsSync(back.earlier ?? '')).toBe(true);
    });
    const { aircraft, version, epoch: after } = await server.load(id);
    expect([aircraft.note, version]).toEqual(['as it was', 1]);
    expect([after, after === epoch]).toEqual([await server.epoch(), false]);
    const undone = await server.edit(id, 1, [submitted('k3', { kind: 'undo', of: 'k1' as never })]);
    expect(undone.body.is).toBe('done');
    expect((await server.load(id)).aircraft.note).toBeUndefined();
    expect((await server.ask<HangarEntry[]>('GET', '/api/aircraft')).body).toHaveLength(4);
    await server.stop();
  });

  it('refuse what is no workshop, and what would write over a file, and leave nothing behind', async () => {
    const server = await TestServer.start();
    const bad = join(server.folder, 'bad.backup');
    writeFileSync(bad, 'hello');
    expect(() => restore(bad, server.databaseFile, new Date(0))).toThrow('is not a whole workshop file');
    expect(() => restore(join(server.folder, 'none'), server.databaseFile, new Date(0))).toThrow('There is no file');
    expect(() => backUp(server.databaseFile, bad)).toThrow('is there already and is left as it is');
    expect(() => backUp(join(server.folder, 'none.db'), join(server.folder, 'x'))).toThrow('There is no workshop at');
    expect(readdirSync(server.folder).filter((name) => name.includes('partial') || name.includes('incoming'))).toEqual([]);
    await server.stop();
  });
});
