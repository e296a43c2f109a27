import { AIRFRAME_KINDS, isWingless, type AirframeKind } from '../model/airframes.ts';
import type { FramePlan } from '../model/frame.ts';
import { liftMotors } from './liftMotors.ts';

/** A point of a drawing: station and butt line from above, station and water line from the side. */
export type Flat = readonly [number, number];

/** A piece of an airframe's outline in one view. */
export type OutlinePiece =
  | { readonly is: 'polygon'; readonly what: 'body' | 'wing' | 'tail'; readonly points: readonly Flat[] }
  | { readonly is: 'disc'; readonly what: 'lift-propeller'; readonly at: Flat; readonly radius: number }
  | { readonly is: 'line'; readonly what: 'propeller' | 'arm' | 'boom'; readonly a: Flat; readonly b: Flat };

export interface Outline {
  readonly plan: readonly OutlinePiece[];
  readonly side: readonly OutlinePiece[];
}

/** The outline of an airframe from its numbers, from above and from the right side. What is open is not drawn. */
export function outlineOf(kind: AirframeKind, frame: FramePlan): Outline {
  const plan: OutlinePiece[] = [];
  const side: OutlinePiece[] = [];
  // What lies behind is drawn first: from above the wing goes through the body, from the side it stands before it.
  addWing(frame, plan, side);
  addTail(kind, frame, plan, side);
  addBody(frame, plan, side);
  addPropellers(frame, plan, side);
  addLift(kind, frame, plan, side);
  return { plan, side };
}

function addBody(
  { numbers: { bodyLengthMm: length, bodyWidthMm: width, bodyHeightMm: height } }: FramePlan,
  plan: OutlinePiece[],
  side: OutlinePiece[],
): void {
  if (length === undefined) return;
  if (width !== undefined) plan.push({ is: 'polygon', what: 'body', points: blunt(length, width / 2) });
  if (height !== undefined) side.push({ is: 'polygon', what: 'body', points: blunt(length, height / 2) });
}

/** A body with corners taken off, nose first. */
function blunt(length: number, half: number): Flat[] {
  const nose = Math.min(half, length / 4);
  return [
    [0, -half / 2],
    [nose, -half],
    [length - nose / 2, -half],
    [length, -half / 2],
    [length, half / 2],
    [length - nose / 2, half],
    [nose, half],
    [0, half / 2],
  ];
}

function addWing({ numbers }: FramePlan, plan: OutlinePiece[], side: OutlinePiece[]): void {
  const { spanMm, rootChordMm, tipChordMm, sweepMm = 0, wingStationMm, wingWaterMm = 0 } = numbers;
  if (spanMm === undefined || rootChordMm === undefined || tipChordMm === undefined || wingStationMm === undefined) return;
  const tip = wingStationMm + sweepMm;
  plan.push({
    is: 'polygon',
    what: 'wing',
    points: [
      [tip, -spanMm / 2],
      [wingStationMm, 0],
      [tip, spanMm / 2],
      [tip + tipChordMm, spanMm / 2],
      [wingStationMm + rootChordMm, 0],
      [tip + tipChordMm, -spanMm / 2],
    ],
  });
  const thickness = 0.06 * rootChordMm;
  side.push({
    is: 'polygon',
    what: 'wing',
    points: [
      [wingStationMm, wingWaterMm],
      [wingStationMm + 0.3 * rootChordMm, wingWaterMm + thickness],
      [wingStationMm + rootChordMm, wingWaterMm],
      [wingStationMm + 0.3 * rootChordMm, wingWaterMm - thickness],
    ],
  });
}

function addTail(kind: AirframeKind, { numbers }: FramePlan, plan: OutlinePiece[], side: OutlinePiece[]): void {
  const { tailStationMm: at, tailSpanMm: span, tailChordMm: chord } = numbers;
  if (at === undefined || span === undefined || chord === undefined) return;
  plan.push({
    is: 'polygon',
    what: 'tail',
    points: [
      [at, -span / 2],
      [at, span / 2],
      [at + chord, span / 2],
      [at + chord, -span / 2],
    ],
  });
  addBooms(numbers, at, plan, side);
  const fin = isLeaning(kind) ? span / 3 : span / 2.5;
  side.push({
    is: 'polygon',
    what: 'tail',
    points: [
      [at, 0],
      [at + 0.3 * chord, fin],
      [at + chord, fin],
      [at + chord, 0],
    ],
  });
}

