import type { EntityManager } from '@mikro-orm/core';
import { NotFoundException } from '@nestjs/common';
import { CannotImport, ChangedSince } from '../http/errors.ts';
import type { Shelf } from './shelf.ts';

/** The row of one revision. */
export interface RevisionRow {
  readonly revision: number;
  readonly key: string;
  readonly at: string;
  readonly by: string;
}

/** What one revision holds, with who saved it and when. */
export interface Saved<K, T> {
  readonly content: T;
  readonly key: K;
  /** From 1, in the order in which they were saved. */
  readonly revision: number;
  readonly at: string;
  readonly by: string;
}

/** Contents of the workshop's own, such as its parts. A revision is stored once and never changed; aircraft name it by its key. */
export abstract class OwnRevisions<K extends string, T extends { readonly id: string }> {
  /** One save at a time, so that two people cannot both make revision 3. */
  #last: Promise<unknown> = Promise.resolve();

  protected constructor(
    protected readonly em: EntityManager,
    private readonly shelf: Shelf<K, T>,
  ) {}

  /** What such a content is called: `part`. */
  protected abstract readonly word: string;
  protected abstract keyOf(content: T): K;
  protected abstract isKey(text: string): text is K;
  /** True for the id of a sample, which stays as it is. */
  protected abstract isSample(id: string): boolean;
  /** The rows of one id, or of all, by id and then by revision. */
  protected abstract rows(em: EntityManager, id?: string): Promise<readonly (RevisionRow & { readonly id: string })[]>;
  protected abstract store(em: EntityManager, id: string, row: RevisionRow, content: string): Promise<void>;

  /** The newest revision of each, by id. */
  async newest(): Promise<Saved<K, T>[]> {
    const rows = await this.rows(this.em.fork());
    return [...new Map(rows.map((row) => [row.id, row])).values()].flatMap((row) => this.#withContent(row));
  }

  /**
   * All revisions of one, the newest first.
   * @throws NotFoundException with a sentence when there is none
   */
  async revisionsOf(id: string): Promise<Saved<K, T>[]> {
    const rows = await this.rows(this.em.fork(), id);
    if (rows.length === 0) throw new NotFoundException(`The workshop has no ${this.word} "${id}" of its own.`);
    return rows.toReversed().flatMap((row) => this.#withContent(row));
  }

  /**
   * Stores a content as the revision after `base`. The same content as the newest gives that one again.
   * @throws CannotImport when the id belongs to a sample
   * @throws ChangedSince when somebody saved a revision after `base`
   */
  save(content: T, base: number, by: string, at: string): Promise<Saved<K, T>> {
    const saved = this.#last.then(() => this.#save(content, base, by, at));
    this.#last = saved.catch(() => undefined);
    return saved;
  }

  async #save(content: T, base: number, by: string, at: string): Promise<Saved<K, T>> {
    const { id } = content;
    if (this.isSample(id)) {
      throw new CannotImport(`"${id}" is the id of a sample ${this.word}, which stays as it is. Make a copy of it, and change that.`);
    }
    const key = this.keyOf(content);
    const em = this.em.fork();
    const newest = (await this.rows(em, id)).at(-1);
    if (newest?.key === key) return { content, key, revision: newest.revision, at: newest.at, by: newest.by };
    if ((newest?.revision ?? 0) !== base) {
      throw new ChangedSince(
        newest === undefined
          ? `The workshop has no revision ${base} of this ${this.word}. Save it as a new ${this.word}.`
          : `${newest.by} saved revision ${newest.revision} of this ${this.word} meanwhile. Look at it, then save yours after it.`,
      );
    }
    const row = { revision: base + 1, key, at, by };
    await em.transactional((tx) => this.store(tx, id, row, JSON.stringify(content)));
    this.shelf.add(new Map([[key, content]]));
    this.shelf.markKept([{ key }]);
    return { content, ...row };
  }

  #withContent({ key, revision, at, by }: RevisionRow): Saved<K, T>[] {
    if (!this.isKey(key)) return [];
    const content = this.shelf.all.get(key);
    return content === undefined ? [] : [{ content, key, revision, at, by }];
  }
}
