import { PartKeySchema, type PartKey } from '../model/ids.ts';
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

function partOf(item: unknown): unknown {
  return typeof item === 'object' && item !== null && 'part' in item ? item.part : undefined;
}
