import type { Graph } from '../graph/graph.ts';
import { distanceMm, placedItems, type PlacedItem } from '../layout/placedItems.ts';
import type { PartKind } from '../model/partKinds.ts';
import { placedAntennas, type PlacedAntenna } from './antennasOf.ts';

/** What is metal through and through. */
const METAL: readonly PartKind[] = ['battery', 'motor'];

/** A smaller share of the horizon than this is not worth a word: waves bend round it. */
const LEAST_DEG = 10;

/** Something that stands between an antenna and a part of the horizon. */
export interface Shadow {
  readonly antenna: PlacedAntenna;
  readonly body: PlacedItem;
  /** How much of the horizon it hides. */
  readonly spanDeg: number;
  /** The middle of that, turned from forward to the right. */
  readonly bearingDeg: number;
  readonly distanceMm: number;
}

/**
 * What shadows each antenna towards the horizon: packs and motors at its height, by the angle between the corners of their boxes, the
 * widest first. Carbon in the airframe is not in the model.
 */
export function shadowsOf(graph: Graph): readonly Shadow[] {
  const bodies = placedItems(graph).filter(({ part }) => METAL.includes(part.kind));
  return placedAntennas(graph)
    .flatMap((antenna) => bodies.flatMap((body) => (body.item.id === antenna.item.id ? [] : (shadowOf(antenna, body) ?? []))))
    .filter(({ spanDeg }) => spanDeg >= LEAST_DEG)
    .sort((a, b) => b.spanDeg - a.spanDeg);
}

function shadowOf(antenna: PlacedAntenna, body: PlacedItem): Shadow | undefined {
  const [station, butt, water] = antenna.at;
  const {
    half,
    place: { at },
  } = body;
  if (Math.abs(water - at[2]) > half[2]) return undefined;
  const [aft, right] = [at[0] - station, at[1] - butt];
  const isInside = Math.abs(aft) <= half[0] && Math.abs(right) <= half[1];
  const middle = Math.atan2(right, -aft);
  const corners = [-1, 1].flatMap((i) => [-1, 1].map((j) => sideways(Math.atan2(right + j * half[1], -(aft + i * half[0])) - middle)));
  const span = isInside ? 2 * Math.PI : Math.max(...corners) - Math.min(...corners);
  return { antenna, body, spanDeg: degrees(span), bearingDeg: degrees(middle), distanceMm: distanceMm(antenna.at, at) };
}

/** An angle as one turns least for it, from -pi to pi. */
function sideways(angle: number): number {
  return Math.atan2(Math.sin(angle), Math.cos(angle));
}

function degrees(radians: number): number {
  return (radians * 180) / Math.PI;
}

const SIDES = [
  'ahead',
  'ahead to the right',
  'to the right',
  'aft to the right',
  'aft',
  'aft to the left',
  'to the left',
  'ahead to the left',
];

/** An angle from forward to the right, in words for each eighth of a turn. */
export function sideWords(bearingDeg: number): string {
  return SIDES[((Math.round(bearingDeg / 45) % 8) + 8) % 8] ?? '';
}
