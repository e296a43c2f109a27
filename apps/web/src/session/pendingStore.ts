import type { AircraftId } from '@wired-falcon/core';
import { browserStore, type PendingRecord } from './browserStore.ts';
import { sessionsAlive } from './sessionsAlive.ts';

/** Where unsent edits outlive their session, be its window closed or only gone to another page. Each rejects where the browser has no such place. */
export interface PendingStore {
  readonly save: (record: PendingRecord) => Promise<void>;
  /** The queues of sessions that are gone, oldest edit first. */
  readonly takeUp: (aircraft: AircraftId, author: string) => Promise<readonly PendingRecord[]>;
  readonly forget: (records: readonly PendingRecord[]) => Promise<void>;
}

export const browserPendingStore: PendingStore = {
  save: async (record) => {
    const db = await browserStore();
    if (record.edits.length + record.aside.length === 0) await db.delete('pending', [record.aircraft, record.session]);
    else await db.put('pending', record);
  },
  takeUp: async (aircraft, author) => {
    const db = await browserStore();
    const records = (await db.getAllFromIndex('pending', 'aircraft', aircraft)).filter((record) => record.author === author);
    if (records.length === 0) return [];
    const alive = await sessionsAlive();
    return records.filter((record) => !alive.has(record.session)).sort((a, b) => (firstAt(a) < firstAt(b) ? -1 : 1));
  },
  forget: async (records) => {
    const db = await browserStore();
    await Promise.all(records.map((record) => db.delete('pending', [record.aircraft, record.session])));
  },
};

function firstAt({ edits, aside }: PendingRecord): string {
  return (edits[0] ?? aside[0]?.submitted)?.at ?? '';
}
