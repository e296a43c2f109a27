import type { Cable, CableNode } from '../model/aircraft.ts';
import { asId, type CableId, type ConductorId, type LegId, type MakeId, type NodeId } from '../model/ids.ts';

/** The first two cables with three contacts at each end as one loom from the first one's port, spliced wire by wire. */
export function withLoom(cables: readonly Cable[]): readonly Cable[] {
  const [one, two] = cables.filter((cable) =>
    Object.values(cable.nodes).every((node) => node.is === 'end' && node.connector.positions === 3),
  );
  const [a, b, c] = [one?.nodes[asId<NodeId>('a')], one?.nodes[asId<NodeId>('b')], two?.nodes[asId<NodeId>('b')]];
  if (one === undefined || two === undefined || a === undefined || b?.is !== 'end' || c === undefined)
    throw new Error('No two cables of three contacts.');
  const own = asId<NodeId>('c');
  const nodes = [a, b, { ...c, id: own }, ...[1, 2, 3].map((n): CableNode => ({ is: 'splice', id: asId<NodeId>(`s${n}`) }))];
  const wires = Object.values(one.conductors).flatMap((wire) => {
    const splice = { node: asId<NodeId>(`s${wire.a.n}`), n: 1 };
    return [
      { a: wire.a, b: splice },
      { a: splice, b: wire.b },
      { a: splice, b: { node: own, n: wire.b.n } },
    ].map((ends, i) => ({
      ...wire,
      ...ends,
      id: asId<ConductorId>(`${wire.id}${i}`),
      leg: asId<LegId>(`leg ${ends.a.node} ${ends.b.node}`),
    }));
  });
  const loom: Cable = {
    ...one,
    nodes: Object.fromEntries(nodes.map((node) => [node.id, node])),
    legs: Object.fromEntries(wires.map(({ leg, a: { node: from }, b: { node: to } }) => [leg, { id: leg, a: from, b: to }])),
    conductors: Object.fromEntries(wires.map((wire) => [wire.id, wire])),
  };
  return [loom, ...cables.filter((cable) => cable !== one && cable !== two)];
}

/** Cables whose nodes, legs and wires have ids of their own. */
export function withOwnIds(cables: readonly Cable[], makeId: MakeId): readonly Cable[] {
  const drawnFor = new Map<string, string>();
  const newId = <T extends NodeId | LegId | ConductorId>(cable: CableId, old: T): T => {
    const key = `${cable} ${old}`;
    const id = drawnFor.get(key) ?? makeId();
    drawnFor.set(key, id);
    return asId<T>(id);
  };
  const keyed = <T extends { readonly id: string }>(members: readonly T[]): Record<string, T> =>
    Object.fromEntries(members.map((member) => [member.id, member]));
  return cables.map(({ id, nodes, legs, conductors, ...rest }) => ({
    ...rest,
    id,
    nodes: keyed(
      Object.values(nodes).map((node) => ({
        ...node,
        id: newId(id, node.id),
        ...(node.is === 'end' && node.at.is === 'mate' ? { at: { ...node.at, node: newId(node.at.cable, node.at.node) } } : {}),
      })),
    ),
    legs: keyed(Object.values(legs).map((leg) => ({ ...leg, id: newId(id, leg.id), a: newId(id, leg.a), b: newId(id, leg.b) }))),
    conductors: keyed(
      Object.values(conductors).map((wire) => ({
        ...wire,
        id: newId(id, wire.id),
        leg: newId(id, wire.leg),
        a: { ...wire.a, node: newId(id, wire.a.node) },
        b: { ...wire.b, node: newId(id, wire.b.node) },
      })),
    ),
  }));
}
