import type { Cable, Conductor } from '../../model/aircraft.ts';
import type { CableId, NodeId } from '../../model/ids.ts';
import type { DraftEdits } from '../draftEdits.ts';
import { legBetween } from './legBetween.ts';

/**
 * Takes away what a loom has no more use for: a splice that one wire leads to goes with its wire, one with two wires becomes a wire
 * without a joint, and a leg to a splice goes when it holds no wire.
 * @returns false when an edit of it is refused
 */
export function tidyLoom(draft: DraftEdits, id: CableId): boolean {
  for (;;) {
    const cable = draft.cable(id);
    const idle = cable === undefined ? undefined : idleSplice(cable);
    if (cable === undefined || idle === undefined) return dropIdleLegs(draft, id);
    if (!withoutSplice(draft, cable, idle)) return false;
  }
}

interface IdleSplice {
  readonly node: NodeId;
  readonly wires: readonly Conductor[];
}

/** A splice that joins fewer than three wires. */
function idleSplice(cable: Cable): IdleSplice | undefined {
  for (const { id, is } of Object.values(cable.nodes)) {
    if (is !== 'splice') continue;
    const wires = Object.values(cable.conductors).filter(({ a, b }) => a.node === id || b.node === id);
    if (wires.length === 1 || wires.length === 2) return { node: id, wires };
  }
  return undefined;
}

function withoutSplice(draft: DraftEdits, cable: Cable, { node, wires }: IdleSplice): boolean {
  const [one, other] = wires;
  if (one !== undefined && other !== undefined && !leadThrough(draft, cable, node, one, other)) return false;
  return wires.every((wire) => draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: wire.id }));
}

/** One wire in the place of two that meet in a splice. */
function leadThrough(draft: DraftEdits, cable: Cable, node: NodeId, one: Conductor, other: Conductor): boolean {
  const [from, to] = [one, other].map(({ a, b }) => (a.node === node ? b : a));
  if (from === undefined || to === undefined || from.node === to.node) return true;
  const leg = legBetween(draft, cable, from.node, to.node);
  if (leg === undefined) return false;
  const isThere = Object.values(cable.conductors).some((wire) =>
    [
      [wire.a, wire.b],
      [wire.b, wire.a],
    ].some(([x, y]) => x?.node === from.node && x.n === from.n && y?.node === to.node && y.n === to.n),
  );
  if (isThere) return true;
  const [a, b] = leg.isTurned ? [to, from] : [from, to];
  const conductor = { ...one, id: draft.newId<Conductor['id']>(), leg: leg.leg, a, b, awg: Math.max(one.awg, other.awg) };
  return draft.make({ kind: 'add-conductor', cable: cable.id, conductor });
}

/** Legs without wires that lead to a splice, as long as another leg is left. */
function dropIdleLegs(draft: DraftEdits, id: CableId): boolean {
  const cable = draft.cable(id);
  if (cable === undefined) return true;
  const held = new Set(Object.values(cable.conductors).map(({ leg }) => leg));
  const idle = Object.values(cable.legs).filter(
    ({ id: leg, a, b }) => !held.has(leg) && [a, b].some((node) => cable.nodes[node]?.is === 'splice'),
  );
  return idle.every(
    (leg) => Object.keys(draft.cable(id)?.legs ?? {}).length === 1 || draft.make({ kind: 'remove-leg', cable: id, leg: leg.id }),
  );
}
