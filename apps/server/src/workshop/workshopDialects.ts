import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { dialectKeyOf, DialectKeySchema, hasShape, sampleDialects, type Dialect, type DialectKey } from '@wired-falcon/core';
import { DialectRevisionTable, DialectTable } from '../database/tables.ts';
import { Library } from './library.ts';
import { OwnRevisions, type RevisionRow } from './ownRevisions.ts';

/** The dialects of the workshop's own. */
@Injectable()
export class WorkshopDialects extends OwnRevisions<DialectKey, Dialect> {
  protected readonly word = 'dialect';

  constructor(em: EntityManager, library: Library) {
    super(em, library.dialects);
  }

  protected keyOf(dialect: Dialect): DialectKey {
    return dialectKeyOf(dialect);
  }

  protected isKey(text: string): text is DialectKey {
    return hasShape(DialectKeySchema, text);
  }

  protected isSample(id: string): boolean {
    return sampleDialects.some((sample) => sample.id === id);
  }

  protected async rows(em: EntityManager, id?: string): Promise<(RevisionRow & { readonly id: string })[]> {
    const wanted = id === undefined ? {} : { dialect: id };
    const rows = await em.find(DialectRevisionTable, wanted, { orderBy: { dialect: 'asc', revision: 'asc' } });
    return rows.map(({ dialect, revision, key, at, by }) => ({ id: dialect, revision, key, at, by }));
  }

  protected async store(em: EntityManager, id: string, row: RevisionRow, content: string): Promise<void> {
    await em.upsert(DialectTable, { key: row.key, content });
    await em.insert(DialectRevisionTable, { dialect: id, ...row });
  }
}
