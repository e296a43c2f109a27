import type { Aircraft, Cable, CableEnd, CableNode } from '../model/aircraft.ts';
import type { NodeId } from '../model/ids.ts';
import { naturalOrder } from '../model/naturalOrder.ts';

const cache = new WeakMap<Cable, { readonly places: string; readonly inOrder: Cable }>();

/**
 * A cable with its members in an order that people know again, whatever their ids: ends that legs begin at, then the others, each by
 * reference and port; then splices, by what they lead to. Legs by the ends that they join, wires by leg and contact. The members themselves are the same.
 */
export function cableInOrder(aircraft: Pick<Aircraft, 'items' | 'cables'>, cable: Cable): Cable {
  const nodes = toldApart(
    aircraft,
    cable,
    Object.values(cable.nodes).map((node) => ({ node, place: placeOf(aircraft, cable, node) })),
  );
  const places = nodes.map(({ place }) => place).join('\n');
  const known = cache.get(cable);
  if (known?.places === places) return known.inOrder;
  const inOrder = ordered(cable, nodes);
  cache.set(cable, { places, inOrder });
  return inOrder;
}

interface PlacedNode {
  readonly node: CableNode;
  readonly place: string;
}

/** Nodes at one place (two wires on a pad, two free ends, two splices to the same contacts) are told apart by what their wires lead to. */
function toldApart(aircraft: Pick<Aircraft, 'items' | 'cables'>, cable: Cable, nodes: readonly PlacedNode[]): readonly PlacedNode[] {
  if (new Set(nodes.map(({ place }) => place)).size === nodes.length) return nodes;
  return nodes.map(({ node, place }) => ({ node, place: `${place}; ${wiresFrom(aircraft, cable, node)}` }));
}

/** The wires of a node, each by its contacts, its far place, gauge and colour. */
function wiresFrom(aircraft: Pick<Aircraft, 'items' | 'cables'>, cable: Cable, { id }: CableNode): string {
  return Object.values(cable.conductors)
    .flatMap(({ a, b, awg, colour }) => {
      const [own, far] = a.node === id ? [a, b] : [b, a];
      const there = own.node === id ? cable.nodes[far.node] : undefined;
      return there === undefined ? [] : [`${own.n} ${placeOf(aircraft, cable, there)} ${far.n} ${awg} ${colour}`];
    })
    .sort(naturalOrder)
    .join(', ');
}

function ordered(cable: Cable, placed: readonly PlacedNode[]): Cable {
  const legs = Object.values(cable.legs);
  const begins = new Set(legs.map(({ a }) => a));
  const rank = (node: CableNode): number => (node.is === 'splice' ? 2 : begins.has(node.id) ? 0 : 1);
  const nodes = [...placed]
    .sort((x, y) => rank(x.node) - rank(y.node) || naturalOrder(x.place, y.place) || naturalOrder(x.node.id, y.node.id))
    .map(({ node }) => node);
  const nodeIx = new Map(nodes.map(({ id }, i) => [id, i] as const));
  const at = (node: NodeId): number => nodeIx.get(node) ?? -1;
  legs.sort(
    (x, y) => at(x.a) - at(y.a) || at(x.b) - at(y.b) || (x.typedLengthMm ?? -1) - (y.typedLengthMm ?? -1) || naturalOrder(x.id, y.id),
  );
  const legIx = new Map(legs.map(({ id }, i) => [id, i] as const));
  const wires = Object.values(cable.conductors).sort(
    (x, y) =>
      (legIx.get(x.leg) ?? -1) - (legIx.get(y.leg) ?? -1) ||
      at(x.a.node) - at(y.a.node) ||
      x.a.n - y.a.n ||
      x.b.n - y.b.n ||
      naturalOrder(x.id, y.id),
  );
  return { ...cable, nodes: byId(nodes), legs: byId(legs), conductors: byId(wires) };
}

function byId<T extends { readonly id: string }>(members: readonly T[]): Readonly<Record<string, T>> {
  return Object.fromEntries(members.map((member) => [member.id, member]));
}

/** Where a node is, in words that hold for every copy of the aircraft: of a splice, the contacts that its wires lead to. */
function placeOf(aircraft: Pick<Aircraft, 'items' | 'cables'>, { nodes, conductors }: Cable, node: CableNode): string {
  if (node.is === 'end') return endPlace(aircraft, node);
  return Object.values(conductors)
    .flatMap(({ a, b }) => (a.node === node.id ? [b] : b.node === node.id ? [a] : []))
    .map((beyond) => {
      const other = nodes[beyond.node];
      return other?.is === 'end' ? `${endPlace(aircraft, other)} ${beyond.n}` : '';
    })
    .sort(naturalOrder)
    .join(', ');
}

function endPlace({ items, cables }: Pick<Aircraft, 'items' | 'cables'>, { at }: CableEnd): string {
  switch (at.is) {
    case 'port':
      return `${items[at.item]?.ref ?? '?'} ${at.port}${at.offset === undefined ? '' : ` ${at.offset}`}`;
    case 'mate':
      return `~${cables[at.cable]?.tag ?? '?'}`;
    case 'free':
      return '~~';
  }
}
