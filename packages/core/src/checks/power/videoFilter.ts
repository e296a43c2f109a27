import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import { driverAt } from '../../graph/railsOf.ts';
import type { Check, Saying } from '../finding.ts';
import { filterRemedies } from './remedies/ownSupply.ts';

/** An analog camera or transmitter on the supply of the motors, with nothing that keeps their noise away. */
export const videoFilter: Check = {
  id: 'power.video-filter',
  stage: 'power',
  title: 'Analog video on the motor supply',
  run: ({ graph }) => graph.items.flatMap((_, item) => unfiltered(graph, item)),
};

function unfiltered(graph: Graph, item: number): Saying[] {
  const entry = graph.items[item];
  const part = entry?.part;
  if (entry === undefined || (part?.kind !== 'camera' && part?.kind !== 'video-transmitter')) return [];
  const isAnalog = part.endpoints.some(({ is }) => is === 'video-out' || is === 'video-in');
  const load = part.circuit.find((element) => element.is === 'load');
  if (!isAnalog || load?.is !== 'load') return [];
  const node = circuitNode(graph, item, load.supply);
  const driver = node === undefined ? undefined : driverAt(graph, node);
  if (node === undefined || driver?.element.is !== 'battery' || !hasMotor(graph)) return [];
  // Behind a coil the net is another one than the pack's.
  if (isBehindCoil(graph, node)) return [];
  const { ref } = entry.item;
  const pack = graph.items[driver.item]?.item.ref ?? '?';
  return [
    {
      severity: 'note',
      where: [{ is: 'item', item: entry.item.id }],
      what: `${ref} shares the unfiltered supply of the motors (${pack}).`,
      evidence: [{ label: 'on the net of', value: pack }],
      why: 'The motor controllers put ripple on the supply: stripes in the picture that follow the throttle. An LC filter or a regulator removes it.',
      remedies: () => filterRemedies(graph, item, load),
    },
  ];
}

function hasMotor(graph: Graph): boolean {
  return graph.items.some(({ part }) => part?.circuit.some(({ is }) => is === 'drive') === true);
}

function isBehindCoil(graph: Graph, node: number): boolean {
  const net = groupOf(graph.nets, node);
  return graph.items.some(
    ({ part }, item) =>
      part?.kind === 'filter' &&
      part.circuit.some((element) => element.is === 'link' && groupOf(graph.nets, circuitNode(graph, item, element.b) ?? -1) === net),
  );
}
