import type { Graph } from '../../graph/graph.ts';
import { powerNetwork, type PowerNetwork } from '../network/powerNetwork.ts';
import type { Circuit, Law, Solved } from '../solve/circuit.ts';
import { bridgesOf } from '../solve/bridgesOf.ts';
import { deviceIslands } from '../solve/islandsOf.ts';
import { solveCircuit, solveNear } from '../solve/solveCircuit.ts';
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
  /** The circuit with every load on. */
  readonly circuit: Circuit;
  /** The circuit as it was solved first: without what no supply reaches. */
  readonly live: Circuit;
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
  return scenariosOf(graph.design.aircraft).map((scenario) => solveScenario(graph, scenario));
}

const leastCache = new WeakMap<PowerNetwork, Float64Array>();

/** The least voltage that each device works at; NaN for one that never browns out, such as a servo. */
function leastVoltsOf(network: PowerNetwork): Float64Array {
  const known = leastCache.get(network);
  if (known !== undefined) return known;
  const least = Float64Array.from(network.devices, ({ device }) => {
    if (device.is !== 'element') return NaN;
    const { element } = device;
    if (element.is === 'load') return element.law === 'resistance' ? NaN : element.minV;
    return element.is === 'drive' ? element.minV : NaN;
  });
  leastCache.set(network, least);
  return least;
}

/** The least voltage that a device works at; undefined for one that never browns out, such as a servo. */
export function leastVolts(network: PowerNetwork, device: number): number | undefined {
  const least = leastVoltsOf(network)[device] ?? NaN;
  return Number.isNaN(least) ? undefined : least;
}

/** The voltage across a two-terminal device. */
export function voltsAcross({ shape }: PowerNetwork, { volts }: Pick<Solved, 'volts'>, device: number): number {
  const nodes = shape.devices[device]?.nodes;
  return nodes === undefined ? 0 : (volts[nodes[0] ?? 0] ?? 0) - (volts[nodes[1] ?? 0] ?? 0);
}

function settle(network: PowerNetwork, scenario: Scenario, allLaws: readonly Law[], stalled: readonly number[] = []): ScenarioResult {
  const laws = withStalled(network, allLaws, stalled);
  const circuit: Circuit = { shape: network.shape, ohms: network.ohms, laws };
  const live = liveCircuit(network, circuit);
  const before = solveCircuit(live.circuit, live.start);
  const { after, falls } = letFall(network, live, before);
  const { dark } = live;
  return { scenario, network, circuit, live: live.circuit, before, after, falls, dark, stalled: stalled[0] };
}

/** A circuit with what is left of it when what cannot carry any current is taken out, and where it starts from. */
export interface Live {
  readonly circuit: Circuit;
  readonly start: Start;
  /** Loads that no supply reaches, or that have no return: they are taken out. */
  readonly dark: readonly number[];
}

/**
 * Takes out supplies without a return, and the loads at which not even a supply without any load would have enough.
 * @param known the running start of the circuit, where it is known
 */
export function liveCircuit(network: PowerNetwork, circuit: Circuit, known?: Start): Live {
  const isBridge = bridgesOf(circuit);
  const first = isBridge.indexOf(1);
  if (first < 0) return reachedCircuit(network, circuit, known);
  const least = leastVoltsOf(network);
  const { devices } = circuit.shape;
  const returnless: number[] = [];
  const laws = [...circuit.laws];
  const feeding = [...circuit.laws];
  let feedsAll = true;
  for (let device = first; device < laws.length; device++) {
    if (isBridge[device] !== 1) continue;
    if (devices[device]?.kind === 'supply') {
      feeding[device] = OPEN;
      feedsAll = false;
    }
    if (!((least[device] ?? NaN) > 0)) continue;
    returnless.push(device);
    laws[device] = feeding[device] = OPEN;
  }
  const { start, dark } = reachedCircuit(network, { ...circuit, laws: feeding }, feedsAll ? known : undefined);
  for (const device of dark) laws[device] = OPEN;
  // A supply without a return feeds nothing, but has its voltage.
  return { circuit: { ...circuit, laws }, start, dark: [...dark, ...returnless].sort((a, b) => a - b) };
}

/** Takes out the loads at which not even a supply without any load would have enough; supposes that all have their return. */
export function reachedCircuit(network: PowerNetwork, circuit: Circuit, start: Start = runningStart(circuit)): Live {
  const least = leastVoltsOf(network);
  const dark: number[] = [];
  let laws: Law[] | undefined;
  for (let device = 0; device < least.length; device++) {
    if (!(voltsAcross(network, start, device) < (least[device] ?? NaN)) || circuit.laws[device]?.is === 'open') continue;
    dark.push(device);
    laws ??= [...circuit.laws];
    laws[device] = OPEN;
  }
  return { circuit: laws === undefined ? circuit : { ...circuit, laws }, start, dark };
}

const OPEN = { is: 'open' } as const;

/** What takes no more than this on a dead rail leaves nothing behind when it falls: all stays as it is solved. */
const DEAD_A = 1e-7;

/**
 * Lets loads fall out one at a time on each island, the largest relative shortfall first, ties by order, until what is left
 * stands. What has fallen stays out.
 */
