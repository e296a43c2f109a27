import { dialectKeyOf } from '../model/contentHash.ts';
import { asId, DialectKeySchema, type DialectKey } from '../model/ids.ts';
import { hasShape } from '../model/shape.ts';
import { sampleDialects } from './sampleDialects.ts';

/** Of a dialect that nobody has: what an aircraft of schema 9 may name. */
const NO_CONTENT = '0000000000000000';

/**
 * The key of a dialect as documents and edits name it. Up to schema 9 they named a dialect by its id alone, and meant the product's own:
 * such an id becomes the key of the sample that ships, and any other id a key that no dialect has.
 */
export function dialectKeyFrom(ref: string): DialectKey {
  if (hasShape(DialectKeySchema, ref)) return ref;
  const sample = sampleDialects.find(({ id }) => id === ref);
  return sample === undefined ? asId<DialectKey>(`${ref}@${NO_CONTENT}`) : dialectKeyOf(sample);
}
