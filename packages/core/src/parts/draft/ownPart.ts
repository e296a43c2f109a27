import type { PartId } from '../../model/ids.ts';
import { LIMITS } from '../../model/limits.ts';
import type { Part } from '../../model/part.ts';

/** A copy of a part as the workshop's own, to be changed. */
export function ownCopyOf(part: Part, id: PartId): Part {
  const ending = ', own';
  const name = part.name.endsWith(ending) ? part.name : `${part.name.slice(0, LIMITS.nameChars - ending.length)}${ending}`;
  return { ...part, id, name, source: 'workshop' };
}
