import type { Body, WingSurface } from '../model/airframes/airframe.ts';
import { placeTitle } from '../model/airframes/rotor.ts';
import { AIRFRAME_KINDS, hovers, type AirframeKind } from '../model/airframes.ts';
import type { Bay, BayId, FramePlan, FrameNumber, FramePoint, PointId, Route, RouteId, Spot } from '../model/frame.ts';
import { asId } from '../model/ids.ts';
import { liftMotors } from './liftMotors.ts';
import { meanWing } from './wingGeometry.ts';

type Numbers = Readonly<Partial<Record<FrameNumber, number>>>;

/**
 * An airframe as it is usual for a kind and a size, to begin with: every number, bays, and ways for cables. What people build differs;
 * each of these is theirs to change. Proportions are round figures of small aircraft.
 * @param sizeMm the span; of a multirotor the distance between motors that face each other
 */
export function usualFrame(kind: AirframeKind, sizeMm: number): FramePlan {
  const { body } = AIRFRAME_KINDS[kind];
  switch (body.is) {
    case 'plane':
      return plane(kind, body, sizeMm);
    case 'wing':
      return flyingWing(body, sizeMm);
    case 'copter':
      return copter(kind, sizeMm);
  }
}

/** Rounds to what one would build. */
function round(mm: number): number {
  return Math.round(mm / 5) * 5;
}

/** Grows a frame point by point. */
class Sketch {
  readonly #bays: Record<BayId, Bay> = {};
  readonly #points: Record<PointId, FramePoint> = {};
  readonly #routes: Record<RouteId, Route> = {};

