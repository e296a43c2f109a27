import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { EntityManager } from '@mikro-orm/core';
import type { SqlEntityManager } from '@mikro-orm/libsql';
import { Inject, Injectable, NotFoundException } from '@nestjs/common';
import {
  AircraftSchema,
  hasShape,
  migrate,
  SCHEMA_VERSION,
  shapeProblems,
  type Aircraft,
  type AircraftId,
  type Design,
} from '@wired-falcon/core';
import { changedPieces, documentFrom, fieldsIn, HEAD, type Piece } from '../database/documentPieces.ts';
import { writeAtOnce, type RunStatement } from '../database/fastWriter.ts';
import { keepRevision } from './keepRevision.ts';
import { AircraftTable, PieceTable } from '../database/tables.ts';
import { CannotOpen } from '../http/errors.ts';
import type { ReadImport } from '../importing/readImport.ts';
import { AircraftQueue } from './aircraftQueue.ts';
import { DesignCache, type CurrentDesign } from './designCache.ts';
import { Library } from './library.ts';
import type { KeptRow } from './shelf.ts';

/** Reads and creates aircraft. Changing one is the journal's business. */
@Injectable()
export class AircraftStore {
  constructor(
    @Inject(EntityManager) private readonly em: SqlEntityManager,
    private readonly cache: DesignCache,
    private readonly queue: AircraftQueue,
    private readonly library: Library,
  ) {}

  /**
   * The present design of an aircraft.
   * @throws NotFoundException with a sentence when there is none
   */
  async current(id: AircraftId): Promise<CurrentDesign> {
    return this.#cached(id) ?? this.queue.run(id, () => this.currentInQueue(id));
  }

  /** The design in the cache, with every part and dialect that is known by now. */
  #cached(id: AircraftId): CurrentDesign | undefined {
    const cached = this.cache.get(id);
    if (cached === undefined || this.library.isCurrent(cached.design)) return cached;
    const current = { ...cached, design: { aircraft: cached.design.aircraft, ...this.library.known } };
    this.cache.put(id, current);
    return current;
  }

  /** The same for whoever is in the queue of this aircraft already. Read outside of it, rows and pieces could be of two versions. */
  async currentInQueue(id: AircraftId): Promise<CurrentDesign> {
    const cached = this.#cached(id);
    if (cached !== undefined) return cached;
    const em = this.em.fork();
    const row = await em.findOne(AircraftTable, { id });
    if (row === null) throw new NotFoundException(`There is no aircraft "${id}" in this workshop. Go back to the hangar and choose one.`);
    const aircraft = await this.#readDocument(em, row);
    const current = { design: { aircraft, ...this.library.known }, version: row.version, updatedAt: row.updatedAt };
    this.cache.put(id, current);
    return current;
  }

  /** Migrates an older document, with a snapshot of it as it was. A newer one is refused and left untouched. */
  async #readDocument(em: SqlEntityManager, row: { id: string; version: number; schema: number }): Promise<Aircraft> {
    const stored = documentFrom(await em.find(PieceTable, { aircraft: row.id }, { orderBy: { path: 'asc' } }));
    const migrated = migrate({ ...stored });
    if (migrated.is !== 'migrated') throw new CannotOpen(migrated.sentence);
    if (!hasShape(AircraftSchema, migrated.document)) {
      const [problem] = shapeProblems(AircraftSchema, migrated.document, 1);
      throw new CannotOpen(
        `The stored aircraft "${row.id}" does not have its shape at ${problem?.path ?? '/'}: ${problem?.message ?? ''}.`,
      );
    }
    const document = migrated.document;
    if (migrated.steps.length > 0) {
      const snapshot = await snapshotOf(row.id, row.version, row.schema, stored);
      await writeAtOnce(em, (run) => {
        run(
          'insert into snapshot (aircraft, version, schema, content) values (?, ?, ?, ?) on conflict (aircraft, version) do update set schema = excluded.schema, content = excluded.content',
          row.id,
          row.version,
          row.schema,
          snapshot.content,
        );
        run('update aircraft set schema = ? where id = ? and version = ?', SCHEMA_VERSION, row.id, row.version);
        run('delete from piece where aircraft = ?', row.id);
        insertPieces(run, row.id, piecesOf(document));
      });
    }
    return document;
  }

  /** Stores a new aircraft at version 0. The id must be free. */
  async create(design: Design, at: string): Promise<void> {
    const { aircraft } = design;
    this.library.add(design);
    await this.#insert(aircraft.id, aircraft.name, piecesOf(aircraft), this.library.notKept(aircraft), at);
  }

  /** The same of a file that was read, under an id that is free. */
  async createFrom(id: AircraftId, read: ReadImport, at: string): Promise<void> {
    const pieces = [{ path: HEAD, content: JSON.stringify({ ...fieldsIn(read.head), id }) }, ...read.pieces];
    await this.#insert(id, read.name, pieces, read.kept, at);
  }

  async #insert(id: AircraftId, name: string, pieces: readonly Piece[], kept: readonly KeptRow[], at: string): Promise<void> {
    await writeAtOnce(this.em.fork(), (run) => {
      run(
        'insert into aircraft (id, name, version, schema, created_at, updated_at) values (?, ?, 0, ?, ?, ?)',
        id,
        name,
        SCHEMA_VERSION,
        at,
        at,
      );
      insertPieces(run, id, pieces);
      for (const row of kept) keepRevision(run, row);
    });
    this.library.addStored(kept);
  }

  async exists(id: AircraftId): Promise<boolean> {
    return (await this.em.fork().count(AircraftTable, { id })) > 0;
  }

  async isEmpty(): Promise<boolean> {
    return (await this.em.fork().count(AircraftTable)) === 0;
  }
}

const compressed = promisify(gzip);

/** The row of a snapshot: the document, compressed (beside the thread that answers requests). */
export async function snapshotOf(aircraft: string, version: number, schema: number, document: object) {
  return { aircraft, version, schema, content: await compressed(JSON.stringify(document)) };
}

/** So many rows in one statement: an aircraft has thousands, and each statement has its price. */
const PIECES_AT_ONCE = 100;

/** Stores the pieces of a document of which nothing is stored. */
function insertPieces(run: RunStatement, aircraft: string, pieces: readonly Piece[]): void {
  for (let at = 0; at < pieces.length; at += PIECES_AT_ONCE) {
    const some = pieces.slice(at, at + PIECES_AT_ONCE);
    const values = some.flatMap(({ path, content }) => [aircraft, path, content]);
    run(`insert into piece (aircraft, path, content) values ${some.map(() => '(?, ?, ?)').join(', ')}`, ...values);
  }
}

/** A whole document in pieces. */
function piecesOf(document: Aircraft): Piece[] {
  return changedPieces(undefined, document).flatMap(({ path, content }) => (content === undefined ? [] : [{ path, content }]));
}
