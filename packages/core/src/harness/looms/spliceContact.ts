import type { Cable, CableEnd, Conductor, NodePin } from '../../model/aircraft.ts';
import { wiresPerContact } from '../../model/connector.ts';
import type { CableId, LegId, NodeId } from '../../model/ids.ts';
import type { DraftEdits } from '../draftEdits.ts';

/** How far behind the plug a splice is made, in mm: far enough to hold it, near enough to lie with the plug. */
const BEHIND_PLUG_MM = 50;

/** The wires at a contact of a cable. */
export function wiresAt({ conductors }: Cable, { node, n }: NodePin): readonly Conductor[] {
  return Object.values(conductors).filter(({ a, b }) => isSamePin(a, { node, n }) || isSamePin(b, { node, n }));
}

/** The other end of a wire. */
export function farOf({ a, b }: Conductor, at: NodePin): NodePin {
  return isSamePin(a, at) ? b : a;
}

function isSamePin(x: NodePin, y: NodePin): boolean {
  return x.node === y.node && x.n === y.n;
}

/** The contacts of an end that hold more wires than they take, in rising order. */
export function crowdedContacts(cable: Cable, end: CableEnd): readonly number[] {
  const most = wiresPerContact(end.connector);
  if (most === Infinity) return [];
  const counts = new Map<number, number>();
  for (const { a, b } of Object.values(cable.conductors))
    for (const { node, n } of [a, b]) if (node === end.id) counts.set(n, (counts.get(n) ?? 0) + 1);
  return [...counts]
    .filter(([, count]) => count > most)
    .map(([n]) => n)
    .sort((x, y) => x - y);
}

/**
 * Splices the wires of every contact that holds more than it takes.
 * @param at the ends that are looked at
 * @returns false when an edit of it is refused
 */
export function spliceCrowded(draft: DraftEdits, cableId: CableId, at: readonly NodeId[]): boolean {
  return at.every((node) => {
    const cable = draft.cable(cableId);
    const end = cable?.nodes[node];
    if (cable === undefined || end?.is !== 'end') return false;
    return crowdedContacts(cable, end).every((n) => spliceContact(draft, cableId, { node, n }));
  });
}

/**
 * Splices the wires of a contact: one wire leads from it to a joint, and what ended in it ends in the joint. Where one of its wires leads
 * to a splice already, that is the joint.
 * @returns false when an edit of it is refused
 */
export function spliceContact(draft: DraftEdits, cableId: CableId, at: NodePin): boolean {
  const cable = draft.cable(cableId);
  const [first, ...others] = cable === undefined ? [] : wiresAt(cable, at);
  if (cable === undefined || first === undefined) return false;
  const known = [first, ...others].find((wire) => cable.nodes[farOf(wire, at).node]?.is === 'splice');
  if (known !== undefined) {
    const rest = [first, ...others].filter((wire) => wire !== known);
    return rest.every((wire) => leadOn(draft, cable, wire, at, farOf(known, at))) && dropEmptyLegs(draft, cable);
  }
  // 1. The joint, and the wire from the contact to it: as thick as the thickest, and of the colour of the first.
  const splice = draft.newId<NodeId>();
  const stub = draft.newId<LegId>();
  const typed = Object.values(cable.legs).flatMap(({ typedLengthMm }) => typedLengthMm ?? []);
  const stubMm = draft.isLaidOut ? {} : { typedLengthMm: Math.min(BEHIND_PLUG_MM, ...typed.map((mm) => mm / 2)) };
  const joint = { node: splice, n: 1 };
  const isBegun =
    draft.make({
      kind: 'add-leg',
      cable: cableId,
      leg: { id: stub, a: at.node, b: splice, ...stubMm },
      node: { id: splice, is: 'splice' },
    }) &&
    draft.make({
      kind: 'add-conductor',
      cable: cableId,
      conductor: { ...first, id: draft.newId(), leg: stub, a: at, b: joint, awg: Math.min(first.awg, ...others.map(({ awg }) => awg)) },
    });
  // 2. Every wire that ended in the contact leads on from the joint.
  return isBegun && [first, ...others].every((wire) => leadOn(draft, cable, wire, at, joint)) && dropEmptyLegs(draft, cable);
}

function leadOn(draft: DraftEdits, cable: Cable, wire: Conductor, at: NodePin, joint: NodePin): boolean {
  const far = farOf(wire, at);
  const now = draft.cable(cable.id);
  // A wire from the joint to its other end may be there already: one is enough.
  if (now !== undefined && wiresAt(now, joint).some((other) => isSamePin(farOf(other, joint), far)))
    return draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: wire.id });
  const there = Object.values(now?.legs ?? {}).find(
    ({ a, b }) => (a === joint.node && b === far.node) || (a === far.node && b === joint.node),
  );
  const legId = there?.id ?? draft.newId<LegId>();
  const [a, b] = there?.a === far.node ? [far, joint] : [joint, far];
  const old = cable.legs[wire.leg];
  if (old === undefined) return false;
  const { id: _id, a: _a, b: _b, typedLengthMm: before, ...way } = old;
  // Where the airframe is laid out, it says where the splice lies; what somebody typed was of the leg as a whole.
  const lengthMm = before === undefined || draft.isLaidOut ? {} : { typedLengthMm: before - Math.min(BEHIND_PLUG_MM, before / 2) };
  return (
    (there !== undefined ||
      draft.make({ kind: 'add-leg', cable: cable.id, leg: { id: legId, a: joint.node, b: far.node, ...way, ...lengthMm } })) &&
    draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: wire.id }) &&
    draft.make({ kind: 'add-conductor', cable: cable.id, conductor: { ...wire, id: draft.newId(), leg: legId, a, b } })
  );
}

/** Legs that held wires before, and hold none now. */
function dropEmptyLegs(draft: DraftEdits, before: Cable): boolean {
  const held = new Set(Object.values(before.conductors).map(({ leg }) => leg));
  const still = new Set(Object.values(draft.cable(before.id)?.conductors ?? {}).map(({ leg }) => leg));
  return [...held].filter((leg) => !still.has(leg)).every((leg) => draft.make({ kind: 'remove-leg', cable: before.id, leg }));
}