  frame(numbers: Numbers): FramePlan {
    return { numbers, bays: this.#bays, points: this.#points, routes: this.#routes };
  }

  bay(id: string, title: string, at: Spot, sizeMm: Bay['sizeMm'], access: Bay['access'] = 'hatch-above'): void {
    this.#bays[asId<BayId>(id)] = { title, at, sizeMm, access };
  }

  point(id: string, title: string, at: Spot): void {
    this.#points[asId<PointId>(id)] = { title, at };
  }

  route(a: string, b: string, diameterMm: number, joint?: string): void {
    const route = { a: asId<PointId>(a), b: asId<PointId>(b), diameterMm };
    this.#routes[asId<RouteId>(`${a}-${b}`)] = joint === undefined ? route : { ...route, joint };
  }
}

/** What both wings carry: points along the spar, from the root out. */
function wings(
  sketch: Sketch,
  from: string,
  span: number,
  root: Spot,
  stations: readonly { readonly name: string; readonly share: number }[],
): void {
  for (const [side, sign] of [
    ['left', -1],
    ['right', 1],
  ] as const) {
    const [station, butt, water] = root;
    sketch.point(`${side}-root`, `${side} wing root`, [station, sign * butt, water]);
    sketch.route(from, `${side}-root`, 16, `${side} wing`);
    let last = `${side}-root`;
    for (const { name, share } of stations) {
      const id = `${side}-${name}`;
      sketch.point(id, `${side} ${name}`, [station, sign * round((span / 2) * share), water]);
      sketch.route(last, id, 14);
      last = id;
    }
  }
}

/** How far out along half of the span things sit. */
const OUT: Readonly<Record<WingSurface | 'motor', number>> = {
  motor: 0.3,
  flap: 0.35,
  spoiler: 0.4,
  elevon: 0.6,
  aileron: 0.7,
  rudder: 0.95,
};

function plane(
  kind: AirframeKind,
  { propeller: prop, tail: tailForm, alongWing }: Extract<Body, { is: 'plane' }>,
  span: number,
): FramePlan {
  const length = round(0.6 * span);
  const width = round(0.065 * span);
  const height = round(0.07 * span);
  const chord = round(0.125 * span);
  const wing = round(0.32 * length);
  const tailChord = round(0.075 * span);
  const tail = length - tailChord;
  const water = round(height * 0.4);
  const frame = weighed(
    {
      spanMm: span,
      rootChordMm: chord,
      tipChordMm: round(0.085 * span),
      sweepMm: round(0.02 * span),
      wingStationMm: wing,
      wingWaterMm: water,
      bodyLengthMm: length,
      bodyWidthMm: width,
      bodyHeightMm: height,
      tailStationMm: tail,
      tailSpanMm: round(0.3 * span),
      tailChordMm: tailChord,
      propStationMm: prop === 'nose' ? -20 : prop === 'rear' ? length + 20 : wing - 40,
      propDiameterMm: round(0.14 * span),
      ...(prop === 'wing' ? { propButtMm: round((span / 2) * OUT.motor) } : {}),
      ...(hovers(kind) ? { armMm: round(0.25 * span), liftPropDiameterMm: round(0.17 * span) } : {}),
    },
    span,
  );
  const sketch = new Sketch();
  const nose = round(0.06 * length);
  const rearEnd = round(Math.min(wing + chord + 0.2 * length, tail));
  const bay = (id: string, title: string, from: number, to: number, access?: Bay['access']): void =>
    sketch.bay(id, title, [(from + to) / 2, 0, 0], [to - from, width - 10, height - 10], access);
  bay('nose', 'nose', nose, wing);
  bay('middle', 'under the wing', wing, wing + chord);
  bay('rear', 'behind the wing', wing + chord, rearEnd, 'hatch-below');
  sketch.point('front', 'front of the nose bay', [nose, 0, 0]);
  // A hole in a bulkhead belongs to the bays on both sides.
  sketch.point('fore-bulkhead', 'bulkhead in front of the wing', [wing, 0, 0]);
  sketch.point('spine', 'spar', [round(wing + 0.3 * chord), 0, water]);
  sketch.point('aft-bulkhead', 'bulkhead behind the wing', [wing + chord, 0, 0]);
  sketch.point('tail', 'tail', [round(tail + tailChord / 2), 0, 0]);
  sketch.route('front', 'fore-bulkhead', 20);
  sketch.route('fore-bulkhead', 'spine', 20);
  sketch.route('spine', 'aft-bulkhead', 20);
  sketch.route('aft-bulkhead', 'tail', 14);
  const stations = [
    ...(prop === 'wing' ? [{ name: 'motor', share: OUT.motor }] : []),
    ...alongWing.map((name) => ({ name, share: OUT[name] })),
  ];
  wings(sketch, 'spine', span, [round(wing + 0.3 * chord), round(width / 2), water], stations);
  if (tailForm !== 'plain') {
    // The halves of a V rise to their tips; those of an A hang from where they meet.
    const up = round((tailForm === 'v' ? 0.06 : 0.03) * span);
    for (const [side, sign] of [
      ['left', -1],
      ['right', 1],
    ] as const) {
      sketch.point(`${side}-tail`, `${side} ${tailForm.toUpperCase()}-tail`, [round(tail + tailChord / 2), sign * round(0.05 * span), up]);
      sketch.route('tail', `${side}-tail`, 10);
    }
  }
  if (prop === 'nose') {
    sketch.point('motor', 'firewall', [10, 0, 0]);
    sketch.route('motor', 'front', 16);
  } else if (prop === 'rear') {
    sketch.point('motor', 'firewall', [length - 10, 0, 0]);
    sketch.route('tail', 'motor', 16);
  }
  liftArms(sketch, 'spine', kind, sketch.frame(frame));
  return sketch.frame(frame);
}

function flyingWing({ alongWing }: Extract<Body, { is: 'wing' }>, span: number): FramePlan {
  const chord = round(0.3 * span);
  const width = round(0.12 * span);
  const height = round(0.07 * span);
  const nose = round(0.08 * span);
  const length = round(nose + chord);
  const numbers = weighed(
    {
      spanMm: span,
      rootChordMm: chord,
      tipChordMm: round(0.15 * span),
      sweepMm: round(0.2 * span),
      wingStationMm: nose,
      wingWaterMm: 0,
      bodyLengthMm: length,
      bodyWidthMm: width,
      bodyHeightMm: height,
      propStationMm: length + 20,
      propDiameterMm: round(0.2 * span),
    },
    span,
  );
  const sketch = new Sketch();
  sketch.bay('nose', 'nose', [round(0.28 * length), 0, 0], [round(0.4 * length), width - 10, height - 10]);
  const wall = round(0.28 * length) + round(0.4 * length) / 2;
  sketch.bay('middle', 'middle', [wall + round(0.38 * length) / 2, 0, 0], [round(0.38 * length), width - 10, height - 10]);
  sketch.point('front', 'front of the pod', [round(0.2 * length), 0, 0]);
  // A hole in a bulkhead belongs to the bays on both sides.
  sketch.point('bulkhead', 'bulkhead in the pod', [wall, 0, 0]);
  sketch.point('spine', 'middle of the pod', [round(0.6 * length), 0, 0]);
  sketch.point('motor', 'firewall', [length - 10, 0, 0]);
  sketch.route('front', 'bulkhead', 20);
  sketch.route('bulkhead', 'spine', 20);
  sketch.route('spine', 'motor', 16);
  wings(
    sketch,
    'spine',
    span,
    [round(nose + 0.55 * chord), round(width / 2), 0],
    alongWing.map((name) => ({ name, share: OUT[name] })),
  );
  return sketch.frame(numbers);
}

function copter(kind: AirframeKind, size: number): FramePlan {
  const length = round(0.4 * size);
  const width = round(0.3 * size);
  const height = round(0.15 * size);
  const numbers: Numbers = {
    bodyLengthMm: length,
    bodyWidthMm: width,
    bodyHeightMm: height,
    armMm: round(size / 2),
    liftPropDiameterMm: round(0.5 * size),
    massG: Math.max(round(2.2e-3 * size ** 2), 50),
    massStationMm: round(length / 2),
    massWaterMm: 0,
    targetMm: round(length / 2),
    foreLimitMm: round(length / 2 - 0.03 * size),
    aftLimitMm: round(length / 2 + 0.03 * size),
    maxMassG: Math.max(round(9e-3 * size ** 2), 250),
    missionKm: 2,
  };
  const sketch = new Sketch();
  sketch.bay('top', 'top plate', [length / 2, 0, round(height / 4)], [length - 10, width - 10, round(height / 2)], 'open');
  sketch.bay('under', 'under the plate', [length / 2, 0, -round(height / 4)], [length - 10, width - 10, round(height / 2)], 'open');
  sketch.point('spine', 'centre of the frame', [length / 2, 0, 0]);
  liftArms(sketch, 'spine', kind, sketch.frame(numbers));
  return sketch.frame(numbers);
}

/** A point and a way for each arm: two motors on one arm share them. */
function liftArms(sketch: Sketch, from: string, kind: AirframeKind, frame: FramePlan): void {
  for (const { rotor, at } of liftMotors(kind, frame)) {
    if (rotor.place.endsWith('-lower')) continue;
    const arm = rotor.place.replace(/-upper$/, '');
    const [station, butt, water] = at;
    sketch.point(`lift-${arm}`, `lift motor ${placeTitle(rotor.place).replace(/, upper$/, '')}`, [
      round(station),
      round(butt),
      round(water),
    ]);
    sketch.route(from, `lift-${arm}`, 14);
  }
}

/** The weights and speeds of a plane of a span. */
function weighed(numbers: Numbers, span: number): Numbers {
  const bare = Math.max(round(350 * (span / 1000) ** 2), 30);
  const wing = meanWing({ numbers, bays: {}, points: {}, routes: {} });
  const [station, chord] = [wing?.stationMm ?? 0, wing?.chordMm ?? 0];
  return {
    ...numbers,
    massG: bare,
    massStationMm: round(station + 0.4 * chord),
    massWaterMm: 0,
    targetMm: round(station + 0.28 * chord),
    foreLimitMm: round(station + 0.22 * chord),
    aftLimitMm: round(station + 0.34 * chord),
    maxMassG: 3 * bare,
    stallMs: 11,
    cruiseMs: 18,
    neverExceedMs: 32,
    missionKm: 5,
  };
}
