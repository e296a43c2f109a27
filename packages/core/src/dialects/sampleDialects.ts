import { dialectKeyOf } from '../model/contentHash.ts';
import type { Dialect } from '../model/dialect.ts';
import type { DialectKey } from '../model/ids.ts';
import { numbered } from './numbered.ts';
import { roleTable } from './roleTable.ts';

/** The dialects that ship, one entry each. The first is what a new aircraft begins with. */
export const sampleDialects = [numbered, roleTable] as const satisfies readonly Dialect[];

/** The same by key. */
export const dialectCatalogue: ReadonlyMap<DialectKey, Dialect> = new Map(
  sampleDialects.map((dialect) => [dialectKeyOf(dialect), dialect]),
);

/** What an aircraft begins with. */
export const firstDialect: DialectKey = dialectKeyOf(sampleDialects[0]);
