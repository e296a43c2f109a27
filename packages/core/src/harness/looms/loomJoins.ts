import type { Cable, CableEnd, Conductor, NodePin } from '../../model/aircraft.ts';
import { farOf, wiresAt } from './spliceContact.ts';

/** What joins a contact of one end to a contact of another: one wire, or several by way of splices. */
export interface ContactJoin {
  readonly a: number;
  readonly b: number;
  readonly wires: readonly Conductor[];
}

/** Which contacts of two ends a cable joins, whether they are plugged in or not; in order of the contact at A, then at B. */
export function contactJoins(cable: Cable, a: CableEnd, b: CableEnd): readonly ContactJoin[] {
  const joins = Array.from({ length: a.connector.positions }, (_, i) => i + 1).flatMap((n) =>
    contactsFrom(cable, { node: a.id, n })
      .filter(({ at }) => at.node === b.id)
      .map(({ at, wires }) => ({ a: n, b: at.n, wires })),
  );
  return joins.sort((x, y) => x.a - y.a || x.b - y.b);
}

interface Reached {
  readonly at: NodePin;
  readonly wires: readonly Conductor[];
}

/** The contacts of other ends that the wires of a contact lead to, through splices. */
function contactsFrom(cable: Cable, start: NodePin): readonly Reached[] {
  const reached: Reached[] = [];
  const seen = new Set<Conductor>();
  const queue: Reached[] = [{ at: start, wires: [] }];
  for (let next = queue.shift(); next !== undefined; next = queue.shift()) {
    const { at, wires } = next;
    for (const wire of wiresAt(cable, at)) {
      if (seen.has(wire)) continue;
      seen.add(wire);
      const far = farOf(wire, at);
      const on = { at: far, wires: [...wires, wire] };
      if (cable.nodes[far.node]?.is === 'splice') queue.push(on);
      else reached.push(on);
    }
  }
  return reached;
}
