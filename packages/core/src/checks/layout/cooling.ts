import { quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { baysOf } from '../../layout/bayAt.ts';
import { placedItems } from '../../layout/placedItems.ts';
import type { Bay, BayId } from '../../model/frame.ts';
import { voltsAcross, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Check, Saying } from '../finding.ts';
import { situation } from '../power/helpers/situations.ts';
import { intoOtherBay, otherAccess } from './helpers/otherBays.ts';

/** More than this in a bay without air makes it hot. */
const CLOSED_W = 5;

/** Heat in a bay that no air gets into. */
export const cooling: Check = {
  id: 'place.cooling',
  stage: 'layout',
  title: 'Heat in a closed bay',
  run: ({ graph }) => {
    const bays = baysOf(graph.design.aircraft.airframe.frame).filter(([, { access }]) => access === 'closed');
    const cruise = bays.length === 0 ? undefined : situation(graph, 'cruise');
    return cruise === undefined ? [] : bays.flatMap(([id, bay]) => hot(graph, cruise, id, bay));
  },
};

function hot(graph: Graph, cruise: ScenarioResult, id: BayId, bay: Bay): Saying[] {
  const inside = placedItems(graph)
    .filter(({ place }) => place.bay === id)
    .map((entry) => ({ entry, item: entry.item, watts: heatOf(cruise, entry.index) }))
    .filter(({ watts }) => watts > 0.05)
    .sort((a, b) => b.watts - a.watts);
  const total = inside.reduce((sum, { watts }) => sum + watts, 0);
  if (total <= CLOSED_W) return [];
  return [
    {
      severity: 'note',
      // The hottest alone: it is still the same heat in the same bay when another part comes or goes.
      where: inside.slice(0, 1).map(({ item }) => ({ is: 'item', item: item.id })),
      what: `${inside
        .slice(0, 3)
        .map(({ item }) => item.ref)
        .join(', ')} dissipate ${quantity(total, 'W')} in cruise in "${bay.title}", which has no airflow.`,
      evidence: inside.slice(0, 4).map(({ item, watts }) => ({ label: item.ref, value: quantity(watts, 'W') })),
      why: 'Add an air inlet and outlet, or move the hottest part elsewhere.',
      discriminator: id,
      remedies: () => {
        const isCool = (after: Graph): boolean => !cooling.run({ graph: after }).some(({ discriminator }) => discriminator === id);
        const [hottest] = inside;
        return [
          ...(hottest === undefined ? [] : intoOtherBay(graph, hottest.entry, ({ access }) => access !== 'closed', isCool)),
          ...otherAccess(graph, id, 'open', 'Add an inlet and an outlet', isCool),
        ];
      },
    },
  ];
}

/** What an item turns into heat: all that its loads take, and what its regulators lose. Motors and servos give theirs to the air. */
function heatOf({ network, before }: ScenarioResult, item: number): number {
  let watts = 0;
  network.devices.forEach(({ device }, i) => {
    if (device.is !== 'element' || device.item !== item) return;
    const { element } = device;
    const amps = Math.abs(before.amps[i] ?? 0);
    if (element.is === 'load' && element.stallA === undefined) watts += Math.abs(voltsAcross(network, before, i)) * amps;
    if (element.is !== 'regulator') return;
    const nodes = network.shape.devices[i]?.nodes ?? [];
    const outV = Math.abs((before.volts[nodes[1] ?? 0] ?? 0) - (before.volts[nodes[2] ?? 0] ?? 0));
    watts +=
      element.topology === 'linear'
        ? Math.abs(voltsAcross(network, before, i)) * amps
        : outV * amps * (1 / Math.max(element.efficiency, 0.1) - 1);
  });
  return watts;
}
