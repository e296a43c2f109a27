import type { BusMember } from '../../links/buses/busOf.ts';
import type { Endpoint } from '../../model/part.ts';
import type { Subject } from '../finding.ts';

/** The members of a bus as what a finding is about. */
export function memberSubjects(members: readonly BusMember<Endpoint>[]): Subject[] {
  return [...new Set(members.map(({ entry }) => entry.item.id))].map((item) => ({ is: 'item', item }));
}
