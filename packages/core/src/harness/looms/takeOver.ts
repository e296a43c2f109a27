import type { Cable, CableEnd, CableNode, NodePin } from '../../model/aircraft.ts';
import type { CableId, LegId, NodeId } from '../../model/ids.ts';
import type { DraftEdits } from '../draftEdits.ts';

/**
 * Makes another cable a part of a loom: it goes, and its ends, splices, legs and wires are the loom's from then on. The new leg leads
 * from an end of the loom to one of them.
 * @returns the leg and the end in the loom where the other cable was joined; undefined when an edit of it is refused
 */
export function takeOver(
  draft: DraftEdits,
  into: { readonly cable: CableId; readonly node: NodeId },
  other: Cable,
  end: CableEnd,
): { readonly leg: LegId; readonly node: NodeId } | undefined {
  // 1. Who is plugged to the other cable will be plugged to the loom.
  const plugged = draft.graph.cables.flatMap((cable) =>
    Object.values(cable.nodes).flatMap((node) =>
      node.is === 'end' && node.at.is === 'mate' && node.at.cable === other.id && cable.id !== into.cable
        ? [{ cable: cable.id, node: node.id, to: node.at.node }]
        : [],
    ),
  );
  if (!draft.make({ kind: 'remove-cable', cable: other.id })) return undefined;
  // 2. Its nodes, one leg after the other from the joint on, so that each begins where the loom is already.
  const newNode = new Map<NodeId, NodeId>();
  const place = (node: CableNode): CableNode => {
    const id = draft.newId<NodeId>();
    newNode.set(node.id, id);
    return { ...node, id };
  };
  const joint = place(end);
  const leg = draft.newId<LegId>();
  if (!draft.make({ kind: 'add-leg', cable: into.cable, leg: { id: leg, a: into.node, b: joint.id }, node: joint })) return undefined;
  const newLeg = new Map<LegId, LegId>();
  const waiting = new Set(Object.values(other.legs));
  for (let next = reachable(waiting, newNode); next !== undefined; next = reachable(waiting, newNode)) {
    waiting.delete(next);
    const far = [next.a, next.b].map((id) => other.nodes[id]).find((node) => node !== undefined && !newNode.has(node.id));
    const node = far === undefined ? undefined : place(far);
    const [a, b] = [newNode.get(next.a), newNode.get(next.b)];
    const id = draft.newId<LegId>();
    newLeg.set(next.id, id);
    if (a === undefined || b === undefined) return undefined;
    const added = { ...next, id, a, b };
    if (!draft.make({ kind: 'add-leg', cable: into.cable, leg: added, ...(node === undefined ? {} : { node }) })) return undefined;
  }
  // 3. Its wires.
  for (const wire of Object.values(other.conductors)) {
    const [inLeg, a, b] = [newLeg.get(wire.leg), moved(newNode, wire.a), moved(newNode, wire.b)];
    if (inLeg === undefined || a === undefined || b === undefined) return undefined;
    if (!draft.make({ kind: 'add-conductor', cable: into.cable, conductor: { ...wire, id: draft.newId(), leg: inLeg, a, b } }))
      return undefined;
  }
  // 4. What somebody wrote on it, where there is room; and who was plugged to it.
  for (const field of ['label', 'note'] as const) {
    const [was, text] = [draft.cable(into.cable)?.[field] ?? '', other[field] ?? ''];
    if (text === '') continue;
    const value = was === '' ? text : `${was}; ${other.tag}: ${text}`;
    draft.make({ kind: 'set-cable-text', cable: into.cable, field, value, was });
  }
  for (const { cable, node, to } of plugged) {
    const now = newNode.get(to);
    if (now === undefined) continue;
    draft.make({ kind: 'set-cable-end', cable, node, at: { is: 'mate', cable: into.cable, node: now }, was: { is: 'free' } });
  }
  return { leg, node: joint.id };
}

/** A leg of which one end is in the loom already. */
function reachable(waiting: ReadonlySet<Cable['legs'][LegId]>, there: ReadonlyMap<NodeId, NodeId>) {
  return [...waiting].find(({ a, b }) => there.has(a) || there.has(b));
}

function moved(newNode: ReadonlyMap<NodeId, NodeId>, { node, n }: NodePin): NodePin | undefined {
  const now = newNode.get(node);
  return now === undefined ? undefined : { node: now, n };
}
