import { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { EPOCH, WorkshopTable } from '../database/tables.ts';
import { makeId } from './makeId.ts';

/**
 * The line of documents that the versions of this workshop count in. It is drawn once and stays, until a restore puts another in
 * its place: from then on a window that has seen more than the backup holds can tell.
 */
@Injectable()
export class Epoch {
  #value: string | undefined;

  constructor(private readonly em: EntityManager) {}

  /** Reads it, or draws it. Called once, before the first request. */
  async load(): Promise<void> {
    const em = this.em.fork();
    const kept = await em.findOne(WorkshopTable, { name: EPOCH });
    this.#value = kept?.value ?? makeId();
    if (kept === null) await em.insert(WorkshopTable, { name: EPOCH, value: this.#value });
  }

  /** @throws when asked before it was read, which is a mistake in how the server is started */
  get value(): string {
    if (this.#value === undefined) throw new Error('The epoch of the workshop is not read yet.');
    return this.#value;
  }
}
