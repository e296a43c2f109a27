import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { partKeyOf, PartKeySchema, hasShape, sampleParts, type Part, type PartKey } from '@wired-falcon/core';
import { PartRevisionTable, PartTable } from '../database/tables.ts';
import { Library } from './library.ts';
import { OwnRevisions, type RevisionRow } from './ownRevisions.ts';

/** The parts of the workshop's own. */
@Injectable()
export class WorkshopParts extends OwnRevisions<PartKey, Part> {
  protected readonly word = 'part';

  constructor(em: EntityManager, library: Library) {
    super(em, library.parts);
  }

  protected keyOf(part: Part): PartKey {
    return partKeyOf(part);
  }

  protected isKey(text: string): text is PartKey {
    return hasShape(PartKeySchema, text);
  }

  protected isSample(id: string): boolean {
    return sampleParts.some((sample) => sample.id === id);
  }

  protected async rows(em: EntityManager, id?: string): Promise<(RevisionRow & { readonly id: string })[]> {
    const wanted = id === undefined ? {} : { part: id };
    const rows = await em.find(PartRevisionTable, wanted, { orderBy: { part: 'asc', revision: 'asc' } });
    return rows.map(({ part, revision, key, at, by }) => ({ id: part, revision, key, at, by }));
  }

  protected async store(em: EntityManager, id: string, row: RevisionRow, content: string): Promise<void> {
    await em.upsert(PartTable, { key: row.key, content });
    await em.insert(PartRevisionTable, { part: id, ...row });
  }
}
