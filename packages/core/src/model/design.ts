import type { Aircraft } from './aircraft.ts';
import type { Dialect } from './dialect.ts';
import type { DialectKey, PartKey } from './ids.ts';
import type { Part } from './part.ts';

/** Revisions of parts and dialects, by key. None is ever changed in place. */
export interface Library {
  readonly parts: ReadonlyMap<PartKey, Part>;
  readonly dialects: ReadonlyMap<DialectKey, Dialect>;
}

/**
 * An aircraft together with the parts and the dialect that it uses. A document means nothing without them, so everything computes
 * from this. Nothing in it is ever changed in place: a new version is a new object, which is what the caches key on.
 */
export interface Design extends Library {
  readonly aircraft: Aircraft;
}
