import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import { EntityManager } from '@mikro-orm/core';
import { Injectable, NotFoundException } from '@nestjs/common';
import { AircraftSchema, hasShape, migrate, withChanges, type Aircraft, type AircraftId } from '@wired-falcon/core';
import { JournalTable, SnapshotTable } from '../database/tables.ts';
import { CannotOpen } from '../http/errors.ts';
import { AircraftStore } from './aircraftStore.ts';
import { putBackAsKept } from './journalRows.ts';

const decompressed = promisify(gunzip);

type Json = Readonly<Record<string, unknown>>;

/** Earlier states of a document. */
@Injectable()
export class Positions {
  constructor(
    private readonly em: EntityManager,
    private readonly store: AircraftStore,
  ) {}

  /**
   * The document as it was at a version: from the nearest state kept at or after it, back by the inverses, then migrated. `issued`
   * is that of the kept state, since inverses leave it alone: it only rises.
   * @throws NotFoundException when the document was never at that version
   * @throws CannotOpen when the way back is not whole, or what is found has no shape that this version of the product knows
   */
  async at(id: AircraftId, version: number): Promise<Aircraft> {
    const current = await this.store.current(id);
    if (version > current.version)
      throw new NotFoundException(`The aircraft "${id}" has no version ${version}; its newest is ${current.version}.`);
    const em = this.em.fork();
    const kept = await em.findOne(SnapshotTable, { aircraft: id, version: { $gte: version } }, { orderBy: { version: 'asc' } });
    const start = kept === null ? { version: current.version, document: { ...current.design.aircraft } } : await unpacked(kept);
    const rows = await em.find(
      JournalTable,
      { aircraft: id, version: { $gt: version, $lte: start.version } },
      { orderBy: { version: 'desc' }, fields: ['version', 'inverse'] },
    );
    let document: Json = start.document;
    for (const row of rows) {
      const inverse = putBackAsKept(row.inverse);
      const back = inverse === undefined ? undefined : withChanges(document, inverse.changes);
      if (back === undefined || 'differs' in back)
        throw new CannotOpen(`The way back from version ${row.version} of "${id}" cannot be read.`);
      document = back.value;
    }
    const migrated = migrate(document);
    if (migrated.is !== 'migrated') throw new CannotOpen(migrated.sentence);
    if (!hasShape(AircraftSchema, migrated.document))
      throw new CannotOpen(`Version ${version} of "${id}" does not have the shape of an aircraft.`);
    return migrated.document;
  }
}

async function unpacked(kept: { readonly version: number; readonly content: Uint8Array }): Promise<{ version: number; document: Json }> {
  const document: unknown = JSON.parse((await decompressed(kept.content)).toString('utf8'));
  if (typeof document !== 'object' || document === null) throw new CannotOpen('A snapshot does not hold an aircraft.');
  return { version: kept.version, document: { ...document } };
}
