import type { Dialect } from '../model/dialect.ts';
import type { DialectId } from '../model/ids.ts';
import { ownName } from '../model/ownName.ts';

/** A copy of a dialect for the workshop to fit to what it flies, under an id of its own. */
export function ownDialectOf(dialect: Dialect, id: DialectId): Dialect {
  return { ...dialect, id, name: ownName(dialect.name), source: 'workshop' };
}
