import type { EntityManager } from '@mikro-orm/core';
import { Injectable } from '@nestjs/common';
import {
  dialectCatalogue,
  DialectKeySchema,
  DialectSchema,
  catalogue,
  PartKeySchema,
  PartSchema,
  shapeTest,
  type Aircraft,
  type Dialect,
  type DialectKey,
  type Library as Known,
  type Part,
  type PartKey,
} from '@wired-falcon/core';
import { DialectTable, PartTable } from '../database/tables.ts';
import { Shelf, type KeptRow } from './shelf.ts';

/** The revisions of parts and dialects that this server knows. */
@Injectable()
export class Library {
  readonly parts = new Shelf<PartKey, Part>({
    table: 'part',
    shipped: catalogue,
    isKey: shapeTest(PartKeySchema),
    isContent: shapeTest(PartSchema),
  });
  readonly dialects = new Shelf<DialectKey, Dialect>({
    table: 'dialect',
    shipped: dialectCatalogue,
    isKey: shapeTest(DialectKeySchema),
    isContent: shapeTest(DialectSchema),
  });

  /** All of them, to make a design of an aircraft. */
  get known(): Known {
    return { parts: this.parts.all, dialects: this.dialects.all };
  }

  /** True for a design that was made when as much was known as now. */
  isCurrent({ parts, dialects }: Known): boolean {
    return parts === this.parts.all && dialects === this.dialects.all;
  }

  /** Reads what is stored. Called once, before the first request. */
  async load(em: EntityManager): Promise<void> {
    this.parts.addStored(await em.find(PartTable, {}));
    this.dialects.addStored(await em.find(DialectTable, {}));
  }

  /** Adds what came with an aircraft, before it is stored. */
  add({ parts, dialects }: Known): void {
    this.parts.add(parts);
    this.dialects.add(dialects);
  }

  /** Adds what is stored. Called when the transaction that stored it is committed. */
  addStored(rows: readonly KeptRow[]): void {
    this.parts.addStored(rows.filter(({ table }) => table === 'part'));
    this.dialects.addStored(rows.filter(({ table }) => table === 'dialect'));
  }

  /** The revisions that an aircraft uses and that are not stored yet. */
  notKept(aircraft: Aircraft): KeptRow[] {
    return [...this.parts.notKept(partsOf(aircraft)), ...this.dialects.notKept([aircraft.dialect])];
  }
}

/** The parts that an aircraft uses, by key. */
export function partsOf(aircraft: Aircraft): PartKey[] {
  return Object.values(aircraft.items).map((item) => item.part);
}
