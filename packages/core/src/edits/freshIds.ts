import type { MakeId } from '../model/ids.ts';
import type { Edit } from './registry.ts';
import { EditSchema } from './registry.ts';
import { hasShape } from '../model/shape.ts';

const PLACEHOLDER = /^\?\d{1,3}$/;

/**
 * Remedies and proposals are computed without ids of their own, so that they are the same each time: where a new thing
 * needs an id they write `?1`, `?2` ... (which no document accepts) This puts a fresh id in the place of each, the same for the same placeholder.
 * @throws when the result is not an edit, which only a wrong `makeId` can cause
 */
export function withFreshIds(edit: Edit, makeId: MakeId): Edit {
  const given = new Map<string, string>();
  const fresh = (text: string): string => {
    if (!PLACEHOLDER.test(text)) return text;
    const id = given.get(text) ?? makeId();
    given.set(text, id);
    return id;
  };
  const walk = (value: unknown): unknown => {
    if (typeof value === 'string') return fresh(value);
    if (Array.isArray(value)) return value.map(walk);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([key, member]) => [fresh(key), walk(member)]));
  };
  const result = walk(edit);
  if (!hasShape(EditSchema, result)) throw new Error('An id that was made does not have the shape of an id.');
  return result;
}