/** A tail behind the end of the fuselage or pod hangs on two booms, beside the propeller. */
function addBooms(numbers: FramePlan['numbers'], tailStation: number, plan: OutlinePiece[], side: OutlinePiece[]): void {
  const { bodyLengthMm, wingStationMm, rootChordMm = 0, propDiameterMm = 0, bodyWidthMm = 0, wingWaterMm = 0 } = numbers;
  if (bodyLengthMm === undefined || wingStationMm === undefined || tailStation <= bodyLengthMm) return;
  const from = wingStationMm + rootChordMm / 2;
  const butt = boomButtMm(propDiameterMm, bodyWidthMm);
  for (const middle of [-butt, butt]) plan.push({ is: 'line', what: 'boom', a: [from, middle], b: [tailStation, middle] });
  side.push({ is: 'line', what: 'boom', a: [from, wingWaterMm], b: [tailStation, wingWaterMm] });
}

/** Booms stand clear of the propeller, or of the pod. */
function boomButtMm(propDiameterMm: number, bodyWidthMm: number): number {
  return Math.max(propDiameterMm, bodyWidthMm) / 2 + 20;
}

function addPropellers({ numbers }: FramePlan, plan: OutlinePiece[], side: OutlinePiece[]): void {
  const { propStationMm: at, propDiameterMm: diameter, propButtMm: butt = 0, wingWaterMm = 0 } = numbers;
  if (at === undefined || diameter === undefined) return;
  for (const middle of butt === 0 ? [0] : [-butt, butt]) {
    plan.push({ is: 'line', what: 'propeller', a: [at, middle - diameter / 2], b: [at, middle + diameter / 2] });
  }
  const water = butt === 0 ? 0 : wingWaterMm;
  side.push({ is: 'line', what: 'propeller', a: [at, water - diameter / 2], b: [at, water + diameter / 2] });
}

function addLift(kind: AirframeKind, frame: FramePlan, plan: OutlinePiece[], side: OutlinePiece[]): void {
  const radius = (frame.numbers.liftPropDiameterMm ?? 0) / 2;
  const motors = liftMotors(kind, frame);
  const middle = motors.reduce((sum, { at: [station] }) => sum + station / motors.length, 0);
  for (const {
    at: [station, butt, water],
  } of motors) {
    plan.push({ is: 'line', what: 'arm', a: isWingless(kind) ? [middle, 0] : [middle, butt], b: [station, butt] });
    if (radius === 0) continue;
    plan.push({ is: 'disc', what: 'lift-propeller', at: [station, butt], radius });
    side.push({ is: 'line', what: 'propeller', a: [station - radius, water + 20], b: [station + radius, water + 20] });
  }
}

/** True for a tail of two halves that lean, a V or an A. */
export function isLeaning(kind: AirframeKind): boolean {
  const { body } = AIRFRAME_KINDS[kind];
  return body.is === 'plane' && body.tail !== 'plain';
}

/** True when a point lies in a polygon (ray casting). */
export function isInside([x, y]: Flat, points: readonly Flat[]): boolean {
  let inside = false;
  points.forEach(([bx, by], i) => {
    const [ax, ay] = points.at(i - 1) ?? [0, 0];
    if (by > y !== ay > y && x < ((ax - bx) * (y - by)) / (ay - by) + bx) inside = !inside;
  });
  return inside;
}

/** How far a point is from a piece of the outline; 0 inside. */
export function distanceToPiece(point: Flat, piece: OutlinePiece): number {
  switch (piece.is) {
    case 'disc':
      // Below a propeller there is nothing to mount on.
      return Infinity;
    case 'line':
      return piece.what === 'propeller' ? Infinity : distanceToLine(point, piece.a, piece.b);
    case 'polygon':
      if (isInside(point, piece.points)) return 0;
      return Math.min(...piece.points.map((b, i) => distanceToLine(point, piece.points.at(i - 1) ?? b, b)));
  }
}

function distanceToLine([x, y]: Flat, [ax, ay]: Flat, [bx, by]: Flat): number {
  const [dx, dy] = [bx - ax, by - ay];
  const length2 = dx * dx + dy * dy;
  const along = length2 === 0 ? 0 : Math.min(Math.max(((x - ax) * dx + (y - ay) * dy) / length2, 0), 1);
  return Math.hypot(x - ax - along * dx, y - ay - along * dy);
}
