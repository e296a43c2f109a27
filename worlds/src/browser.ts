import type { AircraftResponse } from '@wired-falcon/contract';
import type { AircraftId } from '@wired-falcon/core';
import type { PendingRecord } from '../../apps/web/src/session/browserStore.ts';
import type { PendingStore } from '../../apps/web/src/session/pendingStore.ts';

/** What is to be written, in order, as the database of a browser does it. */
interface Writing {
  readonly by: string;
  readonly apply: () => void;
  readonly resolve: () => void;
  readonly reject: (error: Error) => void;
}

/** The database of one browser, in which each write is a step of the world. */
export class BrowserStore {
  /** A full disk, or a private window. */
  isFull = false;
  readonly records = new Map<string, PendingRecord>();
  readonly alive = new Set<string>();
  copy: AircraftResponse | undefined;
  #writings: Writing[] = [];

  get isQuiet(): boolean {
    return this.#writings.length === 0;
  }

  /** Writes what is to be written first. */
  step(): void {
    const [first, ...rest] = this.#writings;
    this.#writings = rest;
    if (first === undefined) return;
    if (this.isFull) return first.reject(new Error('The disk is full.'));
    first.apply();
    first.resolve();
  }

  /** A window is gone: its writes that were not begun may be gone with it. */
  crash(session: string, isLost: boolean): void {
    this.alive.delete(session);
    if (isLost) this.#writings = this.#writings.filter(({ by }) => by !== session);
  }

  /** The store as one window sees it. */
  seenBy(session: string): PendingStore {
    const write = (apply: () => void): Promise<void> =>
      new Promise((resolve, reject) => this.#writings.push({ by: session, apply, resolve, reject }));
    return {
      save: (record) =>
        write(() => {
          const copy = structuredClone(record);
          if (record.edits.length + record.aside.length === 0) this.records.delete(record.session);
          else this.records.set(record.session, copy);
        }),
      takeUp: (_aircraft: AircraftId, author) =>
        Promise.resolve(
          structuredClone([...this.records.values()].filter((record) => record.author === author && !this.alive.has(record.session))),
        ),
      forget: (records) => write(() => records.forEach((record) => this.records.delete(record.session))),
    };
  }
}
