import { current, currentAgainst } from '../../text/numbers.ts';
import { circuitNode, groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { feedsOf } from '../../power/report/feedsOf.ts';
import { nameOf } from '../../power/report/nameOf.ts';
import { ratedAmps } from '../../power/report/powerReport.ts';
import type { ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Check, Saying } from '../finding.ts';
import { ownSupplyRemedies } from './remedies/ownSupply.ts';
import { situation } from './helpers/situations.ts';

/** A companion may take this share of what its supply has left. */
const SHARE = 0.4;

/** A companion that lives on the peripheral pins of a controller. */
export const companionSupply: Check = {
  id: 'power.companion-supply',
  stage: 'power',
  title: 'Companion computer powered by a controller',
  run: ({ graph }) => {
    const cruise = situation(graph, 'cruise');
    return cruise === undefined ? [] : cruise.network.devices.flatMap((_, device) => companionSaying(graph, cruise, device));
  },
};

function companionSaying(graph: Graph, result: ScenarioResult, device: number): Saying[] {
  const placed = result.network.devices[device]?.device;
  const entry = graph.items[placed?.item ?? -1];
  if (placed?.is !== 'element' || placed.element.is !== 'load' || entry?.part?.kind !== 'companion') return [];
  const { element } = placed;
  const board = controllerOn(graph, placed.item, element.supply);
  const supply = board === undefined ? undefined : ratedSupply(result, device);
  if (board === undefined || supply === undefined) return [];
  const ownA = result.before.amps[device] ?? 0;
  const leftA = supply.ratedA - (supply.amps - ownA);
  if (element.peakA <= SHARE * leftA) return [];
  const { ref } = entry.item;
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: entry.item.id }],
      what: `${ref} draws up to ${current(element.peakA)} from the pins of ${board}; ${supply.name} has ${current(Math.max(leftA, 0))} left.`,
      evidence: [
        { label: `${ref} at its peak`, ...currentAgainst(element.peakA, SHARE * Math.max(leftA, 0)) },
        { label: `${supply.name}, others`, ...currentAgainst(supply.amps - ownA, supply.ratedA) },
      ],
      why: `Under load ${ref} drags the supply of ${board} down. Give it a regulator of its own.`,
      remedies: () => ownSupplyRemedies(graph, placed.item, element),
    },
  ];
}

/** The reference of a controller that has a supply pin on the same net. */
function controllerOn(graph: Graph, item: number, supply: string): string | undefined {
  const node = circuitNode(graph, item, supply);
  if (node === undefined) return undefined;
  const pin = pinsOf(graph, graph.nets, groupOf(graph.nets, node)).find(
    ({ at }) => at.item !== item && at.pin.role === 'supply-out' && graph.items[at.item]?.part?.kind === 'controller',
  );
  return graph.items[pin?.at.item ?? -1]?.item.ref;
}

/** The first device up the supply that has a rating. */
function ratedSupply(
  result: ScenarioResult,
  device: number,
): { readonly name: string; readonly ratedA: number; readonly amps: number } | undefined {
  const feeds = feedsOf(result.network, result.before);
  const seen = new Set<number>();
  for (
    let at = feeds.find(({ to }) => to === device)?.from;
    at !== undefined && !seen.has(at);
    at = feeds.find(({ to }) => to === at)?.from
  ) {
    seen.add(at);
    const placed = result.network.devices[at]?.device;
    const ratedA = placed?.is === 'element' ? ratedAmps(placed.element) : undefined;
    if (ratedA !== undefined) return { name: nameOf(result.network, at), ratedA, amps: result.before.amps[at] ?? 0 };
  }
  return undefined;
}
