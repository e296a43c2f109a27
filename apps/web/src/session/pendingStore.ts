import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { AircraftId } from '@wired-falcon/core';
import type { SubmittedEdit } from './transport.ts';

/** What one window has not got acknowledged yet for one aircraft. */
export interface PendingRecord {
  readonly aircraft: AircraftId;
  readonly window: string;
  readonly author: string;
  /** The newest version that the window had seen when it wrote this. */
  readonly version: number;
  readonly edits: readonly SubmittedEdit[];
  /** Edits that could not be made on what others did, and about which the person was not asked to the end yet. */
  readonly asked: readonly SubmittedEdit[];
}

/** Where unsent edits outlive their window. A test gives its own. */
export interface PendingStore {
  readonly save: (record: PendingRecord) => Promise<void>;
  /** The queues of windows that are gone, oldest edit first; from then on they are this window's to save. */
  readonly takeUp: (aircraft: AircraftId, author: string, window: string) => Promise<readonly PendingRecord[]>;
  readonly forget: (records: readonly PendingRecord[]) => Promise<void>;
}

interface Schema extends DBSchema {
  pending: { key: [string, string]; value: PendingRecord; indexes: { aircraft: string } };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('wired-falcon', 1, {
    upgrade: (db) => {
      db.createObjectStore('pending', { keyPath: ['aircraft', 'window'] }).createIndex('aircraft', 'aircraft');
    },
  });
  return opened;
}

/** The browser's own database. Held through a lock as long as its window lives, a queue is nobody else's. */
export const browserPendingStore: PendingStore = {
  save: async (record) => {
    const db = await database();
    if (record.edits.length + record.asked.length === 0) await db.delete('pending', [record.aircraft, record.window]);
    else await db.put('pending', record);
  },
  takeUp: async (aircraft, author, window) => {
    const db = await database();
    const records = await db.getAllFromIndex('pending', 'aircraft', aircraft);
    const alive = await windowsAlive();
    return records
      .filter((record) => record.author === author && record.window !== window && !alive.has(record.window))
      .sort((a, b) => (firstAt(a) < firstAt(b) ? -1 : 1));
  },
  forget: async (records) => {
    const db = await database();
    await Promise.all(records.map((record) => db.delete('pending', [record.aircraft, record.window])));
  },
};

function firstAt({ edits, asked }: PendingRecord): string {
  return (edits[0] ?? asked[0])?.at ?? '';
}

const LOCK = 'wired-falcon-window-';

/** Tells other windows that this one lives, for as long as it does. */
export function holdWindow(window: string): void {
  // Without locks (an address that the browser does not trust) every queue can be taken up: the server makes no edit twice.
  void lockManager()?.request(`${LOCK}${window}`, () => new Promise(() => undefined));
}

/** Browsers give locks only at addresses that they trust. */
function lockManager(): LockManager | undefined {
  return 'locks' in navigator ? navigator.locks : undefined;
}

async function windowsAlive(): Promise<ReadonlySet<string>> {
  const held = (await lockManager()?.query())?.held ?? [];
  return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) === true ? [name.slice(LOCK.length)] : [])));
}
