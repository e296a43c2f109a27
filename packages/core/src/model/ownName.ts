import { LIMITS } from './limits.ts';

const ENDING = ', own';

/** The name of a copy that a workshop makes of a sample. */
export function ownName(name: string): string {
  return name.endsWith(ENDING) ? name : `${name.slice(0, LIMITS.nameChars - ENDING.length)}${ENDING}`;
}
