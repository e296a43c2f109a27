import { isEqual } from 'es-toolkit/predicate';

/**
 * JSON with sorted keys, no white space and no undefined members: equal values give equal text.
 * Used for content hashes, for comparing documents and for the exported file.
 * @param indent spaces per level; 0 gives one line
 */
export function canonicalJson(value: unknown, indent = 0): string {
  return JSON.stringify(sorted(value), null, indent);
}

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).filter(([, member]) => member !== undefined);
  entries.sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
  return Object.fromEntries(entries.map(([key, member]) => [key, sorted(member)]));
}

/** True when two JSON values are the same whatever the order of their keys. A member that is undefined is not one that is absent. */
export const sameJson: (a: unknown, b: unknown) => boolean = isEqual;
