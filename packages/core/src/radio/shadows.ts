import type { Graph } from '../graph/graph.ts';
import { crossSections } from '../layout/crossSections.ts';
import { distanceToPiece, type Flat } from '../layout/outline.ts';
import { distanceMm, placedItems, type PlacedItem } from '../layout/placedItems.ts';
import { FRAME_PIECES, type FramePiece } from '../model/frame.ts';
import type { PartKind } from '../model/partKinds.ts';
import { placedAntennas, type PlacedAntenna } from './antennasOf.ts';

/** What is metal through and through. */
const METAL: readonly PartKind[] = ['battery', 'motor'];

/** A smaller share of the horizon than this is not worth a word: waves bend round it. */
const LEAST_DEG = 10;

/** What hides a part of the horizon: a part that is metal, or a piece of the airframe that is made of carbon. */
export type ShadowBody = { readonly is: 'item'; readonly placed: PlacedItem } | { readonly is: 'carbon'; readonly piece: FramePiece };

/** Something that stands between an antenna and a part of the horizon. */
export interface Shadow {
  readonly antenna: PlacedAntenna;
  readonly body: ShadowBody;
  /** How much of the horizon it hides; all round where the antenna stands in it. */
  readonly spanDeg: number;
  /** The middle of that, turned from forward to the right. */
  readonly bearingDeg: number;
  /** To the middle of a part, or to the nearest edge of a piece. */
  readonly distanceMm: number;
}

/**
 * What shadows each antenna towards the horizon: packs and motors, and what is made of carbon, as it is cut at the height of the antenna;
 * the widest first.
 */
export function shadowsOf(graph: Graph): readonly Shadow[] {
  const bodies = placedItems(graph).filter(({ part }) => METAL.includes(part.kind));
  return placedAntennas(graph)
    .flatMap((antenna) => [...byParts(antenna, bodies), ...byCarbon(graph, antenna)])
    .filter(({ spanDeg }) => spanDeg >= LEAST_DEG)
    .sort((a, b) => b.spanDeg - a.spanDeg);
}

/** What a body that shadows is called. */
export function shadowName(body: ShadowBody): string {
  return body.is === 'item' ? body.placed.item.ref : `carbon ${FRAME_PIECES[body.piece]}`;
}

function byParts(antenna: PlacedAntenna, bodies: readonly PlacedItem[]): readonly Shadow[] {
  return bodies.flatMap((placed): Shadow[] => {
    const { half, place, item } = placed;
    const { at } = place;
    if (item.id === antenna.item.id || Math.abs(antenna.at[2] - at[2]) > half[2]) return [];
    const corners: readonly Flat[] = [
      [at[0] - half[0], at[1] - half[1]],
      [at[0] - half[0], at[1] + half[1]],
      [at[0] + half[0], at[1] + half[1]],
      [at[0] + half[0], at[1] - half[1]],
    ];
    return [{ antenna, body: { is: 'item', placed }, ...hiddenBy(antenna, corners), distanceMm: distanceMm(antenna.at, at) }];
  });
}

function byCarbon(graph: Graph, antenna: PlacedAntenna): readonly Shadow[] {
  const { kind, frame } = graph.design.aircraft.airframe;
  if (frame?.carbon === undefined) return [];
  return crossSections(kind, frame, antenna.at[2]).flatMap(({ piece, points }): Shadow[] => {
    if (frame.carbon?.includes(piece) !== true) return [];
    const edge = { is: 'polygon', what: 'body', points } as const;
    return [
      {
        antenna,
        body: { is: 'carbon', piece },
        ...hiddenBy(antenna, points),
        distanceMm: distanceToPiece([antenna.at[0], antenna.at[1]], edge),
      },
    ];
  });
}

/**
 * How much of the horizon a body hides, from the angles under which one sees its edge while one goes round it: they come back to where
 * they began, or have gone all round where one stands in it.
 */
function hiddenBy({ at: [station, butt] }: PlacedAntenna, edge: readonly Flat[]): Pick<Shadow, 'spanDeg' | 'bearingDeg'> {
  const angles = edge.map(([its, beside]) => Math.atan2(beside - butt, -(its - station)));
  const [first = 0] = angles;
  let turned = 0;
  let [least, most] = [0, 0];
  angles.forEach((angle, i) => {
    turned += sideways((angles[(i + 1) % angles.length] ?? angle) - angle);
    least = Math.min(least, turned);
    most = Math.max(most, turned);
  });
  const isInside = Math.abs(turned) > Math.PI;
  return { spanDeg: isInside ? 360 : degrees(most - least), bearingDeg: degrees(sideways(first + (least + most) / 2)) };
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

/** Where a shadow lies, in words. */
export function shadowWords({ spanDeg, bearingDeg }: Pick<Shadow, 'spanDeg' | 'bearingDeg'>): string {
  return spanDeg === 360 ? 'all round' : sideWords(bearingDeg);
}

/** An angle from forward to the right, in words for each eighth of a turn. */
export function sideWords(bearingDeg: number): string {
  return SIDES[((Math.round(bearingDeg / 45) % 8) + 8) % 8] ?? '';
}
