import type { Edit, SimpleEdit } from '../../edits/registry.ts';
import { portAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Cable, CableEnd, NodePin } from '../../model/aircraft.ts';
import { asId, type LegId, type NodeId } from '../../model/ids.ts';
import { DraftEdits } from '../draftEdits.ts';
import { newConductor, type WireEnd } from '../newConductor.ts';
import { legBetween } from './legBetween.ts';
import { contactJoins } from './loomJoins.ts';
import { nodeNames } from './nodeNames.ts';
import { spliceCrowded, wiresAt } from './spliceContact.ts';
import { tidyLoom } from './tidyLoom.ts';

/*
 * What a person does with the ends of a cable, each as one edit with placeholders for ids; undefined where there is nothing to do or
 * the document does not allow it.
 */

/** A contact of an end. */
interface Contact {
  readonly end: CableEnd;
  readonly n: number;
}

/** Joins contacts of two ends of one cable by a wire; where a contact then holds more wires than it takes, they are spliced. */
export function joinContacts(graph: Graph, cable: Cable, from: Contact, to: Contact): Edit | undefined {
  if (contactJoins(cable, from.end, to.end).some(({ a, b }) => a === from.n && b === to.n)) return undefined;
  const draft = new DraftEdits(graph.design);
  const leg = legBetween(draft, cable, from.end.id, to.end.id);
  if (leg === undefined) return undefined;
  const [a, b] = leg.isTurned ? [to, from] : [from, to];
  const wire = { id: draft.newId<NodeId>(), leg: leg.leg, nodeA: a.end.id, nodeB: b.end.id, a: a.n, b: b.n };
  const conductor = newConductor(graph, wireEnd(graph, a.end), wireEnd(graph, b.end), wire);
  const isDone =
    draft.make({ kind: 'add-conductor', cable: cable.id, conductor }) && spliceCrowded(draft, cable.id, [from.end.id, to.end.id]);
  return isDone ? draft.edit(`${cable.tag}: connect contact ${from.n} to contact ${to.n}`) : undefined;
}

function wireEnd(graph: Graph, end: CableEnd): WireEnd {
  return portAt(graph, end) ?? end.connector;
}

/** Takes out every wire at a contact, with splices that then join nothing. */
export function clearContact(graph: Graph, cable: Cable, at: NodePin): Edit | undefined {
  const draft = new DraftEdits(graph.design);
  const wires = wiresAt(cable, at);
  const isDone =
    wires.every(({ id }) => draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: id })) && tidyLoom(draft, cable.id);
  return wires.length > 0 && isDone ? draft.edit(`${cable.tag}: clear contact ${at.n}`) : undefined;
}

/** Exchanges the wires at a contact with those at the next contact of the same end. */
export function swapContacts(cable: Cable, end: CableEnd, n: number): Edit | undefined {
  if (n >= end.connector.positions) return undefined;
  const moves = [
    [n, n + 1],
    [n + 1, n],
  ].flatMap(([from = 0, to = 0]) =>
    wiresAt(cable, { node: end.id, n: from }).map((wire): SimpleEdit => {
      const side = wire.a.node === end.id && wire.a.n === from ? 'a' : 'b';
      return { kind: 'move-conductor', cable: cable.id, conductor: wire.id, end: side, to: { node: end.id, n: to }, was: wire[side] };
    }),
  );
  return moves.length === 0 ? undefined : { kind: 'batch', title: `${cable.tag}: swap contacts ${n} and ${n + 1}`, edits: moves };
}

/** Pulls a contact from the shell, or fits it again. */
export function toggleContact(cable: Cable, end: CableEnd, n: number): Edit {
  const was = [...(end.absent ?? [])];
  const absent = was.includes(n) ? was.filter((other) => other !== n) : [...was, n].sort((x, y) => x - y);
  return { kind: 'set-absent-contacts', cable: cable.id, node: end.id, absent, was };
}

/** A branch from a node of a cable to a new plug of the same kind, which is in no port yet. */
export function addBranch(cable: Cable, from: CableEnd): Edit {
  const [node, leg] = [asId<NodeId>('?1'), asId<LegId>('?2')];
  return {
    kind: 'add-leg',
    cable: cable.id,
    leg: { id: leg, a: from.id, b: node },
    node: { id: node, is: 'end', at: { is: 'free' }, connector: from.connector },
  };
}

/**
 * Takes an end of a loom away with its wires, and splices that then join nothing. Not one that others hang on, nor one of only two: then the
 * cable is removed as a whole.
 */
export function removeEnd(graph: Graph, cable: Cable, node: NodeId): Edit | undefined {
  const name = nodeNames(graph, cable).get(node) ?? 'an end';
  const ends = Object.values(cable.nodes).filter(({ is }) => is === 'end');
  if (ends.length < 3) return undefined;
  const draft = new DraftEdits(graph.design);
  const legs = Object.values(cable.legs).filter(({ a, b }) => a === node || b === node);
  const wires = Object.values(cable.conductors).filter(({ leg }) => legs.some(({ id }) => id === leg));
  const isDone =
    wires.every(({ id }) => draft.make({ kind: 'remove-conductor', cable: cable.id, conductor: id })) &&
    tidyLoom(draft, cable.id) &&
    legs.every(({ id }) => draft.cable(cable.id)?.legs[id] === undefined || draft.make({ kind: 'remove-leg', cable: cable.id, leg: id }));
  const after = draft.cable(cable.id);
  const areOthersKept = after !== undefined && ends.every(({ id }) => id === node || after.nodes[id] !== undefined) && isInOnePiece(after);
  return isDone && areOthersKept ? draft.edit(`Remove the end at ${name} from ${cable.tag}`) : undefined;
}

/** True when legs lead from every node of a cable to every other. */
function isInOnePiece({ nodes, legs }: Cable): boolean {
  const [first] = Object.values(nodes);
  const reached = new Set(first === undefined ? [] : [first.id]);
  for (let before = -1; before < reached.size;) {
    before = reached.size;
    for (const { a, b } of Object.values(legs)) if (reached.has(a) || reached.has(b)) reached.add(a).add(b);
  }
  return reached.size === Object.keys(nodes).length;
}
