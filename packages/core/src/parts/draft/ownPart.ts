import type { PartId } from '../../model/ids.ts';
import { ownName } from '../../model/ownName.ts';
import type { Part } from '../../model/part.ts';

/** A copy of a part as the workshop's own, to be changed. */
export function ownCopyOf(part: Part, id: PartId): Part {
  return { ...part, id, name: ownName(part.name), source: 'workshop' };
}
