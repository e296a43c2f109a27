import type { Aircraft } from './aircraft.ts';
import type { PartKey } from './ids.ts';
import type { Part } from './part.ts';

/**
 * An aircraft together with the parts it uses. A document means nothing without its parts, so everything computes from
 * this. Both halves are never changed in place: a new version is a new object, which is what the caches key on.
 */
export interface Design {
  readonly aircraft: Aircraft;
  readonly parts: ReadonlyMap<PartKey, Part>;
}
