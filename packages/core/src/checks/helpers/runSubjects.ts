import { isWholeCable, type Join, type Run } from '../../harness/runs.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import type { Subject } from '../finding.ts';

/** What a finding about a run points at: its cables and, where these lead to other ports too, the two ports. */
export function runSubjects(run: Run): Subject[] {
  if (isWholeCable(run)) return cableSubjects(run);
  return [...cableSubjects(run), ...[run.a, run.b].map(({ itemId, port }): Subject => ({ is: 'port', item: itemId, port: port.id }))];
}

/** What a finding about some wires of a run points at: its cables, and these wires, each once. The same when the cable gets a branch. */
export function joinSubjects(run: Run, joins: readonly Join[]): Subject[] {
  const wires = new Map(joins.flatMap((join) => join.wires.map((wire) => [wire.conductor, wire] as const)));
  return [
    ...cableSubjects(run),
    ...[...wires.values()].map(({ cable, conductor }): Subject => ({ is: 'conductor', cable: cable.id, conductor: conductor.id })),
  ];
}

function cableSubjects({ cables }: Run): Subject[] {
  return cables.map((cable) => ({ is: 'cable', cable: cable.id }));
}

/** True where a wire puts the supply of one part on the ground of the other. */
export function joinsSupplyToGround({ a, b }: Pick<Join, 'a' | 'b'>): boolean {
  return (isSupply(a.pin.role) && b.pin.role === 'gnd') || (a.pin.role === 'gnd' && isSupply(b.pin.role));
}
