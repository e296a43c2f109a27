import type { Graph } from '../../../graph/graph.ts';
import type { Cable } from '../../../model/aircraft.ts';
import type { Mate } from '../../../model/mate.ts';
import { dropPath } from '../../../power/report/dropPath.ts';
import type { ScenarioResult } from '../../../power/scenarios/solveScenario.ts';
import type { DeviceShape } from '../../../power/solve/circuit.ts';
import type { LowLoad } from './lowLoads.ts';
import type { Cause } from '../../finding.ts';

/** What is wrong of a cable's contacts and wires is one cause: the cable is too small. */
export function ofCable({ id }: Pick<Cable, 'id'>): string {
  return `cable ${id}`;
}

export function ofMate({ id }: Pick<Mate, 'id'>): string {
  return `mate ${id}`;
}

/** A device of the network that gives less than it is asked for. */
export function ofDevice(device: number): string {
  return `device ${device}`;
}

/** What makes a load starve: an overload that gave way before it, else the cable or mate without whose losses it would have enough. */
export function causeOfLow(
  graph: Graph,
  { result, device, volts, minV }: Pick<LowLoad, 'result' | 'device' | 'volts' | 'minV'>,
): Cause | undefined {
  const { trippings } = result.before;
  const before = trippings.length === 0 ? undefined : upstreamOf(result, device);
  const tripping = trippings.find((one) => before?.has(one.device) === true);
  if (tripping !== undefined) return { of: ofDevice(tripping.device), distance: 2 };
  const lost = new Map<string, number>();
  for (const drop of dropPath(result, device)) {
    const piece = pieceOf(graph, drop.edge);
    if (piece !== undefined) lost.set(piece, (lost.get(piece) ?? 0) + drop.volts);
  }
  const [worst] = [...lost].sort(([, one], [, other]) => other - one);
  return worst !== undefined && volts + worst[1] >= minV ? { of: worst[0], distance: 2 } : undefined;
}

/** The cable or the mate that an edge is in. */
function pieceOf(graph: Graph, edgeIx: number | undefined): string | undefined {
  const edge = graph.edges[edgeIx ?? -1];
  if (edge?.is === 'mate') return ofMate(edge.mate);
  const cable = edge?.is === 'contact' || edge?.is === 'conductor' ? graph.cables[edge.cable] : undefined;
  return cable === undefined ? undefined : ofCable(cable);
}

/** Where a node can get its current from: over copper from another node, or through a device from its inputs. */
interface Feed {
  readonly from: readonly number[];
  /** Undefined for copper. */
  readonly device: number | undefined;
}

const feedCache = new WeakMap<ScenarioResult, readonly (readonly Feed[])[]>();

/** The feeds of every node, whatever they give. */
function feedsOf(result: ScenarioResult): readonly (readonly Feed[])[] {
  const known = feedCache.get(result);
  if (known !== undefined) return known;
  const { network, circuit } = result;
  const feeds = Array.from({ length: network.shape.nodeCount }, (): Feed[] => []);
  network.copper.branches.forEach(({ a, b }, i) => {
    if (!Number.isFinite(circuit.ohms[i] ?? Infinity)) return;
    feeds[a]?.push({ from: [b], device: undefined });
    feeds[b]?.push({ from: [a], device: undefined });
  });
  network.shape.devices.forEach(({ kind, nodes }, device) => {
    for (const node of new Set(nodes)) {
      const from = inputsOf(kind, nodes, node);
      if (from !== undefined) feeds[node]?.push({ from, device });
    }
  });
  feedCache.set(result, feeds);
  return feeds;
}

/** The devices that can feed a load: up its copper, and through each device from its outputs to its inputs. */
function upstreamOf(result: ScenarioResult, load: number): ReadonlySet<number> {
  const feeds = feedsOf(result);
  const found = new Set<number>();
  const seen = new Set<number>();
  const queue = (result.network.shape.devices[load]?.nodes ?? []).slice(0, 1);
  for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
    if (seen.has(node)) continue;
    seen.add(node);
    for (const { from, device } of feeds[node] ?? []) {
      if (device !== undefined) found.add(device);
      queue.push(...from);
    }
  }
  return found;
}

/** The nodes from which a device gives what it gives at a node; undefined where it gives nothing there. */
function inputsOf(kind: DeviceShape['kind'], nodes: readonly number[], at: number): readonly number[] | undefined {
  switch (kind) {
    case 'supply':
      return nodes[0] === at ? [] : undefined;
    case 'regulator':
    case 'limiter':
    case 'diode':
      return nodes[1] === at ? nodes.slice(0, 1) : undefined;
    case 'sense':
      return nodes.includes(at) ? nodes : undefined;
    case 'selector':
      return nodes.at(-2) === at ? nodes.slice(0, -2) : undefined;
    case 'draw':
      return undefined;
  }
}
