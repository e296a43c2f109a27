import { joinPins, type Conductor, type Edit, type Graph, type PortLeg, type SimpleEdit } from '@wired-falcon/core';

export type Side = 'a' | 'b';

/** The conductors at one pin of one side. */
export function conductorsAt(plain: PortLeg, side: Side, n: number): readonly Conductor[] {
  return plain.conductors.filter((conductor) => conductor[side].n === n);
}

/** Joins two pins of a plain cable, whichever side was chosen first. */
export function joinEdit(graph: Graph, plain: PortLeg, from: { readonly side: Side; readonly n: number }, toN: number): Edit {
  return from.side === 'a' ? joinPins(graph, plain, from.n, toN) : joinPins(graph, plain, toN, from.n);
}

/** Removes every conductor at a pin; undefined when there is none. */
export function partEdit(plain: PortLeg, side: Side, n: number): Edit | undefined {
  const edits = conductorsAt(plain, side, n).map((conductor): SimpleEdit => ({
    kind: 'remove-conductor',
    cable: plain.cable.id,
    conductor: conductor.id,
  }));
  const [only] = edits;
  if (only === undefined) return undefined;
  return edits.length === 1 ? only : { kind: 'batch', title: `${plain.cable.tag}: part pin ${n}`, edits };
}

/** Exchanges the conductors at a pin with those at the next pin of the same side; undefined when there are none. */
export function swapWithNext(plain: PortLeg, side: Side, n: number): Edit | undefined {
  const end = side === 'a' ? plain.a : plain.b;
  if (n >= end.port.connector.positions) return undefined;
  const move = (conductor: Conductor, to: number): SimpleEdit => ({
    kind: 'move-conductor',
    cable: plain.cable.id,
    conductor: conductor.id,
    end: side,
    to: { node: conductor[side].node, n: to },
    was: conductor[side],
  });
  const edits = [
    ...conductorsAt(plain, side, n).map((conductor) => move(conductor, n + 1)),
    ...conductorsAt(plain, side, n + 1).map((conductor) => move(conductor, n)),
  ];
  if (edits.length === 0) return undefined;
  return { kind: 'batch', title: `${plain.cable.tag}: swap pins ${n} and ${n + 1} at ${end.ref}`, edits };
}

/** Pulls a contact from the shell, or fits it again. */
export function toggleContact(plain: PortLeg, side: Side, n: number): Edit {
  const end = side === 'a' ? plain.endA : plain.endB;
  const was = [...(end.absent ?? [])];
  const absent = was.includes(n) ? was.filter((other) => other !== n) : [...was, n].sort((x, y) => x - y);
  return { kind: 'set-absent-contacts', cable: plain.cable.id, node: end.id, absent, was };
}
