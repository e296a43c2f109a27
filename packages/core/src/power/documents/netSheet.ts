import { decimals } from '../../text/numbers.ts';
import { pinsOf, type Graph } from '../../graph/graph.ts';
import { driverAt } from '../../graph/railsOf.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { voltsAtNode } from '../network/readings.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { solveScenario } from '../scenarios/solveScenario.ts';

/** Every net that a supply reaches, in a situation: its pins, and the lowest and highest voltage along it. */
export function netSheet(graph: Graph, scenarioId: string): Sheet | undefined {
  const scenario = scenariosOf(graph.design.aircraft).find(({ id }) => id === scenarioId);
  if (scenario === undefined) return undefined;
  const { network, before } = solveScenario(graph, scenario);
  const rows: (readonly string[])[] = [];
  for (let net = 0; net < graph.nets.count; net++) {
    const pins = pinsOf(graph, graph.nets, net);
    const volts = pins.flatMap(({ node }) => voltsAtNode(network, before, node) ?? []);
    const [first] = pins;
    if (first === undefined || volts.length === 0) continue;
    const driver = driverAt(graph, first.node);
    const names = pins.map(({ at }) => `${graph.items[at.item]?.item.ref ?? '?'} ${at.port.label}.${at.pin.n}`);
    rows.push([
      String(net + 1),
      driver === undefined ? '' : `${graph.items[driver.item]?.item.ref ?? '?'} ${driver.element.id}`,
      decimals(Math.min(...volts), 3),
      decimals(Math.max(...volts), 3),
      names.join(', '),
    ]);
  }
  return {
    title: `Nets, ${scenario.title}`,
    subtitle: graph.design.aircraft.name,
    columns: [
      { title: 'Net', kind: 'number' },
      { title: 'Held by', kind: 'value' },
      { title: 'Lowest', kind: 'number', unit: 'V' },
      { title: 'Highest', kind: 'number', unit: 'V' },
      { title: 'Pins', kind: 'words' },
    ],
    rows,
    notes: ['Voltages before anything resets, against the supply minus of each island.'],
    cautions: [],
  };
}
