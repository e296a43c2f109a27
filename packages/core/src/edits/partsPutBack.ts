import { DialectKeySchema, PartKeySchema, type DialectKey, type PartKey } from '../model/ids.ts';
import { hasShape } from '../model/shape.ts';
import type { PutBack } from './registry.ts';

/** The part revisions that an inverse puts items of, or takes them from: who shall follow an undo needs to know these parts. */
export function partsPutBack({ changes }: PutBack): ReadonlySet<PartKey> {
  const named = changes.flatMap(({ path, was, now }) => {
    const [family, , member] = path;
    if (family !== 'items') return [];
    return member === undefined ? [partOf(was), partOf(now)] : member === 'part' ? [was, now] : [];
  });
  return new Set(named.filter((key) => hasShape(PartKeySchema, key)));
}

/** The dialects that an inverse takes the aircraft to, or from. */
export function dialectsPutBack({ changes }: PutBack): readonly DialectKey[] {
  return changes
    .flatMap(({ path, was, now }) => (path[0] === 'dialect' ? [was, now] : []))
    .filter((key) => hasShape(DialectKeySchema, key));
}

function partOf(item: unknown): unknown {
  return typeof item === 'object' && item !== null && 'part' in item ? item.part : undefined;
}
