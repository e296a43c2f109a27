import type { Graph } from '../graph/graph.ts';
import { legLengthMm } from '../layout/ways.ts';
import type { Cable, Conductor } from '../model/aircraft.ts';

/** The length of a conductor in mm: as typed for its leg, else by the layout; undefined as long as neither is there. */
export function conductorLengthMm(graph: Graph, cable: Cable, conductor: Conductor): number | undefined {
  return legLengthMm(graph, cable, cable.legs[conductor.leg]);
}
