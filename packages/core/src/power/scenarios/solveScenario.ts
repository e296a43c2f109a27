import type { Graph } from '../../graph/graph.ts';
import { powerNetwork, type PowerNetwork } from '../network/powerNetwork.ts';
import type { Circuit, Law, Solved } from '../solve/circuit.ts';
import { deviceIslands } from '../solve/equations.ts';
import { solveCircuit } from '../solve/solveCircuit.ts';
import { runningStart, type Start } from '../solve/startOf.ts';
import { lawsOf, stalledLaw } from './lawsOf.ts';
import { scenariosOf, type Scenario } from './scenario.ts';

/** A load that falls out for want of voltage. */
export interface Fall {
  readonly device: number;
  readonly volts: number;
  readonly minV: number;
}

/** An aircraft in a scenario. */
export interface ScenarioResult {
  readonly scenario: Scenario;
  readonly network: PowerNetwork;
  /** The circuit as it was solved first, with every load on. */
  readonly circuit: Circuit;
  /** Before any load falls: what checks judge by. */
  readonly before: Solved;
  /** When all that falls has fallen. */
  readonly after: Solved;
  readonly falls: readonly Fall[];
  /** Loads that no supply reaches in this scenario, so that they were never on. */
  readonly dark: readonly number[];
  /** The device that stalls, in a scenario with a jammed servo. */
  readonly stalled: number | undefined;
}

const cache = new WeakMap<PowerNetwork, Map<Scenario, ScenarioResult>>();

/** Solves the aircraft in a scenario. Cached by version of the aircraft and scenario. */
export function solveScenario(graph: Graph, scenario: Scenario): ScenarioResult {
  const network = powerNetwork(graph);
  const known = cache.get(network) ?? new Map<Scenario, ScenarioResult>();
  cache.set(network, known);
  const result =
    known.get(scenario) ??
    (scenario.isJammed === true ? worstJam(network, scenario) : settle(network, scenario, lawsOf(network, scenario)));
  known.set(scenario, result);
  return result;
}

/** The aircraft in every situation that its kind gets into. */
export function solveScenarios(graph: Graph): readonly ScenarioResult[] {
  return scenariosOf(graph.design.aircraft.airframe.kind).map((scenario) => solveScenario(graph, scenario));
}

/** The least voltage that a device works at; undefined for one that never browns out, such as a servo. */
export function leastVolts({ devices }: PowerNetwork, device: number): number | undefined {
  const placed = devices[device]?.device;
  if (placed?.is !== 'element') return undefined;
  const { element } = placed;
  if (element.is === 'load') return element.law === 'resistance' ? undefined : element.minV;
  return element.is === 'drive' ? element.minV : undefined;
}

/** The voltage across a two-terminal device. */
export function voltsAcross({ shape }: PowerNetwork, { volts }: Pick<Solved, 'volts'>, device: number): number {
  const [a = 0, b = 0] = shape.devices[device]?.nodes ?? [];
  return (volts[a] ?? 0) - (volts[b] ?? 0);
}

function settle(network: PowerNetwork, scenario: Scenario, allLaws: readonly Law[], stalled?: number): ScenarioResult {
  const laws = [...allLaws];
  const jammed = stalled === undefined ? undefined : network.devices[stalled]?.device;
  if (stalled !== undefined && jammed?.is === 'element' && jammed.element.is === 'load') laws[stalled] = stalledLaw(jammed.element);
  const circuit: Circuit = { shape: network.shape, ohms: network.ohms, laws };
  const start = runningStart(circuit);
  const before = solveCircuit(circuit, start);
  const dark = darkLoads(network, circuit, start);
  const { after, falls } = letFall(network, circuit, before, start, dark);
  return { scenario, network, circuit, before, after, falls, dark, stalled };
}

/** The loads at which not even a supply without any load would have enough. */
export function darkLoads(network: PowerNetwork, { laws }: Circuit, start: Start): readonly number[] {
  return laws.flatMap((law, device) => {
    const minV = leastVolts(network, device);
    return minV !== undefined && law.is !== 'open' && voltsAcross(network, start, device) < minV ? [device] : [];
  });
}

/**
 * Lets loads fall out one at a time on each island, the largest relative shortfall first, ties by order, until what is left
 * stands. What has fallen stays out.
 */
export function letFall(
  network: PowerNetwork,
  circuit: Circuit,
  before: Solved,
  start: Start,
  dark: readonly number[],
): { readonly after: Solved; readonly falls: readonly Fall[] } {
  const falls: Fall[] = [];
  const laws = [...circuit.laws];
  let after = before;
  const islandOf = deviceIslands(circuit.shape);
  const short = (): readonly Fall[] => worstShortfalls(network, islandOf, laws, after, dark);
  for (let next = short(); next.length > 0; next = short()) {
    for (const fall of next) {
      falls.push(fall);
      laws[fall.device] = { is: 'open' };
    }
    after = solveCircuit({ ...circuit, laws }, { volts: start.volts, states: after.states });
  }
  return { after, falls };
}

function worstShortfalls(
  network: PowerNetwork,
  islandOf: Int32Array,
  laws: readonly Law[],
  solved: Solved,
  dark: readonly number[],
): readonly Fall[] {
  const worst = new Map<number, Fall>();
  for (let device = 0; device < laws.length; device++) {
    const minV = leastVolts(network, device);
    if (minV === undefined || laws[device]?.is === 'open' || dark.includes(device)) continue;
    const volts = voltsAcross(network, solved, device);
    if (volts >= minV) continue;
    const island = islandOf[device] ?? 0;
    const before = worst.get(island);
    if (before === undefined || (minV - volts) / minV > (before.minV - before.volts) / before.minV + 1e-9) {
      worst.set(island, { device, volts, minV });
    }
  }
  return [...worst.values()];
}

/** Each servo stalled in turn: the one that leaves some load with the least margin. */
function worstJam(network: PowerNetwork, scenario: Scenario): ScenarioResult {
  const laws = lawsOf(network, scenario);
  const results = network.devices.flatMap(({ device }, i) =>
    device.is === 'element' && device.element.is === 'load' && device.element.stallA !== undefined
      ? [settle(network, scenario, laws, i)]
      : [],
  );
  const [first] = results;
  if (first === undefined) return settle(network, scenario, laws);
  return results.reduce((worst, next) => (leastMargin(next) < leastMargin(worst) - 1e-12 ? next : worst), first);
}

/** The smallest share by which a load stands above its least voltage; of a servo, above the one in its data. */
function leastMargin({ network, before }: ScenarioResult): number {
  let least = Infinity;
  network.devices.forEach(({ device }, i) => {
    if (device.is !== 'element' || device.element.is !== 'load') return;
    least = Math.min(least, voltsAcross(network, before, i) / device.element.minV);
  });
  return least;
}
