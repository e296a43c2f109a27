import { portAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Cable, CableEnd, Conductor, NodePin } from '../../model/aircraft.ts';
import { listed } from '../../text/lists.ts';

/** The plugs and pads of a cable. */
export function endsOf({ nodes }: Cable): readonly CableEnd[] {
  return Object.values(nodes).flatMap((node) => (node.is === 'end' ? [node] : []));
}

/** Where an end is: `FC1 pos E`; undefined where it hangs free. */
export function placeIn(graph: Graph, end: CableEnd): string | undefined {
  const at = portAt(graph, end);
  return at === undefined ? undefined : `${at.ref} ${at.port.label}`;
}

/** Where a cable leads: `PM1 out and FC1 power 1`. */
export function endsIn(graph: Graph, cable: Cable): string {
  return listed(endsOf(cable).map((end) => placeIn(graph, end) ?? 'an unplugged end'));
}

/** Where an end is, to compare; empty where it is nowhere. */
export function placeKey({ at }: CableEnd): readonly string[] {
  return at.is === 'port' ? [`${at.item} ${at.port} ${at.offset ?? 0}`] : [];
}

/** What a wire joins, whichever way round; the same for no two wires between ports. */
export function wireKey({ nodes }: Cable, { a, b }: Conductor): string {
  const keyAt = ({ node, n }: NodePin): string => {
    const end = nodes[node];
    return end?.is === 'end' ? `${placeKey(end).join('')} ${n}` : `splice ${node} ${n}`;
  };
  return [keyAt(a), keyAt(b)].sort().join(' to ');
}
