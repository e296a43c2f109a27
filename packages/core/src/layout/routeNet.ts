import type { Bay, BayId, FramePlan, PointId, RouteId, Spot } from '../model/frame.ts';
import { asId } from '../model/ids.ts';
import { distanceMm } from './placedItems.ts';

/** How a cable runs between two places. */
export interface Way {
  readonly lengthMm: number;
  /** The corners, from one end to the other. */
  readonly spots: readonly Spot[];
  /** The stretches that it follows, in order. */
  readonly routes: readonly RouteId[];
}

/** Where an end of a cable is in the airframe. */
export interface WayEnd {
  readonly spot: Spot;
  readonly bay: BayId | undefined;
}

const netCache = new WeakMap<FramePlan, RouteNet>();

/** The net of an airframe, laid out once as long as nobody edits it. */
export function netOf(frame: FramePlan | undefined): RouteNet {
  const known = frame === undefined ? undefined : netCache.get(frame);
  const net = known ?? new RouteNet(frame);
  if (frame !== undefined) netCache.set(frame, net);
  return net;
}

/** The routes of an airframe, with the shortest ways between all of their points (R. W. Floyd 1962). */
export class RouteNet {
  readonly #points: readonly { readonly id: PointId; readonly at: Spot }[];
  readonly #bays: FramePlan['bays'];
  readonly #distance: Float64Array;
  /** The next point on the way from one to another, or -1. */
  readonly #next: Int32Array;
  readonly #routeOf = new Map<number, RouteId>();
  readonly #stretches: Stretch[] = [];

