import type { CableNode } from '../../model/aircraft.ts';
import type { Graph, GraphEdge } from '../../graph/graph.ts';

type Wire = Extract<GraphEdge, { is: 'conductor' }>;
/** A contact of a cable against what it is plugged into. */
export type Contact = Extract<GraphEdge, { is: 'contact' }>;

/** A wire as a person names it: `W05 wire 1 (red)`; with its far end where another one begins at the same contact. */
export function wireName(graph: Graph, { cable: ix, conductor }: Wire): string {
  const cable = graph.cables[ix];
  const { id, a, b, colour } = conductor;
  const isOneOfSeveral = Object.values(cable?.conductors ?? {}).some(
    (other) => other.id !== id && other.a.node === a.node && other.a.n === a.n,
  );
  return `${cable?.tag ?? '?'} wire ${a.n}${isOneOfSeveral ? ` to ${[refAt(graph, cable?.nodes[b.node]), b.n].join(' ')}` : ''} (${colour})`;
}

/** The reference of the item, or the tag of the cable, that an end is plugged into; empty where it is at none. */
function refAt(graph: Graph, node: CableNode | undefined): string {
  if (node?.is !== 'end' || node.at.is === 'free') return '';
  if (node.at.is === 'mate') return graph.cables[graph.cableIx.get(node.at.cable) ?? -1]?.tag ?? '';
  return graph.items[graph.itemIx.get(node.at.item) ?? -1]?.item.ref ?? '';
}

/** Pins that meet without a cable, as a person names them: `PWR1 stack pin 3 on FC1 servos`. */
export function matedName(graph: Graph, { mate, a }: Extract<GraphEdge, { is: 'mate' }>): string {
  const pin = graph.nodes[a];
  const [on, under] = [mate.a, mate.b].map(({ item, port }) => {
    const entry = graph.items[graph.itemIx.get(item) ?? -1];
    return `${entry?.item.ref ?? '?'} ${entry?.part?.ports.find(({ id }) => id === port)?.label ?? port}`;
  });
  return `${on ?? '?'} pin ${pin?.is === 'pin' ? pin.pin.n : '?'} on ${under ?? '?'}`;
}

/** A contact as a person names it: `W05 contact 2 at BEC1`, or `at W06` where it is plugged into another cable. */
export function contactName(graph: Graph, { cable, end, n }: Contact): string {
  const ref = refAt(graph, end);
  return `${graph.cables[cable]?.tag ?? '?'} contact ${n}${ref === '' ? '' : ` at ${ref}`}`;
}
