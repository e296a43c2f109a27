import { matedEnd } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { CableEnd } from '../../model/aircraft.ts';
import { contactAmps } from '../../model/connector.ts';

/**
 * What a contact of an end carries for so long, in amperes: where two cables are plugged into each other, what the weaker of the two
 * connectors does.
 */
export function contactRating(graph: Graph, end: CableEnd, durationS: number): number {
  const own = contactAmps(end.connector.family, durationS);
  const mated = matedEnd(graph, end);
  return mated === undefined ? own : Math.min(own, contactAmps(mated.end.connector.family, durationS));
}
