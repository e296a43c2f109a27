import type { Graph, GraphNode } from './graph.ts';

/**
 * Computes once for all versions that are built alike, which share their nodes. For what reads no member that is unbuilt, and gives
 * nothing that holds the graph or the design: these would be those of an older version.
 */
export function onceBuilt<T>(compute: (graph: Graph) => T): (graph: Graph) => T {
  const cache = new WeakMap<readonly GraphNode[], { readonly value: T }>();
  return (graph) => {
    const known = cache.get(graph.nodes);
    if (known !== undefined) return known.value;
    const value = compute(graph);
    cache.set(graph.nodes, { value });
    return value;
  };
}
