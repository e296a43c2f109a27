import { decimals, stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { conductorLengthMm } from '../../harness/wireFacts.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { conductorOhm, ASSUMED_LENGTH_MM } from '../network/wireOhm.ts';
import { ampsOfEdges, voltsAtNode } from '../network/readings.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { solveScenario } from '../scenarios/solveScenario.ts';

/**
 * What every conductor carries in a situation, before anything falls: one row a wire, in the order of cables and pins, with the
 * voltages at both of its ends. Undefined when there is no such situation.
 */
export function currentSheet(graph: Graph, scenarioId: string): Sheet | undefined {
  const { name } = graph.design.aircraft;
  const scenario = scenariosOf(graph.design.aircraft).find(({ id }) => id === scenarioId);
  if (scenario === undefined) return undefined;
  const { network, before, circuit } = solveScenario(graph, scenario);
  const amps = ampsOfEdges(network, before, circuit.ohms);
  let assumed = 0;
  const rows = graph.edges.flatMap((edge, i): (readonly string[])[] => {
    const cable = edge.is === 'conductor' ? graph.cables[edge.cable] : undefined;
    if (edge.is !== 'conductor' || cable === undefined) return [];
    const { conductor } = edge;
    const length = conductorLengthMm(graph, cable, conductor);
    if (length === undefined) assumed += 1;
    const ohm = conductorOhm(graph, cable, conductor);
    const current = amps[i] ?? 0;
    const at = (node: number): string => valueText(voltsAtNode(network, before, node), 3);
    return [
      [
        cable.tag,
        String(conductor.a.n),
        conductor.colour,
        String(conductor.awg),
        length === undefined ? 'not set' : String(length),
        decimals(ohm * 1000, 2),
        valueText(current, 4),
        valueText(current * ohm * 1000, 2),
        at(edge.a),
        at(edge.b),
      ],
    ];
  });
  return {
    title: `Currents, ${scenario.title}`,
    subtitle: name,
    columns: [
      { title: 'Cable', kind: 'value' },
      { title: 'Pin A', kind: 'number' },
      { title: 'Colour', kind: 'colour' },
      { title: 'AWG', kind: 'number' },
      { title: 'Length', kind: 'number', unit: 'mm' },
      { title: 'Milliohm', kind: 'number' },
      { title: 'Amps A to B', kind: 'number' },
      { title: 'Drop mV', kind: 'number' },
      { title: 'Volts A', kind: 'number' },
      { title: 'Volts B', kind: 'number' },
    ],
    rows,
    notes: assumed === 0 ? [] : [`${assumed} wires without a length are assumed to be ${stated(ASSUMED_LENGTH_MM, 'mm')}.`],
    cautions: [],
  };
}

/** A value, empty where no supply network reaches. */
function valueText(value: number | undefined, digits: number): string {
  return value === undefined ? '' : decimals(value, digits);
}
