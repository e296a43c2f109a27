import { EntityManager } from '@mikro-orm/core';
import type { SqlEntityManager } from '@mikro-orm/libsql';
import { Inject, Injectable, Logger, type OnModuleDestroy } from '@nestjs/common';
import { checkpoint, writeAtOnce, type RunStatement } from '../database/fastWriter.ts';
import type { PieceChange } from '../database/documentPieces.ts';
import type { JournalRow } from '../database/tables.ts';
import { keepRevision } from './keepRevision.ts';
import type { KeptRow } from './shelf.ts';

export type NewRow = Omit<JournalRow, 'id'>;

/** What one accepted request changes in the database: all of it or nothing. */
export interface Commit {
  readonly aircraft: string;
  /** The version that the document must still have. */
  readonly from: number;
  readonly to: number;
  readonly name: string;
  readonly schema: number;
  readonly pieces: readonly PieceChange[];
  readonly updatedAt: string;
  readonly rows: readonly NewRow[];
  readonly kept: readonly KeptRow[];
  readonly snapshot: { readonly aircraft: string; readonly version: number; readonly schema: number; readonly content: Buffer } | undefined;
}

interface Waiting {
  readonly commit: Commit;
  readonly resolve: () => void;
  readonly reject: (error: unknown) => void;
}

/**
 * Brings commits to the disk. Those that arrive while a transaction is under way share the next one, so that a burst of
 * people waits for few syncs. Each is acknowledged only when its transaction is on the disk; when a shared transaction
 * fails, each of its commits is tried alone, so that one cannot spoil another.
 */
@Injectable()
export class CommitGroup implements OnModuleDestroy {
  #waiting: Waiting[] = [];
  readonly #log = new Logger('Database');
  #isRunning = false;
  #quietTimer: NodeJS.Timeout | undefined;

  constructor(@Inject(EntityManager) private readonly em: SqlEntityManager) {}

  /** Resolves when the commit is on the disk. Rejects when it could not be made; then nothing of it was. */
  commit(commit: Commit): Promise<void> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ commit, resolve, reject });
      if (!this.#isRunning) void this.#run();
    });
  }

  async #run(): Promise<void> {
    this.#isRunning = true;
    clearTimeout(this.#quietTimer);
    while (this.#waiting.length > 0) {
      await everyoneWhoIsReady();
      const group = this.#waiting;
      this.#waiting = [];
      await this.#together(group);
    }
    this.#isRunning = false;
    this.#checkpointWhenQuiet();
  }

  #checkpointWhenQuiet(): void {
    clearTimeout(this.#quietTimer);
    this.#quietTimer = setTimeout(() => {
      if (this.#isRunning) return;
      checkpoint(this.em.fork()).catch((error: unknown) => this.#log.warn(`The log was not moved into the file: ${String(error)}`));
    }, QUIET_MS);
    this.#quietTimer.unref();
  }

  onModuleDestroy(): void {
    clearTimeout(this.#quietTimer);
  }

  async #together(group: readonly Waiting[]): Promise<void> {
    try {
      await this.#transaction(group.map(({ commit }) => commit));
      for (const { resolve } of group) resolve();
    } catch (error) {
      const [only] = group;
      if (group.length === 1 && only !== undefined) return only.reject(error);
      for (const waiting of group) await this.#together([waiting]);
    }
  }

  #transaction(commits: readonly Commit[]): Promise<void> {
    return writeAtOnce(this.em.fork(), (run) => {
      for (const commit of commits) write(run, commit);
    });
  }
}

/** Lets the requests that have arrived already be read first, so that they share the sync instead of queueing for it. */
function everyoneWhoIsReady(): Promise<void> {
  return new Promise((resolve) => setImmediate(resolve));
}

const QUIET_MS = 1000;

const ADD_ROW = `insert into journal (aircraft, version, edit_id, author, at, schema, title, edit, inverse, undo_of)
  values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`;
const SET_VERSION = 'update aircraft set version = ?, name = ?, schema = ?, updated_at = ? where id = ? and version = ?';
const SET_PIECE =
  'insert into piece (aircraft, path, content) values (?, ?, ?) on conflict (aircraft, path) do update set content = excluded.content';
const DROP_PIECE = 'delete from piece where aircraft = ? and path = ?';
const ADD_SNAPSHOT =
  'insert into snapshot (aircraft, version, schema, content) values (?, ?, ?, ?) on conflict (aircraft, version) do nothing';

function write(run: RunStatement, commit: Commit): void {
  const { aircraft, from, to, name, schema, pieces, updatedAt, kept, snapshot } = commit;
  for (const row of commit.rows) {
    run(
      ADD_ROW,
      row.aircraft,
      row.version,
      row.editId,
      row.author,
      row.at,
      row.schema,
      row.title,
      row.edit,
      row.inverse,
      row.undoOf ?? null,
    );
  }
  if (run(SET_VERSION, to, name, schema, updatedAt, aircraft, from) !== 1) {
    throw new Error(`The document of "${aircraft}" is no longer at version ${from}.`);
  }
  for (const { path, content } of pieces) {
    if (content === undefined) run(DROP_PIECE, aircraft, path);
    else run(SET_PIECE, aircraft, path, content);
  }
  for (const row of kept) keepRevision(run, row);
  if (snapshot !== undefined) run(ADD_SNAPSHOT, snapshot.aircraft, snapshot.version, snapshot.schema, snapshot.content);
}