  constructor(frame: FramePlan | undefined) {
    const points = pointsOf(frame);
    const { length: size } = points;
    this.#points = points;
    this.#bays = frame?.bays ?? {};
    this.#distance = new Float64Array(size * size).fill(Infinity);
    this.#next = new Int32Array(size * size).fill(-1);
    const indexOf = new Map(points.map(({ id }, i) => [id, i] as const));
    for (let i = 0; i < size; i++) this.#distance[i * size + i] = 0;
    for (const [id, { a, b }] of routesOf(frame)) {
      const [i, j] = [indexOf.get(a), indexOf.get(b)];
      const [from, to] = [points[i ?? -1], points[j ?? -1]];
      if (i === undefined || j === undefined || from === undefined || to === undefined) continue;
      const length = distanceMm(from.at, to.at);
      this.#stretches.push({ route: id, a: i, b: j, from: from.at, to: to.at });
      for (const [p, q] of [
        [i, j],
        [j, i],
      ] as const) {
        if (length >= (this.#distance[p * size + q] ?? Infinity)) continue;
        this.#distance[p * size + q] = length;
        this.#next[p * size + q] = q;
        this.#routeOf.set(p * size + q, id);
      }
    }
    this.#close(size);
  }

  #close(size: number): void {
    for (let k = 0; k < size; k++) {
      for (let i = 0; i < size; i++) {
        const first = this.#distance[i * size + k] ?? Infinity;
        if (first === Infinity) continue;
        for (let j = 0; j < size; j++) {
          const through = first + (this.#distance[k * size + j] ?? Infinity);
          if (through >= (this.#distance[i * size + j] ?? Infinity)) continue;
          this.#distance[i * size + j] = through;
          this.#next[i * size + j] = this.#next[i * size + k] ?? -1;
        }
      }
    }
  }

  /**
   * The shortest way between two ends: straight within a bay or beside the same stretch, else along the routes from where the one
   * comes in to where the other does. Undefined when no routes lead there.
   */
  between(a: WayEnd, b: WayEnd): Way | undefined {
    const [inA, inB] = [this.#entries(a), this.#entries(b)];
    const straight = this.#straight(a, b, inA, inB);
    let least = straight?.lengthMm ?? Infinity;
    let best: readonly [Entry, Entry] | undefined;
    for (const from of inA) {
      for (const to of inB) {
        const lengthMm = from.reachMm + to.reachMm + (this.#distance[from.point * this.#points.length + to.point] ?? Infinity);
        if (lengthMm < least) [best, least] = [[from, to], lengthMm];
      }
    }
    return best === undefined ? straight : this.#along(a.spot, ...best, b.spot);
  }

  /** The shortest way between two ends by way of spots of the net, in their order; undefined when no routes lead there. */
  through(a: WayEnd, by: readonly Spot[], b: WayEnd): Way | undefined {
    const stops: readonly WayEnd[] = [a, ...by.map((spot) => ({ spot, bay: undefined })), b];
    const ways = stops.slice(1).map((stop, k) => this.between(stops[k] ?? stop, stop));
    let whole: Way | undefined;
    for (const [k, way] of ways.entries()) {
      if (way === undefined) return undefined;
      whole = k === 0 || whole === undefined ? way : joined(whole, way);
    }
    return whole;
  }

  #straight(a: WayEnd, b: WayEnd, [fromA]: readonly Entry[], [fromB]: readonly Entry[]): Way | undefined {
    const straight = { lengthMm: distanceMm(a.spot, b.spot), spots: [a.spot, b.spot], routes: [] };
    if (a.bay !== undefined && a.bay === b.bay) return straight;
    const [footA, footB] = [fromA?.foot, fromB?.foot];
    if (footA === undefined || footB === undefined || fromA?.route === undefined || fromA.route !== fromB?.route) return undefined;
    const spots = [a.spot, footA, footB, b.spot];
    return { lengthMm: lengthOf(spots), spots, routes: [fromA.route] };
  }

  /**
   * Where a cable comes in: the points in the bay of its end, else either end of the nearest stretch, by its foot there. Never past a
   * wall or a joint.
   */
  #entries({ spot, bay }: WayEnd): readonly Entry[] {
    const volume = bay === undefined ? undefined : this.#bays[bay];
    const inside = volume === undefined ? [] : [...this.#points.keys()].filter((point) => isInBay(this.#points[point]?.at, volume));
    if (inside.length > 0) return inside.map((point) => ({ point, reachMm: distanceMm(spot, this.#points[point]?.at ?? spot) }));
    let nearest: (Stretch & { readonly foot: Spot }) | undefined;
    let least = Infinity;
    for (const stretch of this.#stretches) {
      const foot = footOn(spot, stretch.from, stretch.to);
      const mm = distanceMm(spot, foot);
      if (mm < least) [nearest, least] = [{ ...stretch, foot }, mm];
    }
    if (nearest === undefined) return [];
    const { a, b, route, foot, from, to } = nearest;
    return [
      { point: a, route, foot, reachMm: least + distanceMm(foot, from) },
      { point: b, route, foot, reachMm: least + distanceMm(foot, to) },
    ];
  }

  #along(from: Spot, entryA: Entry, entryB: Entry, to: Spot): Way | undefined {
    const { length: size } = this.#points;
    const spots: Spot[] = entryA.foot === undefined ? [from] : [from, entryA.foot];
    const routes: RouteId[] = entryA.route === undefined ? [] : [entryA.route];
    const [i, j] = [entryA.point, entryB.point];
    const first = this.#points[i];
    if (first === undefined || (this.#distance[i * size + j] ?? Infinity) === Infinity) return undefined;
    spots.push(first.at);
    for (let at = i; at !== j;) {
      const next = this.#next[at * size + j] ?? -1;
      const route = this.#routeOf.get(at * size + next);
      const point = this.#points[next];
      if (route === undefined || point === undefined) return undefined;
      routes.push(route);
      spots.push(point.at);
      at = next;
    }
    if (entryB.foot !== undefined) spots.push(entryB.foot);
    if (entryB.route !== undefined) routes.push(entryB.route);
    spots.push(to);
    return { lengthMm: lengthOf(spots), spots, routes: routes.filter((route, k) => route !== routes[k - 1]) };
  }
}

/** One way after the other. */
function joined(one: Way, other: Way): Way {
  const routes = [...one.routes, ...other.routes];
  return {
    lengthMm: one.lengthMm + other.lengthMm,
    spots: [...one.spots, ...other.spots.slice(1)],
    routes: routes.filter((route, k) => route !== routes[k - 1]),
  };
}

/** Where a cable comes into the net: a point, and when it joins a stretch beside it, the foot there. */
interface Entry {
  readonly point: number;
  /** From the end of the cable to the point. */
  readonly reachMm: number;
  readonly route?: RouteId;
  readonly foot?: Spot;
}

interface Stretch {
  readonly route: RouteId;
  readonly a: number;
  readonly b: number;
  readonly from: Spot;
  readonly to: Spot;
}

/** The length of a way over its corners, in mm. */
export function lengthOf(spots: readonly Spot[]): number {
  return spots.slice(1).reduce((sum, spot, i) => sum + distanceMm(spot, spots[i] ?? spot), 0);
}

/** The point of a stretch that is nearest to a spot. */
function footOn(spot: Spot, from: Spot, to: Spot): Spot {
  const along: Spot = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const length2 = along[0] ** 2 + along[1] ** 2 + along[2] ** 2;
  const dot = (spot[0] - from[0]) * along[0] + (spot[1] - from[1]) * along[1] + (spot[2] - from[2]) * along[2];
  const share = length2 === 0 ? 0 : Math.min(Math.max(dot / length2, 0), 1);
  return [from[0] + share * along[0], from[1] + share * along[1], from[2] + share * along[2]];
}

function isInBay(at: Spot | undefined, { at: middle, sizeMm }: Bay): boolean {
  return at !== undefined && ([0, 1, 2] as const).every((axis) => Math.abs(at[axis] - middle[axis]) <= sizeMm[axis] / 2);
}

function pointsOf(frame: FramePlan | undefined): { readonly id: PointId; readonly at: Spot }[] {
  return Object.entries(frame?.points ?? {}).map(([id, { at }]) => ({ id: asId<PointId>(id), at }));
}

function routesOf(frame: FramePlan | undefined): (readonly [RouteId, FramePlan['routes'][RouteId]])[] {
  return Object.entries(frame?.routes ?? {}).map(([id, route]) => [asId<RouteId>(id), route] as const);
}
