import type { Graph } from '../graph/graph.ts';
import type { FramePlan, Spot } from '../model/frame.ts';
import type { PartKind } from '../model/partKinds.ts';
import { wireGramsPerM } from '../model/wire.ts';
import { placedItems, type PlacedItem } from './placedItems.ts';
import { type Way } from './routeNet.ts';
import { legWays } from './ways.ts';

/** Something that weighs, taken as standing in one point. */
export interface Weight {
  readonly what: 'airframe' | 'item' | 'cable';
  readonly name: string;
  readonly massG: number;
  readonly at: Spot;
}

/** The weight of an aircraft and where it balances. */
export interface Balance {
  readonly weights: readonly Weight[];
  readonly massG: number;
  /** Centre of gravity. */
  readonly at: Spot;
  /** Moments of inertia about the centre of gravity: roll, pitch, yaw, in kg m2. */
  readonly inertiaKgM2: Spot;
}

const cache = new WeakMap<Graph, { readonly balance: Balance | undefined }>();

/** The balance of what is placed: airframe, items and cables along their ways. Undefined when nothing with a mass is placed. */
export function balanceOf(graph: Graph): Balance | undefined {
  const known = cache.get(graph);
  if (known !== undefined) return known.balance;
  const { frame } = graph.design.aircraft.airframe;
  const balance = frame === undefined ? undefined : balanceOfWeights(weightsOf(graph, frame));
  cache.set(graph, { balance });
  return balance;
}

/** Adds weights up. */
export function balanceOfWeights(weights: readonly Weight[]): Balance | undefined {
  let massG = 0;
  const moment: [number, number, number] = [0, 0, 0];
  for (const weight of weights) {
    massG += weight.massG;
    for (const axis of [0, 1, 2] as const) moment[axis] += weight.massG * weight.at[axis];
  }
  if (massG === 0) return undefined;
  const at: Spot = [moment[0] / massG, moment[1] / massG, moment[2] / massG];
  const inertia: [number, number, number] = [0, 0, 0];
  for (const weight of weights) {
    const [x, y, z] = [weight.at[0] - at[0], weight.at[1] - at[1], weight.at[2] - at[2]];
    // g mm2 are 1e-9 kg m2.
    inertia[0] += weight.massG * (y * y + z * z) * 1e-9;
    inertia[1] += weight.massG * (x * x + z * z) * 1e-9;
    inertia[2] += weight.massG * (x * x + y * y) * 1e-9;
  }
  return { weights, massG, at, inertiaKgM2: inertia };
}

function weightsOf(graph: Graph, { numbers }: FramePlan): readonly Weight[] {
  const { massG, massStationMm, massWaterMm = 0 } = numbers;
  const bare: readonly Weight[] =
    massG === undefined || massStationMm === undefined
      ? []
      : [{ what: 'airframe', name: 'Bare airframe', massG, at: [massStationMm, 0, massWaterMm] }];
  const items = placedItems(graph).map(({ item, massG: own, place }): Weight => ({
    what: 'item',
    name: item.ref,
    massG: own,
    at: place.at,
  }));
  return [...bare, ...items, ...cableWeights(graph)];
}

/** Each leg with its wires, at the middle of its way. */
function cableWeights(graph: Graph): Weight[] {
  return [...legWays(graph).values()].map(({ cable, leg, way, lengthMm }): Weight => {
    const gramsPerM = Object.values(cable.conductors)
      .filter((conductor) => conductor.leg === leg.id)
      .reduce((sum, { awg }) => sum + wireGramsPerM(awg), 0);
    const cut = leg.typedLengthMm ?? lengthMm;
    return { what: 'cable', name: cable.tag, massG: (gramsPerM * cut) / 1000, at: middleOf(way) };
  });
}

/** Where a cable that is as heavy everywhere balances: the middles of its stretches by their lengths. */
export function middleOf({ spots }: Way): Spot {
  const sum: [number, number, number] = [0, 0, 0];
  let length = 0;
  spots.slice(1).forEach((to, i) => {
    const from = spots[i] ?? to;
    const stretch = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
    length += stretch;
    for (const axis of [0, 1, 2] as const) sum[axis] += (stretch * (from[axis] + to[axis])) / 2;
  });
  return length === 0 ? (spots[0] ?? [0, 0, 0]) : [sum[0] / length, sum[1] / length, sum[2] / length];
}

