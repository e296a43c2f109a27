import { gzipSync } from 'node:zlib';
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
import { AircraftTable, PartTable, SnapshotTable } from '../database/tables.ts';
import { CannotOpen } from '../http/errors.ts';
import { DesignCache, type CurrentDesign } from './designCache.ts';
import { PartShelf } from './partShelf.ts';

/** Reads and creates aircraft. Changing one is the journal's business. */
@Injectable()
export class AircraftStore {
  constructor(
    private readonly em: EntityManager,
    private readonly cache: DesignCache,
    private readonly shelf: PartShelf,
  ) {}

  /**
   * The present design of an aircraft.
   * @throws NotFoundException with a sentence when there is none
   */
  async current(id: AircraftId): Promise<CurrentDesign> {
    const cached = this.cache.get(id);
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
  async #readDocument(em: EntityManager, row: { id: string; version: number; schema: number; document: string }): Promise<Aircraft> {
    const parsed: unknown = JSON.parse(row.document);
    const record = typeof parsed === 'object' && parsed !== null ? Object.fromEntries(Object.entries(parsed)) : {};
    const migrated = migrate(record);
    if (migrated.is !== 'migrated') throw new CannotOpen(migrated.sentence);
    if (!hasShape(AircraftSchema, migrated.document)) {
      const [problem] = shapeProblems(AircraftSchema, migrated.document, 1);
      throw new CannotOpen(
        `The stored aircraft "${row.id}" does not have its shape at ${problem?.path ?? '/'}: ${problem?.message ?? ''}.`,
      );
    }
    const document = migrated.document;
    if (migrated.steps.length > 0) {
      await em.transactional(async (tx) => {
        await tx.upsert(SnapshotTable, snapshotOf(row.id, row.version, row.schema, row.document));
        await tx.nativeUpdate(
          AircraftTable,
          { id: row.id, version: row.version },
          { document: JSON.stringify(document), schema: SCHEMA_VERSION },
        );
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
        document: JSON.stringify(aircraft),
        createdAt: at,
        updatedAt: at,
      });
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

/** The row of a snapshot: the document, compressed. */
export function snapshotOf(aircraft: string, version: number, schema: number, document: string) {
  return { aircraft, version, schema, content: gzipSync(document) };
}
