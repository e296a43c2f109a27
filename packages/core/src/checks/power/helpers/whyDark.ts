import { circuitNode, groupOf, pinsOf, type Graph } from '../../../graph/graph.ts';
import { driverAt } from '../../../graph/railsOf.ts';
import type { CircuitElement } from '../../../model/part.ts';
import { voltsAcross, type ScenarioResult } from '../../../power/scenarios/solveScenario.ts';
import type { Start } from '../../../power/solve/startOf.ts';

type Of<K extends CircuitElement['is']> = Extract<CircuitElement, { is: K }>;

/** What takes supply to work: a load, or a motor controller's drive. */
export type Consumer = Of<'load' | 'drive'>;

/** The nodes between which a consumer takes its supply. */
export function terminalsOf(consumer: Consumer): { readonly plus: string; readonly minus: string } {
  return consumer.is === 'load' ? { plus: consumer.supply, minus: consumer.gnd } : consumer;
}

/** Below this a load has no supply at all: leaks and floating leads. */
export const NOTHING_V = 0.3;

/** What a load lacks that has no supply. */
export type WhyDark =
  /** The plus arrives, and no current can return. */
  | { readonly is: 'no-ground' }
  /** What arrives is less than it works at. */
  | { readonly is: 'too-low'; readonly volts: number }
  /** The regulator that feeds it has no supply itself, or less than it works from. */
  | { readonly is: 'regulator-unfed'; readonly regulator: number; readonly element: Of<'regulator'>; readonly volts: number }
  /** It hangs on a rail of a controller that nothing feeds. */
  | { readonly is: 'rail'; readonly name: string; readonly node: number }
  | { readonly is: 'no-plus' };

/**
 * Why a load is dark.
 * @param start every node as high as a supply could bring it, with no load on it
 * @param device the load among the devices of the network
 */
export function whyDark(graph: Graph, result: ScenarioResult, start: Start, device: number, load: Consumer): WhyDark {
  const placed = result.network.devices[device];
  const item = placed?.device.item ?? -1;
  const volts = voltsAcross(result.network, start, device);
  if (volts >= Math.max(load.minV, NOTHING_V)) return { is: 'no-ground' };
  if (volts > NOTHING_V) return { is: 'too-low', volts };
  const { plus } = terminalsOf(load);
  const unfed = unfedRegulator(graph, result, start, item, plus);
  if (unfed !== undefined) return unfed;
  const rail = railOf(graph, item, plus);
  return rail === undefined ? { is: 'no-plus' } : { is: 'rail', ...rail };
}

/** The regulator that drives a node and has too little itself: where others are before it, the first of them that has. */
function unfedRegulator(
  graph: Graph,
  result: ScenarioResult,
  start: Start,
  item: number,
  address: string,
): Extract<WhyDark, { is: 'regulator-unfed' }> | undefined {
  let found: Extract<WhyDark, { is: 'regulator-unfed' }> | undefined;
  let node = circuitNode(graph, item, address);
  const passed = new Set<number>();
  while (node !== undefined && !passed.has(node)) {
    passed.add(node);
    const driver = driverAt(graph, node);
    if (driver?.element.is !== 'regulator') return found;
    const { element } = driver;
    const at = result.network.devices.findIndex(
      ({ device }) => device.is === 'element' && device.element === element && device.item === driver.item,
    );
    const nodes = result.network.shape.devices[at]?.nodes ?? [];
    const volts = (start.volts[nodes[0] ?? -1] ?? 0) - (start.volts[nodes[2] ?? -1] ?? 0);
    if (volts >= element.inputMinV) return found;
    found = { is: 'regulator-unfed', regulator: driver.item, element, volts };
    node = circuitNode(graph, driver.item, element.in);
  }
  return found;
}

/** The rail of a board that a load hangs on: pins of a controller on the same net. */
function railOf(graph: Graph, item: number, supply: string): { readonly name: string; readonly node: number } | undefined {
  const node = circuitNode(graph, item, supply);
  const net = node === undefined ? -1 : groupOf(graph.nets, node);
  const pin = net < 0 ? undefined : pinsOf(graph, graph.nets, net).find(({ at }) => graph.items[at.item]?.part?.kind === 'controller');
  const ref = graph.items[pin?.at.item ?? -1]?.item.ref;
  return pin === undefined || ref === undefined ? undefined : { name: `the rail of ${ref} ${pin.at.port.label}`, node: pin.node };
}
