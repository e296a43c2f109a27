import { dialectCatalogue } from '../dialects/sampleDialects.ts';
import { dialectOf } from '../dialects/dialectOf.ts';
import { dialectKeyOf, partKeyOf } from '../model/contentHash.ts';
import type { Design, Library } from '../model/design.ts';
import type { Dialect } from '../model/dialect.ts';
import { naturalOrder } from '../model/naturalOrder.ts';
import type { Part } from '../model/part.ts';
import { catalogue } from '../parts/catalogue.ts';

/** Revisions as they are sent and kept: each has its key in its content. */
export interface Revisions {
  readonly parts: readonly Part[];
  readonly dialects: readonly Dialect[];
}

/** What ships with the product: the sample parts and the sample dialects. */
export const shipped: Library = { parts: catalogue, dialects: dialectCatalogue };

/** A library with more revisions in it; the same one where it has them all. */
export function withRevisions(library: Library, { parts, dialects }: Revisions): Library {
  const freshParts = parts.map((part) => [partKeyOf(part), part] as const).filter(([key]) => !library.parts.has(key));
  const freshDialects = dialects.map((one) => [dialectKeyOf(one), one] as const).filter(([key]) => !library.dialects.has(key));
  if (freshParts.length === 0 && freshDialects.length === 0) return library;
  return {
    parts: freshParts.length === 0 ? library.parts : new Map([...library.parts, ...freshParts]),
    dialects: freshDialects.length === 0 ? library.dialects : new Map([...library.dialects, ...freshDialects]),
  };
}

/** The revisions that an aircraft uses, as far as they are known, in order of their keys. */
export function usedRevisions(design: Design): Revisions {
  const keys = [...new Set(Object.values(design.aircraft.items).map((item) => item.part))].sort(naturalOrder);
  const dialect = dialectOf(design);
  return { parts: keys.flatMap((key) => design.parts.get(key) ?? []), dialects: dialect === undefined ? [] : [dialect] };
}

/** The revisions of a library that do not ship with the product. */
export function ownRevisions({ parts, dialects }: Library): Revisions {
  return {
    parts: [...parts].flatMap(([key, part]) => (shipped.parts.has(key) ? [] : [part])),
    dialects: [...dialects].flatMap(([key, dialect]) => (shipped.dialects.has(key) ? [] : [dialect])),
  };
}