export function letFall(
  network: PowerNetwork,
  { circuit, start }: Live,
  before: Solved,
): { readonly after: Solved; readonly falls: readonly Fall[] } {
  const falls: Fall[] = [];
  const laws = [...circuit.laws];
  let after = before;
  const islandOf = deviceIslands(circuit.shape);
  const short = (): readonly Fall[] => worstShortfalls(network, islandOf, laws, after);
  for (let next = short(); next.length > 0; next = short()) {
    let isMissed = false;
    for (const fall of next) {
      falls.push(fall);
      laws[fall.device] = OPEN;
      isMissed ||= Math.abs(after.amps[fall.device] ?? 0) > DEAD_A;
    }
    if (!isMissed) continue;
    const left = { ...circuit, laws };
    after = solveNear(left, after) ?? solveCircuit(left, { volts: start.volts, states: after.states });
  }
  return { after, falls };
}

/** True when some load that is on has less than its least voltage. */
export function isAnyShort(network: PowerNetwork, { laws }: Circuit, solved: Solved): boolean {
  const least = leastVoltsOf(network);
  for (let device = 0; device < least.length; device++) {
    if (voltsAcross(network, solved, device) < (least[device] ?? NaN) && laws[device]?.is !== 'open') return true;
  }
  return false;
}

function worstShortfalls(network: PowerNetwork, islandOf: Int32Array, laws: readonly Law[], solved: Solved): readonly Fall[] {
  const worst = new Map<number, Fall>();
  const least = leastVoltsOf(network);
  for (let device = 0; device < laws.length; device++) {
    const minV = least[device] ?? NaN;
    const volts = voltsAcross(network, solved, device);
    if (!(volts < minV) || laws[device]?.is === 'open') continue;
    const island = islandOf[device] ?? 0;
    const before = worst.get(island);
    if (before === undefined || (minV - volts) / minV > (before.minV - before.volts) / before.minV + 1e-9) {
      worst.set(island, { device, volts, minV });
    }
  }
  return [...worst.values()];
}

/**
 * Each servo stalled in turn: the one that leaves some load with the least margin. Islands know nothing of each other, so that one
 * servo of each is stalled in the same solve.
 */
function worstJam(network: PowerNetwork, scenario: Scenario): ScenarioResult {
  const laws = lawsOf(network, scenario);
  const free = settle(network, scenario, laws);
  const islandOf = deviceIslands(network.shape);
  const turns: number[][] = [];
  const stalledIn = new Map<number, number>();
  network.devices.forEach(({ device }, i) => {
    if (device.is !== 'element' || device.element.is !== 'load' || device.element.stallA === undefined || laws[i]?.is === 'open') return;
    const turn = stalledIn.get(islandOf[i] ?? 0) ?? 0;
    stalledIn.set(islandOf[i] ?? 0, turn + 1);
    turns[turn] = [...(turns[turn] ?? []), i];
  });
  let worst: { readonly servo: number; readonly margin: number } | undefined;
  for (const servos of turns) {
    const margins = marginsOf(nearJam(free, servos) ?? settle(network, scenario, laws, servos), islandOf);
    for (const servo of servos) {
      const margin = margins.get(islandOf[servo] ?? 0) ?? Infinity;
      if (worst === undefined || margin < worst.margin - 1e-12) worst = { servo, margin };
    }
  }
  return worst === undefined ? free : (nearJam(free, [worst.servo]) ?? settle(network, scenario, laws, [worst.servo]));
}

/** The same with servos stalled, followed from where all are free; undefined where anything gives way. */
function nearJam(free: ScenarioResult, stalled: readonly number[]): ScenarioResult | undefined {
  const { network, circuit, before } = free;
  if (before.trippings.length > 0 || before.unsettled !== undefined || free.falls.length > 0) return undefined;
  const live = { ...circuit, laws: withStalled(network, free.live.laws, stalled) };
  const near = solveNear(live, before);
  if (near === undefined || isAnyShort(network, live, near)) return undefined;
  const asWired = { ...circuit, laws: withStalled(network, circuit.laws, stalled) };
  return { ...free, circuit: asWired, live, before: near, after: near, falls: [], stalled: stalled[0] };
}

function withStalled(network: PowerNetwork, laws: readonly Law[], stalled: readonly number[]): Law[] {
  const all = [...laws];
  for (const servo of stalled) {
    const placed = network.devices[servo]?.device;
    if (placed?.is === 'element' && placed.element.is === 'load') all[servo] = stalledLaw(placed.element);
  }
  return all;
}

/** By island the smallest share by which a load stands above its least voltage; of a servo, above the one in its data. */
function marginsOf({ network, before }: ScenarioResult, islandOf: Int32Array): ReadonlyMap<number, number> {
  const margins = new Map<number, number>();
  network.devices.forEach(({ device }, i) => {
    if (device.is !== 'element' || device.element.is !== 'load') return;
    const island = islandOf[i] ?? 0;
    margins.set(island, Math.min(margins.get(island) ?? Infinity, voltsAcross(network, before, i) / device.element.minV));
  });
  return margins;
}
