import type { Cable } from '../../model/aircraft.ts';
import type { LegId, NodeId } from '../../model/ids.ts';
import type { DraftEdits } from '../draftEdits.ts';

/** A leg with the node that new wires come from, and the one that they lead to. */
export interface DirectedLeg {
  readonly leg: LegId;
  readonly nodeA: NodeId;
  readonly nodeB: NodeId;
  /** True when the document has it the other way round. */
  readonly isTurned: boolean;
}

/** The leg from one node of a cable to another: the one that is there, or a new one. Undefined when it is refused. */
export function legBetween(draft: DraftEdits, cable: Cable, nodeA: NodeId, nodeB: NodeId): DirectedLeg | undefined {
  const there = Object.values(cable.legs).find(({ a, b }) => (a === nodeA && b === nodeB) || (a === nodeB && b === nodeA));
  if (there !== undefined) return { leg: there.id, nodeA, nodeB, isTurned: there.a === nodeB };
  const leg = draft.newId<LegId>();
  const isMade = draft.make({ kind: 'add-leg', cable: cable.id, leg: { id: leg, a: nodeA, b: nodeB } });
  return isMade ? { leg, nodeA, nodeB, isTurned: false } : undefined;
}
