import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { AircraftId } from '@wired-falcon/core';
import type { SubmittedEdit } from './transport.ts';

/** What one session has not got acknowledged yet. */
export interface PendingRecord {
  readonly aircraft: AircraftId;
  /** The session that wrote this; see `holdSession`. */
  readonly session: string;
  readonly author: string;
  /** The newest version that the session had seen when it wrote this. */
  readonly version: number;
  readonly edits: readonly SubmittedEdit[];
  /** Edits that could not be made on what others did, and about which the person was not asked to the end yet. */
  readonly asked: readonly SubmittedEdit[];
}

/** Where unsent edits outlive their session, be its window closed or only gone to another page. */
export interface PendingStore {
  readonly save: (record: PendingRecord) => Promise<void>;
  /** The queues of sessions that are gone, oldest edit first. */
  readonly takeUp: (aircraft: AircraftId, author: string) => Promise<readonly PendingRecord[]>;
  readonly forget: (records: readonly PendingRecord[]) => Promise<void>;
}

interface Schema extends DBSchema {
  pending: { key: [string, string]; value: PendingRecord; indexes: { aircraft: string } };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('wired-falcon-edits', 1, {
    upgrade: (db) => {
      db.createObjectStore('pending', { keyPath: ['aircraft', 'session'] }).createIndex('aircraft', 'aircraft');
    },
  });
  return opened;
}

/** The browser's own database. Held through a lock as long as its session lives, a queue is nobody else's. */
export const browserPendingStore: PendingStore = {
  save: async (record) => {
    const db = await database();
    if (record.edits.length + record.asked.length === 0) await db.delete('pending', [record.aircraft, record.session]);
    else await db.put('pending', record);
  },
  takeUp: async (aircraft, author) => {
    const db = await database();
    const records = await db.getAllFromIndex('pending', 'aircraft', aircraft);
    const alive = await sessionsAlive();
    return records
      .filter((record) => record.author === author && !alive.has(record.session))
      .sort((a, b) => (firstAt(a) < firstAt(b) ? -1 : 1));
  },
  forget: async (records) => {
    const db = await database();
    await Promise.all(records.map((record) => db.delete('pending', [record.aircraft, record.session])));
  },
};

function firstAt({ edits, asked }: PendingRecord): string {
  return (edits[0] ?? asked[0])?.at ?? '';
}

const LOCK = 'wired-falcon-session-';
const aliveHere = new Set<string>();
const endedHere = new Set<string>();

/** Tells every window that a session lives, until what this gives is called or the window is gone. */
export function holdSession(session: string): () => void {
  aliveHere.add(session);
  let end: () => void = () => undefined;
  const ended = new Promise<void>((resolve) => (end = resolve));
  // Without locks (an address that the browser does not trust) other windows' queues can be taken up: the server makes no edit twice.
  void lockManager()?.request(`${LOCK}${session}`, () => ended);
  return () => {
    aliveHere.delete(session);
    endedHere.add(session);
    end();
  };
}

/** Browsers give locks only at addresses that they trust. */
function lockManager(): LockManager | undefined {
  return 'locks' in navigator ? navigator.locks : undefined;
}

async function sessionsAlive(): Promise<ReadonlySet<string>> {
  const held = (await lockManager()?.query())?.held ?? [];
  const elsewhere = held.flatMap(({ name }) => (name?.startsWith(LOCK) === true ? [name.slice(LOCK.length)] : []));
  // A lock is given back a moment after its session has ended; what ended in this window is known at once.
  return new Set([...aliveHere, ...elsewhere.filter((session) => !endedHere.has(session))]);
}
