import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { EntityManager } from '@mikro-orm/core';
import { Injectable, NotFoundException } from '@nestjs/common';
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
import { changedPieces, documentFrom } from '../database/documentPieces.ts';
import { AircraftTable, PartTable, PieceTable, SnapshotTable } from '../database/tables.ts';
import { CannotOpen } from '../http/errors.ts';
import { AircraftQueue } from './aircraftQueue.ts';
import { DesignCache, type CurrentDesign } from './designCache.ts';
import { PartShelf } from './partShelf.ts';

/** Reads and creates aircraft. Changing one is the journal's business. */
@Injectable()
export class AircraftStore {
  constructor(
    private readonly em: EntityManager,
    private readonly cache: DesignCache,
    private readonly queue: AircraftQueue,
    private readonly shelf: PartShelf,
  ) {}

  /**
   * The present design of an aircraft.
   * @throws NotFoundException with a sentence when there is none
   */
  async current(id: AircraftId): Promise<CurrentDesign> {
    return this.#cached(id) ?? this.queue.run(id, () => this.currentInQueue(id));
  }

  /** The design in the cache, with every part that is known by now. */
  #cached(id: AircraftId): CurrentDesign | undefined {
    const cached = this.cache.get(id);
    if (cached === undefined || cached.design.parts === this.shelf.parts) return cached;
    const current = { ...cached, design: { aircraft: cached.design.aircraft, parts: this.shelf.parts } };
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
    const current = { design: { aircraft, parts: this.shelf.parts }, version: row.version, updatedAt: row.updatedAt };
    this.cache.put(id, current);
    return current;
  }

  /** Migrates an older document, with a snapshot of it as it was. A newer one is refused and left untouched. */
  async #readDocument(em: EntityManager, row: { id: string; version: number; schema: number }): Promise<Aircraft> {
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
      await em.transactional(async (tx) => {
        await tx.upsert(SnapshotTable, snapshot);
        await tx.nativeUpdate(AircraftTable, { id: row.id, version: row.version }, { schema: SCHEMA_VERSION });
        await tx.nativeDelete(PieceTable, { aircraft: row.id });
        await insertPieces(tx, row.id, document);
      });
    }
    return document;
  }

  /** Stores a new aircraft at version 0. The id must be free. */
  async create(design: Design, at: string): Promise<void> {
    const { aircraft } = design;
    this.shelf.add(design.parts);
    const parts = this.shelf.notKept(aircraft);
    await this.em.fork().transactional(async (tx) => {
      await tx.insert(AircraftTable, {
        id: aircraft.id,
        name: aircraft.name,
        version: 0,
        schema: SCHEMA_VERSION,
        createdAt: at,
        updatedAt: at,
      });
      await insertPieces(tx, aircraft.id, aircraft);
      for (const part of parts) await tx.upsert(PartTable, part);
    });
    this.shelf.markKept(parts);
  }

  async exists(id: AircraftId): Promise<boolean> {
    return (await this.em.fork().count(AircraftTable, { id })) > 0;
  }

  async isEmpty(): Promise<boolean> {
    return (await this.em.fork().count(AircraftTable)) === 0;
  }
}

/** What fits into one statement. */
const PIECES_AT_ONCE = 1000;

const compressed = promisify(gzip);

/** The row of a snapshot: the document, compressed (beside the thread that answers requests). */
export async function snapshotOf(aircraft: string, version: number, schema: number, document: object) {
  return { aircraft, version, schema, content: await compressed(JSON.stringify(document)) };
}

/** Stores a whole document of which nothing is stored. */
async function insertPieces(em: EntityManager, aircraft: string, document: Aircraft): Promise<void> {
  const pieces = changedPieces(undefined, document).flatMap(({ path, content }) =>
    content === undefined ? [] : [{ aircraft, path, content }],
  );
  for (let from = 0; from < pieces.length; from += PIECES_AT_ONCE)
    await em.insertMany(PieceTable, pieces.slice(from, from + PIECES_AT_ONCE));
}
