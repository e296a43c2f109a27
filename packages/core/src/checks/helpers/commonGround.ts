import { groupOf, type Graph } from '../../graph/graph.ts';
import { isSignal } from '../../harness/joinVerdict.ts';
import type { Join, Run } from '../../harness/runs.ts';

const cache = new WeakMap<Graph, readonly ReadonlySet<number>[]>();

/** A signal that a run carries between two parts that share no ground; undefined where there is none, or they need none. */
export function groundlessSignal(graph: Graph, { a, b, joins }: Run): Join | undefined {
  const signal = joins.find((join) => isSignal(join.a.pin.role) && isSignal(join.b.pin.role));
  if (signal === undefined || shareGround(graph, a.item, b.item)) return undefined;
  // Pairs that are isolated at both ends need none.
  if (a.port.groundless !== undefined && b.port.groundless !== undefined) return undefined;
  return hasGround(graph, a.item) && hasGround(graph, b.item) ? signal : undefined;
}

/** The nets of the ground pins of each item. */
function groundNets(graph: Graph): readonly ReadonlySet<number>[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const nets = graph.items.map(() => new Set<number>());
  graph.nodes.forEach((at, node) => {
    if (at.is === 'pin' && at.pin.role === 'gnd') nets[at.item]?.add(groupOf(graph.nets, node));
  });
  cache.set(graph, nets);
  return nets;
}

function hasGround(graph: Graph, item: number): boolean {
  return (groundNets(graph)[item]?.size ?? 0) > 0;
}

function shareGround(graph: Graph, a: number, b: number): boolean {
  const [ofA, ofB] = [groundNets(graph)[a], groundNets(graph)[b]];
  return ofA !== undefined && ofB !== undefined && [...ofB].some((net) => ofA.has(net));
}
