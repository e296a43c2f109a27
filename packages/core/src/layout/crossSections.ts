import { AIRFRAME_KINDS, isWingless, type AirframeKind } from '../model/airframes.ts';
import type { FramePiece, FramePlan } from '../model/frame.ts';
import { outlineOf, type Flat, type OutlinePiece } from './outline.ts';

/** What a level cut through an airframe meets: a piece of it as a line or a closed polygon, in stations and butt lines. */
export interface CrossSection {
  readonly piece: FramePiece;
  readonly points: readonly Flat[];
}

/** Arms and booms are tubes of about this radius. */
const TUBE_RADIUS_MM = 12;

/** Pieces of the outline by what they are part of; propellers are part of none. */
const PIECE_OF: Readonly<Record<OutlinePiece['what'], FramePiece | undefined>> = {
  body: 'body',
  wing: 'wing',
  tail: 'tail',
  arm: 'arm',
  boom: 'arm',
  propeller: undefined,
  'lift-propeller': undefined,
};

/**
 * What a cut through the airframe at a water line meets. Bodies and wings are taken as high as their outline from the side all over; a
 * tail is its fin, or the two halves of a V. What is open in the numbers is left out.
 */
export function crossSections(kind: AirframeKind, frame: FramePlan, waterMm: number): readonly CrossSection[] {
  const { plan, side } = outlineOf(kind, frame);
  const sections = plan.flatMap((drawn): CrossSection[] => {
    const piece = PIECE_OF[drawn.what];
    if (drawn.is === 'disc' || piece === undefined || piece === 'tail') return [];
    if (drawn.is === 'line')
      return Math.abs(waterMm - tubeWaterMm(frame, kind)) <= TUBE_RADIUS_MM ? [{ piece, points: [drawn.a, drawn.b] }] : [];
    return side.some((other) => other.what === drawn.what && isAtHeight(other, waterMm)) ? [{ piece, points: drawn.points }] : [];
  });
  return [...sections, ...side.flatMap((drawn) => (drawn.what === 'tail' ? fins(kind, frame, drawn.points, waterMm) : []))];
}

function isAtHeight(drawn: OutlinePiece, waterMm: number): boolean {
  if (drawn.is !== 'polygon') return false;
  const waters = drawn.points.map(([, water]) => water);
  return waterMm >= Math.min(...waters) && waterMm <= Math.max(...waters);
}

/** Arms of a multirotor lie on top of its body, booms and arms of a plane at the wing. */
function tubeWaterMm({ numbers: { bodyHeightMm = 0, wingWaterMm = 0 } }: FramePlan, kind: AirframeKind): number {
  return isWingless(kind) ? bodyHeightMm / 2 : wingWaterMm;
}

/** A fin stands in the middle; the halves of a V lean outwards, to the span of the tail at their tips, those of an A meet there. */
function fins(kind: AirframeKind, { numbers }: FramePlan, points: readonly Flat[], waterMm: number): CrossSection[] {
  const { tailStationMm: at, tailChordMm: chord, tailSpanMm: span } = numbers;
  const top = Math.max(...points.map(([, water]) => water));
  if (at === undefined || chord === undefined || span === undefined || waterMm < 0 || waterMm > top) return [];
  const { body } = AIRFRAME_KINDS[kind];
  const form = body.is === 'plane' ? body.tail : 'plain';
  const share = top > 0 ? waterMm / top : 0;
  const butt = form === 'plain' ? 0 : (span / 2) * (form === 'v' ? share : 1 - share);
  return (butt === 0 ? [0] : [-butt, butt]).map((middle) => ({
    piece: 'tail',
    points: [
      [at, middle],
      [at + chord, middle],
    ],
  }));
}
