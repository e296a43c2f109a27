import type { Graph } from '../graph/graph.ts';
import type { Cable, Leg } from '../model/aircraft.ts';
import type { FramePlan, RouteId } from '../model/frame.ts';
import type { LegId } from '../model/ids.ts';
import { endKey, withInnerEnds, type LegEnd } from './innerEnds.ts';
import { placedItems, portSpot } from './placedItems.ts';
import { netOf, type RouteNet, type Way } from './routeNet.ts';

/** What a leg of a cable needs: its way, and the length to cut. */
export interface LegWay {
  readonly cable: Cable;
  readonly leg: Leg;
  readonly way: Way;
  /** The way with slack, rounded up. */
  readonly lengthMm: number;
  /** The stretches of its way where the airframe comes apart and it has no plug. */
  readonly joints: readonly RouteId[];
}

/** Slack: this share of the way, and at least so much at each end; rounded up to what one measures. */
const SLACK_SHARE = 0.1;
const LEAST_SLACK_AN_END_MM = 20;
const ROUNDED_TO_MM = 10;

/** The length to cut for a way. */
export function withSlack(wayMm: number): number {
  const slack = Math.max(SLACK_SHARE * wayMm, 2 * LEAST_SLACK_AN_END_MM);
  // A hair less, so that 330.0000001 is not 340.
  return Math.ceil((wayMm + slack) / ROUNDED_TO_MM - 1e-9) * ROUNDED_TO_MM;
}

const cache = new WeakMap<Graph, ReadonlyMap<string, LegWay>>();

/** The key of a leg among those of all cables. */
function legKey(cable: Cable, leg: LegId): string {
  return `${cable.id} ${leg}`;
}

/** The way of every leg whose two ends have a place. Computed once per version. */
export function legWays(graph: Graph): ReadonlyMap<string, LegWay> {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const { frame } = graph.design.aircraft.airframe;
  const ways = frame === undefined ? new Map<string, LegWay>() : waysIn(graph, frame);
  cache.set(graph, ways);
  return ways;
}

function waysIn(graph: Graph, frame: FramePlan): ReadonlyMap<string, LegWay> {
  const ways = new Map<string, LegWay>();
  const net = netOf(frame);
  const ports = portEnds(graph);
  const ends = ports.size === 0 ? ports : withInnerEnds(graph.cables, ports, frame, net);
  for (const cable of ends.size === 0 ? [] : graph.cables) {
    for (const leg of Object.values(cable.legs)) {
      const [a, b] = [ends.get(endKey(cable.id, leg.a)), ends.get(endKey(cable.id, leg.b))];
      const way = a === undefined || b === undefined ? undefined : wayOf(net, frame, leg, a, b);
      if (way === undefined) continue;
      const joints = way.routes.filter((id) => frame.routes[id]?.joint !== undefined && id !== a?.joint && id !== b?.joint);
      ways.set(legKey(cable, leg.id), { cable, leg, way, lengthMm: withSlack(way.lengthMm), joints });
    }
  }
  return ways;
}

/** By way of the point that a person wants, where that is there and can be reached; else the shortest. */
function wayOf(net: RouteNet, { points }: FramePlan, { via }: Leg, a: LegEnd, b: LegEnd): Way | undefined {
  const point = via === undefined ? undefined : points[via];
  const through = point === undefined ? undefined : net.through(a, [point.at], b);
  return through ?? net.between(a, b);
}

/** The length of a leg: as typed, else by its way; undefined when nobody typed one and an end is not placed. In mm. */
export function legLengthMm(graph: Graph, cable: Cable, leg: Leg | undefined): number | undefined {
  return leg === undefined ? undefined : (leg.typedLengthMm ?? legWays(graph).get(legKey(cable, leg.id))?.lengthMm);
}

function portEnds(graph: Graph): ReadonlyMap<string, LegEnd> {
  const placed = new Map(placedItems(graph).map((entry) => [entry.item.id, entry] as const));
  const ends = new Map<string, LegEnd>();
  for (const cable of graph.cables) {
    for (const node of Object.values(cable.nodes)) {
      if (node.is !== 'end' || node.at.is !== 'port') continue;
      const { item, port: id } = node.at;
      const entry = placed.get(item);
      const port = entry?.part.ports.find((candidate) => candidate.id === id);
      if (entry !== undefined && port !== undefined)
        ends.set(endKey(cable.id, node.id), { spot: portSpot(entry, port), bay: entry.place.bay });
    }
  }
  return ends;
}
