import { findingsOf } from '../checks/findingsOf.ts';
import type { Graph } from '../graph/graph.ts';

/** True where a change brings something that stops: that can damage, burn or lose the aircraft. */
export function bringsStops(before: Graph, after: Graph): boolean {
  const known = new Set(stopsOf(before));
  return stopsOf(after).some((key) => !known.has(key));
}

function stopsOf({ design }: Graph): readonly string[] {
  return findingsOf(design).flatMap(({ severity, key }) => (severity === 'stop' ? [key] : []));
}
