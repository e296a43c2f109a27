import { existsSync, renameSync, rmSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import Database from 'libsql';
import { EPOCH } from '../database/tables.ts';
import { makeId } from '../workshop/makeId.ts';
import { isInUse } from './inUse.ts';

/** Why something was not done, as a sentence for the person who asked for it. */
export class CannotKeep extends Error {}

/**
 * Copies a workshop as it stands at this moment into one file, also while the server works on it.
 * @returns what was written and how large it is
 * @throws CannotKeep with a sentence
 */
export function backUp(databaseFile: string, target: string): { readonly file: string; readonly bytes: number; readonly aircraft: number } {
  const file = resolve(target);
  if (!existsSync(databaseFile)) throw new CannotKeep(`There is no workshop at ${databaseFile}. Set WF_DATA to the folder that holds it.`);
  if (existsSync(file)) throw new CannotKeep(`${file} is there already and is left as it is. Choose another name.`);
  const partial = `${file}.partial`;
  rmSync(partial, { force: true });
  const source = new Database(databaseFile, { readonly: true });
  try {
    source.prepare('VACUUM INTO ?').run(partial);
  } finally {
    source.close();
  }
  const aircraft = aircraftIn(partial);
  renameSync(partial, file);
  return { file, bytes: statSync(file).size, aircraft };
}

/**
 * Puts a backup in the place of a workshop. The workshop that was there is kept beside it.
 * @returns how many aircraft it holds, and where the earlier workshop went
 * @throws CannotKeep with a sentence; then nothing was changed
 */
export function restore(
  backup: string,
  databaseFile: string,
  now: Date,
): { readonly aircraft: number; readonly earlier: string | undefined } {
  const file = resolve(backup);
  if (!existsSync(file)) throw new CannotKeep(`There is no file ${file}.`);
  const aircraft = aircraftIn(file);
  if (isInUse(databaseFile)) throw new CannotKeep('The workshop is in use. Stop the server first, then restore.');
  const incoming = `${databaseFile}.incoming`;
  rmSync(incoming, { force: true });
  const source = new Database(file, { readonly: true });
  try {
    source.prepare('VACUUM INTO ?').run(incoming);
  } finally {
    source.close();
  }
  beginEpoch(incoming);
  let earlier: string | undefined;
  if (existsSync(databaseFile)) {
    earlier = `${databaseFile}.before-${now.toISOString().replaceAll(/[:.]/g, '-')}`;
    // The log belongs to the file: what a killed server left in it goes along.
    for (const end of ['', '-wal', '-shm'])
      if (existsSync(`${databaseFile}${end}`)) renameSync(`${databaseFile}${end}`, `${earlier}${end}`);
  }
  renameSync(incoming, databaseFile);
  return { aircraft, earlier };
}

/** Gives a workshop a new epoch, so that windows that have seen more than it holds can tell. */
function beginEpoch(file: string): void {
  const database = new Database(file);
  try {
    // A backup of an older version of the product may not have the table yet.
    database.exec('create table if not exists workshop (name text primary key, value text not null) strict, without rowid');
    database.prepare('insert or replace into workshop (name, value) values (?, ?)').run(EPOCH, makeId());
  } finally {
    database.close();
  }
}

/** How many aircraft a file holds, after it was looked through; a file that is not whole is refused. */
function aircraftIn(file: string): number {
  try {
    const database = new Database(file, { readonly: true });
    try {
      const whole = database.prepare('PRAGMA integrity_check').get();
      if (!isRow(whole) || Object.values(whole)[0] !== 'ok') throw new Error('not whole');
      const counted = database.prepare('select count(*) as count from aircraft').get();
      return isRow(counted) && typeof counted['count'] === 'number' ? counted['count'] : 0;
    } finally {
      database.close();
    }
  } catch {
    throw new CannotKeep(`${file} is not a whole workshop file. Choose a file that "npm run backup" wrote.`);
  }
}

function isRow(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null;
}