/** Where a pack would have to sit so that the aircraft balances as wanted, with the cables as they are. */
export interface PackSolution {
  readonly pack: PlacedItem;
  /** The station of its middle that gives the target exactly. */
  readonly stationMm: number;
  /** The nearest to that which its bay allows. */
  readonly reachableMm: number;
  /** Where the aircraft balances with the pack there. */
  readonly balanceMm: number;
  /** What would have to be added at the end of the airframe to make up the rest, when its bay does not reach. */
  readonly ballast?: { readonly massG: number; readonly stationMm: number };
}

/** Solves for the heaviest pack; undefined without one, without a target, or when nothing else weighs. */
export function solvePack(graph: Graph): PackSolution | undefined {
  const balance = balanceOf(graph);
  const { frame } = graph.design.aircraft.airframe;
  const target = frame?.numbers.targetMm;
  const [pack] = placedItems(graph)
    .filter(({ part }) => part.kind === 'battery')
    .sort((a, b) => b.massG - a.massG || a.index - b.index);
  if (balance === undefined || frame === undefined || target === undefined || pack === undefined) return undefined;
  // Moving a mass m by d moves the balance by m d / M.
  const now = pack.place.at[0];
  const stationMm = now + ((target - balance.at[0]) * balance.massG) / pack.massG;
  const bay = pack.place.bay === undefined ? undefined : frame.bays[pack.place.bay];
  const reachableMm = bay === undefined ? stationMm : clamped(stationMm, bay.at[0], bay.sizeMm[0] / 2 - pack.half[0]);
  const balanceMm = balance.at[0] + ((reachableMm - now) * pack.massG) / balance.massG;
  const ballast = ballastFor(frame, balance.massG, balanceMm, target);
  return { pack, stationMm, reachableMm, balanceMm, ...(Math.abs(balanceMm - target) < 0.1 || ballast === undefined ? {} : { ballast }) };
}

function clamped(value: number, middle: number, room: number): number {
  const reach = Math.max(room, 0);
  return Math.min(Math.max(value, middle - reach), middle + reach);
}

/** A mass at the nose or at the end of the fuselage that brings the balance to the target. */
function ballastFor({ numbers }: FramePlan, massG: number, balanceMm: number, targetMm: number): PackSolution['ballast'] {
  const stationMm = balanceMm > targetMm ? 0 : numbers.bodyLengthMm;
  if (stationMm === undefined || Math.sign(targetMm - balanceMm) !== Math.sign(stationMm - targetMm)) return undefined;
  return { massG: (massG * (targetMm - balanceMm)) / (stationMm - targetMm), stationMm };
}

/** Two items that change places, and where the aircraft would balance then. */
export interface Swap {
  readonly a: PlacedItem;
  readonly b: PlacedItem;
  readonly balanceMm: number;
}

/** So many swaps are proposed. */
const MOST_SWAPS = 4;

/**
 * Swaps of two items in bays that bring the balance into its band, the best first. Servos, motors and what has to see the sky stay
 * where they are; each must fit where the other is, by its box.
 */
export function balancingSwaps(graph: Graph): readonly Swap[] {
  const balance = balanceOf(graph);
  const { targetMm, foreLimitMm, aftLimitMm } = graph.design.aircraft.airframe.frame?.numbers ?? {};
  if (balance === undefined || targetMm === undefined || foreLimitMm === undefined || aftLimitMm === undefined) return [];
  const movable = placedItems(graph).filter(({ part, place }) => place.bay !== undefined && !STAYS.includes(part.kind));
  const swaps: Swap[] = [];
  movable.forEach((a, i) => {
    for (const b of movable.slice(i + 1)) {
      const moved = (a.massG - b.massG) * (b.place.at[0] - a.place.at[0]);
      const balanceMm = balance.at[0] + moved / balance.massG;
      if (balanceMm >= foreLimitMm && balanceMm <= aftLimitMm && fitsFor(graph, a, b) && fitsFor(graph, b, a))
        swaps.push({ a, b, balanceMm });
    }
  });
  return swaps.sort((p, q) => Math.abs(p.balanceMm - targetMm) - Math.abs(q.balanceMm - targetMm)).slice(0, MOST_SWAPS);
}

const STAYS: readonly PartKind[] = ['servo', 'motor', 'gnss', 'compass', 'camera'];

/** True when an item fits the bay of another, in the middle of the other's place. */
function fitsFor(graph: Graph, item: PlacedItem, there: PlacedItem): boolean {
  const bay = there.place.bay === undefined ? undefined : graph.design.aircraft.airframe.frame?.bays[there.place.bay];
  return bay !== undefined && ([0, 1, 2] as const).every((axis) => item.half[axis] * 2 <= bay.sizeMm[axis]);
}
