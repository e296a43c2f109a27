import type { CircuitElement } from '../model/part.ts';
import { circuitNode, groupOf, type Graph } from './graph.ts';
import { Grouping } from './partition.ts';

/** An element that holds a net at a voltage of its own. */
export interface Driver {
  readonly item: number;
  readonly element: Extract<CircuitElement, { is: 'source' | 'battery' | 'regulator' }>;
  readonly node: number;
  /** No-load voltage in volts: set point of a regulator, full charge of a battery. */
  readonly volts: number;
}

/** What each net carries with no load on it. */
export interface Rails {
  readonly drivers: readonly Driver[];
  /** Highest no-load voltage by net, in volts; NaN where nothing drives the net. */
  readonly voltsOfNet: Float64Array;
  /** Index in `drivers` of the driver that gives that voltage; -1 where nothing does. */
  readonly driverOfNet: Int32Array;
  /**
   * Drivers that stand on one and the same rail: joined by copper, sense elements, closed switches or limiters, through
   * which they would drive each other. Diodes and selectors keep them apart.
   */
  readonly sharedRails: readonly (readonly Driver[])[];
  /** The rail of each node, in that sense. */
  readonly railOfNode: Int32Array;
}

/** Volts of one cell at full charge. */
const FULL_CELL_V = { lipo: 4.2, 'li-ion': 4.2 } as const;

const cache = new WeakMap<Graph, Rails>();

/** The rails of a graph: which regulator, battery or source drives which net, and to what no-load voltage. */
export function railsOf(graph: Graph): Rails {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const drivers = driversOf(graph);
  const railOfNode = railsByNode(graph);
  const rails = { drivers, ...spread(graph, drivers, railOfNode), railOfNode, sharedRails: sharedRailsOf(railOfNode, drivers) };
  cache.set(graph, rails);
  return rails;
}

/** The highest no-load voltage at a node, or undefined when nothing drives its net. */
export function voltsAt(graph: Graph, node: number): number | undefined {
  const volts = railsOf(graph).voltsOfNet[groupOf(graph.nets, node)];
  return volts === undefined || Number.isNaN(volts) ? undefined : volts;
}

/** The driver behind the voltage at a node. */
export function driverAt(graph: Graph, node: number): Driver | undefined {
  const rails = railsOf(graph);
  return rails.drivers[rails.driverOfNet[groupOf(graph.nets, node)] ?? -1];
}

/** True when nothing but copper, switches, fuses and sense elements is between a driver and a node: no diode, no selector. */
export function drivesDirectly(graph: Graph, driver: Driver, node: number): boolean {
  const { railOfNode } = railsOf(graph);
  return railOfNode[driver.node] === railOfNode[node];
}

function driversOf(graph: Graph): Driver[] {
  const drivers: Driver[] = [];
  graph.items.forEach(({ part }, item) => {
    for (const element of part?.circuit ?? []) {
      if (element.is !== 'source' && element.is !== 'battery' && element.is !== 'regulator') continue;
      const node = circuitNode(graph, item, element.is === 'regulator' ? element.out : element.plus);
      if (node !== undefined) drivers.push({ item, element, node, volts: ownVolts(element) });
    }
  });
  return drivers;
}

function ownVolts(element: Driver['element']): number {
  switch (element.is) {
    case 'source':
      return element.volts;
    case 'battery':
      return element.cells * FULL_CELL_V[element.chemistry];
    case 'regulator':
      return element.setV;
  }
}

/** Sums of decimals in another order. */
const SLACK = 1 + 1e-9;

/** Passes voltages on until nothing rises any more. Every value is one of the drivers', or of packs on top of each other, so that it must end. */
function spread(graph: Graph, drivers: readonly Driver[], railOfNode: Int32Array): Pick<Rails, 'voltsOfNet' | 'driverOfNet'> {
  const voltsOfNet = new Float64Array(graph.nets.count).fill(Number.NaN);
  const driverOfNet = new Int32Array(graph.nets.count).fill(-1);
  const raise = (net: number, volts: number, driver: number): boolean => {
    const now = voltsOfNet[net] ?? Number.NaN;
    if (net < 0 || !(Number.isNaN(now) || volts > now)) return false;
    voltsOfNet[net] = volts;
    driverOfNet[net] = driver;
    return true;
  };
  drivers.forEach((driver, i) => raise(groupOf(graph.nets, driver.node), driver.volts, i));
  const passes = passesOf(graph);
  const stacked = stackedPacks(graph, drivers, railOfNode);
  // A ring by way of something else than copper would rise without end: nothing is higher than all packs on top of each other.
  const mostV = drivers.reduce((sum, { element, volts }) => sum + (element.is === 'battery' ? volts : 0), 0);
  for (let risen = true; risen;) {
    risen = false;
    for (const { from, to, driver } of stacked) {
      const volts = (voltsOfNet[from] ?? Number.NaN) + (drivers[driver]?.volts ?? 0);
      if (volts <= mostV * SLACK && raise(to, volts, driver)) risen = true;
    }
    for (const { from, to, minV, maxV } of passes) {
      const volts = voltsOfNet[from] ?? Number.NaN;
      if (!(volts >= minV && volts <= maxV)) continue;
      if (raise(to, volts, driverOfNet[from] ?? -1)) risen = true;
    }
  }
  return { voltsOfNet, driverOfNet };
}

