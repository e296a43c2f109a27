import type { Graph } from '../graph/graph.ts';
import { legLengthMm } from '../layout/ways.ts';
import type { Cable, Conductor } from '../model/aircraft.ts';

/** Twisted wires are longer than their cable by this share. */
const TWISTED = 1.03;

/** The length of a conductor in mm: as typed for its leg, else by the layout; undefined as long as neither is there. */
export function conductorLengthMm(graph: Graph, cable: Cable, conductor: Conductor): number | undefined {
  const leg = cable.legs[conductor.leg];
  const lengthMm = legLengthMm(graph, cable, leg);
  return lengthMm === undefined || leg?.twistMm === undefined ? lengthMm : Math.round(lengthMm * TWISTED);
}
