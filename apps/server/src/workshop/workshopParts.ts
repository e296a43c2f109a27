import { EntityManager } from '@mikro-orm/core';
import { Injectable, NotFoundException } from '@nestjs/common';
import { hasShape, PartKeySchema, partKeyOf, sampleParts, type Part, type PartId } from '@wired-falcon/core';
import type { PartRevision } from '@wired-falcon/contract';
import { PartRevisionTable, PartTable } from '../database/tables.ts';
import { ChangedSince, CannotImport } from '../http/errors.ts';
import { PartShelf } from './partShelf.ts';

type Row = Pick<PartRevision, 'revision' | 'at' | 'by'> & { readonly key: string };

/** The parts of the workshop's own. A revision is stored once and never changed; aircraft name it by its key. */
@Injectable()
export class WorkshopParts {
  /** One save at a time, so that two people cannot both make revision 3. */
  #last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly em: EntityManager,
    private readonly shelf: PartShelf,
  ) {}

  /** The newest revision of each part, by name of the part's id. */
  async newest(): Promise<PartRevision[]> {
    const rows = await this.em.fork().find(PartRevisionTable, {}, { orderBy: { part: 'asc', revision: 'asc' } });
    const newest = new Map(rows.map((row) => [row.part, row]));
    return [...newest.values()].flatMap((row) => this.#withPart(row));
  }

  /**
   * All revisions of one part, the newest first.
   * @throws NotFoundException with a sentence when there is none
   */
  async revisionsOf(id: PartId): Promise<PartRevision[]> {
    const rows = await this.em.fork().find(PartRevisionTable, { part: id }, { orderBy: { revision: 'desc' } });
    if (rows.length === 0) throw new NotFoundException(`The workshop has no part "${id}" of its own.`);
    return rows.flatMap((row) => this.#withPart(row));
  }

  /**
   * Stores a part as the revision after `base`. The same content as the newest gives that one again.
   * @throws CannotImport when the id belongs to a sample
   * @throws ChangedSince when somebody saved a revision after `base`
   */
  save(part: Part, base: number, by: string, at: string): Promise<PartRevision> {
    const saved = this.#last.then(() => this.#save(part, base, by, at));
    this.#last = saved.catch(() => undefined);
    return saved;
  }

  async #save(part: Part, base: number, by: string, at: string): Promise<PartRevision> {
    if (sampleParts.some((sample) => sample.id === part.id)) {
      throw new CannotImport(`"${part.id}" is the id of a sample part, which stays as it is. Make a copy of it, and change that.`);
    }
    const key = partKeyOf(part);
    const em = this.em.fork();
    const [newest] = await em.find(PartRevisionTable, { part: part.id }, { orderBy: { revision: 'desc' }, limit: 1 });
    if (newest?.key === key) return { part, key, revision: newest.revision, at: newest.at, by: newest.by };
    if ((newest?.revision ?? 0) !== base) {
      throw new ChangedSince(
        newest === undefined
          ? `The workshop has no revision ${base} of this part. Save it as a new part.`
          : `${newest.by} saved revision ${newest.revision} of this part meanwhile. Look at it, then save yours after it.`,
      );
    }
    const row = { part: part.id, revision: base + 1, key, at, by };
    await em.transactional(async (tx) => {
      await tx.upsert(PartTable, { key, content: JSON.stringify(part) });
      await tx.insert(PartRevisionTable, row);
    });
    this.shelf.add(new Map([[key, part]]));
    this.shelf.markKept([{ key, content: '' }]);
    return { part, key, revision: row.revision, at, by };
  }

  #withPart({ key, revision, at, by }: Row): PartRevision[] {
    if (!hasShape(PartKeySchema, key)) return [];
    const part = this.shelf.parts.get(key);
    return part === undefined ? [] : [{ part, key, revision, at, by }];
  }
}
