import { openDB, type DBSchema, type IDBPDatabase, type IDBPObjectStore } from 'idb';
import type { AircraftId } from '@wired-falcon/core';
import type { AircraftResponse } from '@wired-falcon/contract';
import type { SetAside } from './setAside.ts';
import type { SubmittedEdit } from './transport.ts';

/** What one session has not got acknowledged yet. */
export interface PendingRecord {
  readonly aircraft: AircraftId;
  /** The session that wrote this; see `holdSession`. */
  readonly session: string;
  readonly author: string;
  /** The newest version that the session had seen when it wrote this, and the epoch that it counts in. */
  readonly epoch: string;
  readonly version: number;
  readonly edits: readonly SubmittedEdit[];
  /** Edits that could not be made, and about which the person was not asked to the end yet. */
  readonly aside: readonly SetAside[];
}

/** A document as this browser saw it last. */
export interface DocumentCopy {
  readonly aircraft: AircraftId;
  readonly author: string;
  readonly savedAt: string;
  /** What was kept by a product of schema 9 or before has no dialects. */
  readonly loaded: Omit<AircraftResponse, 'dialects'> & Partial<Pick<AircraftResponse, 'dialects'>>;
}

/** The record of a session before documents had epochs. */
interface FirstRecord {
  readonly aircraft: AircraftId;
  readonly session: string;
  readonly author: string;
  readonly version: number;
  readonly edits: readonly Omit<SubmittedEdit, 'schema'>[];
  readonly asked: readonly Omit<SubmittedEdit, 'schema'>[];
}

interface Schema extends DBSchema {
  pending: { key: [string, string]; value: PendingRecord; indexes: { aircraft: string } };
  copies: { key: string; value: DocumentCopy };
}

/** The version of the document's shape when records did not say theirs. */
const SCHEMA_OF_FIRST_RECORDS = 7;

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The browser's own database. Where it cannot be opened, the next call tries again. */
export function browserStore(): Promise<IDBPDatabase<Schema>> {
  opened ??= openStore().catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
}

function openStore(): Promise<IDBPDatabase<Schema>> {
  return openDB<Schema>('wired-falcon-edits', 2, {
    upgrade: (db, from, _to, transaction) => {
      if (from < 1) db.createObjectStore('pending', { keyPath: ['aircraft', 'session'] }).createIndex('aircraft', 'aircraft');
      db.createObjectStore('copies', { keyPath: 'aircraft' });
      if (from === 1) void rewriteFirstRecords(transaction.objectStore('pending'));
    },
    // A newer build in another window wants to change the database: this window lets go of it, and opens it again when it writes next.
    blocking: (_from, _to, event) => {
      opened = undefined;
      if (event.target instanceof IDBDatabase) event.target.close();
    },
    terminated: () => (opened = undefined),
  });
}

/** Within the transaction that changes the database: what fails here fails it, and the records stay as they were. */
async function rewriteFirstRecords(pending: FirstPending): Promise<void> {
  for (const record of await pending.getAll()) if (isFirst(record)) await pending.put(fromFirst(record));
}

type FirstPending = IDBPObjectStore<Schema, ('pending' | 'copies')[], 'pending', 'versionchange'>;

function isFirst(record: object): record is FirstRecord {
  return 'asked' in record;
}

function fromFirst({ asked, edits, ...rest }: FirstRecord): PendingRecord {
  const withSchema = (edit: Omit<SubmittedEdit, 'schema'>): SubmittedEdit => ({ ...edit, schema: SCHEMA_OF_FIRST_RECORDS });
  return { ...rest, epoch: '', edits: edits.map(withSchema), aside: asked.map((edit) => ({ submitted: withSchema(edit) })) };
}
