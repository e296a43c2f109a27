import { omit } from 'es-toolkit';
import type { Aircraft } from './aircraft.ts';
import type { Design } from './design.ts';

/**
 * Members of the aircraft that say nothing of how it is built: no wire, load or mass follows from them. What is derived of everything
 * else stays as it is when one of these alone changes.
 */
export const UNBUILT = ['rc', 'banks', 'mixing', 'linkages', 'firmware', 'waivers'] as const satisfies readonly (keyof Aircraft)[];
export type Unbuilt = (typeof UNBUILT)[number];

/** Which of those differ between two versions that are built alike; undefined where they are not, or use other parts or dialects. */
export function unbuiltChanges(a: Design, b: Design): readonly Unbuilt[] | undefined {
  if (a.parts !== b.parts || a.dialects !== b.dialects) return undefined;
  const before = new Map(Object.entries(omit(a.aircraft, UNBUILT)));
  const now = Object.entries(omit(b.aircraft, UNBUILT));
  const isAlike = now.length === before.size && now.every(([member, value]) => before.get(member) === value);
  return isAlike ? UNBUILT.filter((member) => a.aircraft[member] !== b.aircraft[member]) : undefined;
}
