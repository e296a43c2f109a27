import type { Cable } from '../model/aircraft.ts';
import type { FramePlan, PointId, RouteId, Spot } from '../model/frame.ts';
import type { CableId, NodeId } from '../model/ids.ts';
import { distanceMm } from './placedItems.ts';
import type { RouteNet, Way, WayEnd } from './routeNet.ts';

/** Where an end of a cable or a splice lies; `joint` names the stretch when it is there so that the airframe comes apart. */
export interface LegEnd extends WayEnd {
  readonly joint?: RouteId;
}

/** The key of a node among those of all cables. */
export function endKey(cable: CableId, node: NodeId): string {
  return `${cable} ${node}`;
}

/**
 * The places of what is at no port: a plug that meets that of another cable lies at the joint that the two cross, else along their way;
 * a splice lies at the point of the routes from which its ends are nearest. Legs go by the points that they are to be led by. What has a
 * loose end has no place.
 * @param ports the ends at ports of placed items, by `endKey`
 * @returns those and the others
 */
export function withInnerEnds(
  cables: readonly Cable[],
  ports: ReadonlyMap<string, LegEnd>,
  frame: FramePlan,
  net: RouteNet,
): ReadonlyMap<string, LegEnd> {
  const met = meetings(cables);
  const inner = innerNodes(cables, met);
  if (inner.size === 0) return ports;
  const ends = new Map(ports);
  const around = neighbours(cables, met);
  for (const node of inner) if ((around.get(node)?.length ?? 0) > 2) placeSplice(node, around, ends, frame, net);
  for (const [start, next] of around) {
    for (const first of ends.has(start) ? next : []) placeChain(start, first, around, ends, frame, net);
  }
  for (const [own, other] of met) {
    const end = ends.get(other);
    if (end !== undefined) ends.set(own, end);
  }
  return ends;
}

/** For each end that is plugged into another cable, the end that it meets. */
function meetings(cables: readonly Cable[]): ReadonlyMap<string, string> {
  const met = new Map<string, string>();
  for (const cable of cables) {
    for (const node of Object.values(cable.nodes)) {
      if (node.is !== 'end' || node.at.is !== 'mate') continue;
      const [own, other] = [endKey(cable.id, node.id), endKey(node.at.cable, node.at.node)];
      if (met.get(other) !== own) met.set(own, other);
    }
  }
  return met;
}

function innerNodes(cables: readonly Cable[], met: ReadonlyMap<string, string>): ReadonlySet<string> {
  const inner = new Set(met.values());
  for (const cable of cables) {
    for (const node of Object.values(cable.nodes)) if (node.is === 'splice') inner.add(endKey(cable.id, node.id));
  }
  return inner;
}

/** A leg from a node: where it leads, and the point that it is to be led by. */
interface Branch {
  readonly to: string;
  readonly via: PointId | undefined;
}

type Neighbours = ReadonlyMap<string, readonly Branch[]>;

/** The legs at each node; two plugs that meet are one. */
function neighbours(cables: readonly Cable[], met: ReadonlyMap<string, string>): Neighbours {
  const around = new Map<string, Branch[]>();
  const put = (a: string, to: string, via: PointId | undefined): void => void around.set(a, [...(around.get(a) ?? []), { to, via }]);
  for (const cable of cables) {
    for (const leg of Object.values(cable.legs)) {
      const [a, b] = [leg.a, leg.b].map((node) => endKey(cable.id, node)).map((key) => met.get(key) ?? key);
      if (a === undefined || b === undefined) continue;
      put(a, b, leg.via);
      put(b, a, leg.via);
    }
  }
  return around;
}

/** Legs in a row: the nodes that they lead to, the last where it ends, and the points that they are led by. */
interface Row {
  readonly nodes: readonly string[];
  readonly vias: readonly PointId[];
}

/** The legs from `first` on, away from `start`, through nodes where two meet. */
function walk(start: string, first: Branch, around: Neighbours, ends: ReadonlyMap<string, LegEnd>): Row {
  const walked = [first];
  let [from, at] = [start, first.to];
  for (let next = around.get(at); !ends.has(at) && next?.length === 2; next = around.get(at)) {
    const on = next[0]?.to === from ? next[1] : next[0];
    // Cables that are plugged round in a ring lead nowhere.
    if (on === undefined || on.to === start || walked.some(({ to }) => to === on.to)) break;
    walked.push(on);
    [from, at] = [at, on.to];
  }
  return { nodes: walked.map(({ to }) => to), vias: walked.flatMap(({ via }) => via ?? []) };
}

/** The spots of points that are there. */
function spotsOf({ points }: FramePlan, vias: readonly PointId[]): readonly Spot[] {
  return vias.flatMap((via) => (points[via] === undefined ? [] : [points[via].at]));
}

function placeSplice(node: string, around: Neighbours, ends: Map<string, LegEnd>, frame: FramePlan, net: RouteNet): void {
  const reached = (around.get(node) ?? []).flatMap((first) => {
    const { nodes, vias } = walk(node, first, around, ends);
    const end = ends.get(nodes.at(-1) ?? '');
    return end === undefined ? [] : [{ end, by: spotsOf(frame, vias) }];
  });
  if (reached.length < 2) return;
  let least = Infinity;
  for (const { at: spot } of Object.values(frame.points)) {
    const here = { spot, bay: undefined };
    const sum = reached.reduce((total, { end, by }) => total + (net.through(here, by, end)?.lengthMm ?? Infinity), 0);
    if (sum < least) {
      least = sum;
      ends.set(node, here);
    }
  }
}

function placeChain(start: string, first: Branch, around: Neighbours, ends: Map<string, LegEnd>, frame: FramePlan, net: RouteNet): void {
  const { nodes, vias } = walk(start, first, around, ends);
  const [a, b] = [ends.get(start), ends.get(nodes.at(-1) ?? '')];
  const between = nodes.slice(0, -1);
  const way = a === undefined || b === undefined || between.length === 0 ? undefined : net.through(a, spotsOf(frame, vias), b);
  if (way === undefined) return;
  const joints = way.routes.filter((route) => frame.routes[route]?.joint !== undefined);
  between.forEach((node, i) => {
    const joint = joints[i];
    const spot = joint === undefined ? undefined : middleOfRoute(frame, joint);
    const bay = a?.bay === b?.bay ? a?.bay : undefined;
    ends.set(
      node,
      joint === undefined || spot === undefined
        ? { spot: alongWay(way, (i + 1) / (between.length + 1)), bay }
        : { spot, bay: undefined, joint },
    );
  });
}

function middleOfRoute({ routes, points }: FramePlan, id: RouteId): Spot | undefined {
  const route = routes[id];
  const [a, b] = route === undefined ? [] : [points[route.a]?.at, points[route.b]?.at];
  return a === undefined || b === undefined ? undefined : between(a, b, 0.5);
}

function alongWay({ spots, lengthMm }: Way, share: number): Spot {
  let left = share * lengthMm;
  for (const [i, to] of spots.slice(1).entries()) {
    const from = spots[i] ?? to;
    const length = distanceMm(from, to);
    if (left <= length && length > 0) return between(from, to, left / length);
    left -= length;
  }
  return spots.at(-1) ?? [0, 0, 0];
}

function between(a: Spot, b: Spot, share: number): Spot {
  return [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1]), a[2] + share * (b[2] - a[2])];
}
