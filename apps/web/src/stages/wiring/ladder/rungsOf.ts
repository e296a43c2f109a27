import {
  contactJoins,
  crowdedContacts,
  nodeNames,
  pinAt,
  pinNode,
  pinsBefore,
  portAt,
  voltsAt,
  wiresAt,
  type Cable,
  type CableEnd,
  type Graph,
  type Pin,
} from '@wired-falcon/core';

/** Left and right. */
export type Side = 'a' | 'b';

/** One contact of an end, as a step of the ladder. */
export interface RungFacts {
  readonly n: number;
  /** The end that it is at: `FC1 S4`, `free end`. */
  readonly place: string;
  /** Names the step for tests and links: the item's reference where the end is in a port. */
  readonly address: string;
  /** The pin that it meets; none at an end that is in no port, or where the port has no such position. */
  readonly pin: Pin | undefined;
  readonly volts: number | undefined;
  readonly isPulled: boolean;
  /** How many wires it holds, where these are more than it takes. */
  readonly crowdedBy: number | undefined;
  /** What it is joined to at the end opposite. */
  readonly facing: readonly string[];
  /** What it is joined to at the ends that are folded. */
  readonly elsewhere: readonly string[];
}

/** The contacts of an end in physical order, with what each meets and is joined to; as many as the longer of plug and port has. */
export function rungsOf(graph: Graph, cable: Cable, end: CableEnd, opposite: CableEnd): readonly RungFacts[] {
  const names = nodeNames(graph, cable);
  const at = portAt(graph, end);
  const place = names.get(end.id) ?? '?';
  const crowded = crowdedContacts(cable, end);
  const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end' && node.id !== end.id);
  const joined = ends.flatMap((other) => {
    const far = portAt(graph, other);
    return contactJoins(cable, end, other).map(({ a, b }) => {
      const label = far === undefined ? undefined : pinAt(far.port, b)?.label;
      return { a, other, words: `${names.get(other.id) ?? '?'} ${b}${label === undefined ? '' : ` ${label}`}` };
    });
  });
  const count = Math.max(end.connector.positions, at?.port.pins.length ?? 0);
  return Array.from({ length: count }, (_, i): RungFacts => {
    const n = i + 1;
    const node = at === undefined ? undefined : pinNode(graph, at.itemId, at.port.id, n + pinsBefore(at));
    const own = joined.filter(({ a }) => a === n);
    return {
      n,
      place,
      address: `${at?.ref ?? place}.${n}`,
      pin: at === undefined ? undefined : pinAt(at.port, n),
      volts: node === undefined ? undefined : voltsAt(graph, node),
      isPulled: end.absent?.includes(n) === true,
      crowdedBy: crowded.includes(n) ? wiresAt(cable, { node: end.id, n }).length : undefined,
      facing: own.filter(({ other }) => other === opposite).map(({ words }) => words),
      elsewhere: own.filter(({ other }) => other !== opposite).map(({ words }) => words),
    };
  });
}