interface StackedPack {
  readonly driver: number;
  /** The nets of its minus and its plus. */
  readonly from: number;
  readonly to: number;
  /** The rails of the two. */
  readonly under: number;
  readonly over: number;
}

/** The packs that stand on the plus of another one. In a ring none does: that is a short. */
function stackedPacks(graph: Graph, drivers: readonly Driver[], railOfNode: Int32Array): readonly StackedPack[] {
  const packs = drivers.flatMap(({ item, element, node }, driver): StackedPack[] => {
    const minus = element.is === 'battery' ? circuitNode(graph, item, element.minus) : undefined;
    if (minus === undefined) return [];
    const [under, over] = [railOfNode[minus] ?? -1, railOfNode[node] ?? -1];
    return under === over ? [] : [{ driver, from: groupOf(graph.nets, minus), to: groupOf(graph.nets, node), under, over }];
  });
  const pluses = new Set(packs.map(({ over }) => over));
  return packs.filter(({ under, over }) => pluses.has(under) && !leadsUp(packs, over, under));
}

/** True where packs lead from one rail up to another. */
function leadsUp(packs: readonly StackedPack[], from: number, to: number): boolean {
  const seen = new Set([from]);
  for (const rail of seen) for (const { under, over } of packs) if (under === rail) seen.add(over);
  return seen.has(to);
}

interface Pass {
  readonly from: number;
  readonly to: number;
  readonly minV: number;
  readonly maxV: number;
}

/** The ways on which a no-load voltage gets from net to net. No current flows, so that drops do not count. */
function passesOf(graph: Graph): Pass[] {
  const passes: Pass[] = [];
  graph.items.forEach(({ part }, item) => {
    const net = (address: string): number => groupOf(graph.nets, circuitNode(graph, item, address) ?? -1);
    const pass = (from: string, to: string, minV = -Infinity, maxV = Infinity): void => {
      passes.push({ from: net(from), to: net(to), minV, maxV });
    };
    for (const element of part?.circuit ?? []) {
      switch (element.is) {
        case 'link':
        case 'sense':
          pass(element.a, element.b);
          pass(element.b, element.a);
          break;
        case 'switch':
          if (!element.closed) break;
          pass(element.a, element.b);
          pass(element.b, element.a);
          break;
        case 'limiter':
          pass(element.in, element.out);
          pass(element.out, element.in);
          break;
        case 'diode':
          pass(element.from, element.to);
          break;
        case 'selector':
          for (const input of element.inputs) pass(input.node, element.out, input.minV, input.maxV);
          break;
        case 'source':
        case 'battery':
        case 'regulator':
        case 'load':
        case 'drive':
        case 'motor':
        case 'clamp':
        case 'capacitor':
          break;
      }
    }
  });
  return passes;
}

function railsByNode(graph: Graph): Int32Array {
  const grouping = new Grouping(graph.nodes.length);
  for (const edge of graph.edges) if (edge.is !== 'element' || joinsRails(edge.element)) grouping.join(edge.a, edge.b);
  return grouping.partition().groupOf;
}

function sharedRailsOf(railOfNode: Int32Array, drivers: readonly Driver[]): Driver[][] {
  const byRail = new Map<number, Driver[]>();
  for (const driver of drivers) {
    const rail = railOfNode[driver.node] ?? -1;
    byRail.set(rail, [...(byRail.get(rail) ?? []), driver]);
  }
  return [...byRail.values()].filter((together) => together.length > 1);
}

function joinsRails(element: CircuitElement): boolean {
  return element.is === 'link' || element.is === 'sense' || element.is === 'limiter' || (element.is === 'switch' && element.closed);
}
