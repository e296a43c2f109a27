import type { Graph } from '../../graph/graph.ts';
import type { Cable, Conductor } from '../../model/aircraft.ts';
import type { Connector } from '../../model/connector.ts';
import { CONNECTOR_FAMILIES } from '../../model/connector.ts';
import { conductorLengthMm } from '../../harness/wireFacts.ts';

/** Resistivity of annealed copper at 20 C in ohm metres, and its rise by kelvin (IEC 60028). */
const COPPER_OHM_M = 1.724e-8;
const COPPER_PER_K = 0.003_93;

/** What a wire is taken to be long when nobody typed a length and the layout does not tell. */
export const ASSUMED_LENGTH_MM = 200;

/** Diameter of an AWG size in metres: 0.127 mm * 92 ^ ((36 - n) / 39) (definition of the American wire gauge). */
function diameterM(awg: number): number {
  return 0.000_127 * 92 ** ((36 - awg) / 39);
}

/** The resistance of a wire, in ohm. */
export function wireOhm(awg: number, lengthMm: number, celsius = 20): number {
  const areaM2 = (Math.PI / 4) * diameterM(awg) ** 2;
  return ((COPPER_OHM_M * (1 + COPPER_PER_K * (celsius - 20))) / areaM2) * (lengthMm / 1000);
}

/** The resistance of a conductor of a cable; where its length is not known, that of `ASSUMED_LENGTH_MM`. */
export function conductorOhm(graph: Graph, cable: Cable, conductor: Conductor): number {
  return wireOhm(conductor.awg, conductorLengthMm(graph, cable, conductor) ?? ASSUMED_LENGTH_MM);
}

/** The resistance of one mated contact. */
export function contactOhm(connector: Connector): number {
  return CONNECTOR_FAMILIES[connector.family].contactMilliohm / 1000;
}
