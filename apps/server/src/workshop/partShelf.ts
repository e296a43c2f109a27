import type { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import { catalogue, hasShape, PartKeySchema, PartSchema, type Aircraft, type Part, type PartKey } from '@wired-falcon/core';
import { PartTable } from '../database/tables.ts';

/** All part revisions that this server knows: the catalogue's, and those that stored aircraft use. */
@Injectable()
export class PartShelf {
  #parts: ReadonlyMap<PartKey, Part> = catalogue;
  #stored = new Set<string>();

  get parts(): ReadonlyMap<PartKey, Part> {
    return this.#parts;
  }

  /** Reads what is stored. Called once, before the first request. */
  async load(em: EntityManager): Promise<void> {
    const rows = await em.find(PartTable, {});
    this.addRows(rows);
    this.markKept(rows);
  }

  /** Adds parts as they are stored; those that are known already are not read again. */
  addRows(rows: readonly PartRow[]): void {
    const parts = new Map(this.#parts);
    for (const row of rows) {
      for (const key of keysNamed(row.key)) {
        const content: unknown = parts.has(key) ? undefined : JSON.parse(row.content);
        if (hasShape(PartSchema, content)) parts.set(key, content);
      }
    }
    if (parts.size > this.#parts.size) this.#parts = parts;
  }

  /** Adds parts that came with an imported aircraft. */
  add(parts: ReadonlyMap<PartKey, Part>): void {
    this.#parts = new Map([...this.#parts, ...parts]);
  }

  /** The parts that an aircraft uses. */
  usedBy(aircraft: Aircraft): Map<PartKey, Part> {
    return this.named(Object.values(aircraft.items).map((item) => item.part));
  }

  /** The parts of some keys, as far as they are known. */
  named(keys: readonly PartKey[]): Map<PartKey, Part> {
    const found = new Map<PartKey, Part>();
    for (const key of keys) {
      const part = this.#parts.get(key);
      if (part !== undefined) found.set(key, part);
    }
    return found;
  }

  /** The parts of an aircraft that are not stored yet, as rows. */
  notKept(aircraft: Aircraft): PartRow[] {
    return [...this.usedBy(aircraft)]
      .filter(([key]) => !this.#stored.has(key))
      .map(([key, part]) => ({ key, content: JSON.stringify(part) }));
  }

  /** Called when the transaction that stored these is committed. */
  markKept(rows: readonly PartRow[]): void {
    for (const row of rows) this.#stored.add(row.key);
  }
}

/** A part revision as it is stored. */
export interface PartRow {
  readonly key: string;
  readonly content: string;
}

function keysNamed(text: string): PartKey[] {
  return hasShape(PartKeySchema, text) ? [text] : [];
}
