import { Type } from '@sinclair/typebox';
import { AIRFRAME_KINDS, hovers, type AirframeKind } from './airframes.ts';
import { recordOf, type Branded } from './ids.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import { oneOf } from './oneOf.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

export type BayId = Branded<'BayId'>;
export type PointId = Branded<'PointId'>;
export type RouteId = Branded<'RouteId'>;

const plainId = keyText('[a-z0-9][a-z0-9-]{0,39}');
export const BayIdSchema = Type.Unsafe<BayId>(plainId);
export const PointIdSchema = Type.Unsafe<PointId>(plainId);
export const RouteIdSchema = Type.Unsafe<RouteId>(plainId);

const coordinate = Type.Number({ minimum: -LIMITS.lengthMmMax, maximum: LIMITS.lengthMmMax });
const dimension = Type.Number({ exclusiveMinimum: 0, maximum: LIMITS.lengthMmMax });
const title = Type.String({ minLength: 1, maxLength: LIMITS.labelChars });

/** A point of the aircraft in mm: station (aft of the nose datum), butt line (right positive), water line (up positive). */
export const SpotSchema = Type.Tuple([coordinate, coordinate, coordinate]);
export type Spot = Shape<typeof SpotSchema>;

/** How one gets into a bay. */
export const BAY_ACCESS = {
  open: 'open',
  'hatch-above': 'hatch above',
  'hatch-below': 'hatch below',
  closed: 'closed once glued',
} as const;
export type BayAccess = keyof typeof BAY_ACCESS;

function isBayAccess(text: string): text is BayAccess {
  return Object.hasOwn(BAY_ACCESS, text);
}
export const bayAccesses: readonly BayAccess[] = Object.keys(BAY_ACCESS).filter(isBayAccess);

export const BaySchema = Type.Object(
  {
    title,
    /** Its middle. */
    at: SpotSchema,
    /** Along station, butt line and water line. */
    sizeMm: Type.Tuple([dimension, dimension, dimension]),
    access: oneOf(bayAccesses),
  },
  closed,
);
/** A named volume that parts lie in. */
export type Bay = Shape<typeof BaySchema>;

export const FramePointSchema = Type.Object({ title, at: SpotSchema }, closed);
/** A point that cables may be led through. */
export type FramePoint = Shape<typeof FramePointSchema>;

export const RouteSchema = Type.Object(
  {
    a: PointIdSchema,
    b: PointIdSchema,
    /** Of the hole or channel: how many cables fit. */
    diameterMm: dimension,
    /** The name of the joint when the airframe comes apart on this stretch. */
    joint: Type.Optional(title),
  },
  closed,
);
/** A straight stretch between two points that cables may follow. */
export type Route = Shape<typeof RouteSchema>;

interface FrameNumberFacts {
  readonly title: string;
  readonly unit: 'mm' | 'g' | 'm/s' | 'km' | 'm' | 'dB' | 'uT' | 'deg';
  /** What is taken where nobody gives it. */
  readonly usual?: number;
  readonly least: number;
  readonly most: number;
}

const mm = (name: string, least = 1): FrameNumberFacts => ({ title: name, unit: 'mm', least, most: LIMITS.lengthMmMax });
const station = (name: string): FrameNumberFacts => mm(name, -LIMITS.lengthMmMax);
const speed = (name: string): FrameNumberFacts => ({ title: name, unit: 'm/s', least: 1, most: 200 });
const mass = (name: string): FrameNumberFacts => ({ title: name, unit: 'g', least: 1, most: 1_000_000 });

const NUMBERS = {
  spanMm: mm('Span'),
  rootChordMm: mm('Root chord'),
  tipChordMm: mm('Tip chord'),
  sweepMm: station('Sweep: tip leading edge behind root'),
  wingStationMm: station('Leading edge at the root, station'),
  wingWaterMm: station('Wing, water line'),
  bodyLengthMm: mm('Fuselage or pod, length'),
  bodyWidthMm: mm('Fuselage or pod, width'),
  bodyHeightMm: mm('Fuselage or pod, height'),
  tailStationMm: station('Tail leading edge, station'),
  tailSpanMm: mm('Tail span'),
  tailChordMm: mm('Tail chord'),
  propStationMm: station('Propeller, station'),
  propButtMm: mm('Propellers, butt line of each', 0),
  propDiameterMm: mm('Propeller, diameter'),
  armMm: mm('Centre to a lift motor'),
  liftPropDiameterMm: mm('Lift propeller, diameter'),
  massG: mass('Bare airframe, mass'),
  massStationMm: station('Bare airframe, centre of gravity, station'),
  massWaterMm: station('Bare airframe, centre of gravity, water line'),
  targetMm: station('Centre of gravity wanted, station'),
  foreLimitMm: station('Forward limit of the centre of gravity, station'),
  aftLimitMm: station('Aft limit of the centre of gravity, station'),
  maxMassG: mass('Maximum all-up mass'),
  stallMs: speed('Stall speed'),
  cruiseMs: speed('Cruise speed'),
  neverExceedMs: speed('Never-exceed speed'),
  missionKm: { title: 'Maximum distance from home', unit: 'km', least: 0.01, most: 500 },
  flightHeightM: { title: 'Height above ground there', unit: 'm', least: 1, most: 10_000, usual: 100 },
  groundAntennaM: { title: 'Height of the ground antenna', unit: 'm', least: 0.1, most: 100, usual: 2 },
  linkMarginDb: { title: 'Required margin of every link', unit: 'dB', least: 0, most: 40, usual: 10 },
  earthFieldUt: { title: "Earth's field, horizontal part", unit: 'uT', least: 1, most: 45, usual: 20 },
  headingErrorDeg: { title: 'Heading error allowed, two antennas', unit: 'deg', least: 0.05, most: 20, usual: 1 },
} as const satisfies Readonly<Record<string, FrameNumberFacts>>;

export type FrameNumber = keyof typeof NUMBERS;

/** The numbers that draw and weigh an airframe, one entry each. */
export const FRAME_NUMBERS: Readonly<Record<FrameNumber, FrameNumberFacts>> = NUMBERS;

export function isFrameNumber(text: string): text is FrameNumber {
  return Object.hasOwn(FRAME_NUMBERS, text);
}
/** The numbers of which something usual is known. */
export type UsualNumber = { [N in FrameNumber]: (typeof NUMBERS)[N] extends { readonly usual: number } ? N : never }[FrameNumber];

/** A number of an airframe, or what is usual where nobody gave it. */
export function usualOr(numbers: Readonly<Partial<Record<FrameNumber, number>>> | undefined, name: UsualNumber): number {
  return numbers?.[name] ?? NUMBERS[name].usual;
}
export const frameNumbers: readonly FrameNumber[] = Object.keys(FRAME_NUMBERS).filter(isFrameNumber);

const WING = ['spanMm', 'rootChordMm', 'tipChordMm', 'sweepMm', 'wingStationMm', 'wingWaterMm'] as const;
const BODY = ['bodyLengthMm', 'bodyWidthMm', 'bodyHeightMm'] as const;
const TAIL = ['tailStationMm', 'tailSpanMm', 'tailChordMm'] as const;
const PROP = ['propStationMm', 'propDiameterMm'] as const;
const LIFT = ['armMm', 'liftPropDiameterMm'] as const;
const WEIGHT = ['massG', 'massStationMm', 'massWaterMm', 'targetMm', 'foreLimitMm', 'aftLimitMm', 'maxMassG'] as const;
const SPEEDS = ['stallMs', 'cruiseMs', 'neverExceedMs'] as const;

const AWAY = ['missionKm', 'flightHeightM', 'groundAntennaM', 'linkMarginDb', 'earthFieldUt', 'headingErrorDeg'] as const;

/** The numbers that an airframe of a kind has, in the order in which they are asked for. */
export function numbersOfKind(kind: AirframeKind): readonly FrameNumber[] {
  const { body } = AIRFRAME_KINDS[kind];
  const lift = hovers(kind) ? LIFT : [];
  switch (body.is) {
    case 'plane':
      return [
        ...WING,
        ...BODY,
        ...TAIL,
        ...PROP,
        ...(body.propeller === 'wing' ? (['propButtMm'] as const) : []),
        ...lift,
        ...WEIGHT,
        ...SPEEDS,
        ...AWAY,
      ];
    case 'wing':
      return [...WING, ...BODY, ...PROP, ...lift, ...WEIGHT, ...SPEEDS, ...AWAY];
    case 'copter':
      return [...BODY, ...lift, ...WEIGHT, ...AWAY];
  }
}

const NumbersSchema = Type.Unsafe<Readonly<Partial<Record<FrameNumber, number>>>>(
  recordOf(keyText(frameNumbers.join('|')), Type.Number({ minimum: -1_000_000, maximum: 1_000_000 })),
);

/** What an airframe is made of, piece by piece. */
export const FRAME_PIECES = { body: 'body', wing: 'wing', tail: 'tail', arm: 'arms and booms' } as const;
export type FramePiece = keyof typeof FRAME_PIECES;

function isFramePiece(text: string): text is FramePiece {
  return Object.hasOwn(FRAME_PIECES, text);
}
export const framePieces: readonly FramePiece[] = Object.keys(FRAME_PIECES).filter(isFramePiece);

export const FramePlanSchema = Type.Object(
  {
    numbers: NumbersSchema,
    /** The pieces that are made of carbon, which no wave passes. */
    carbon: Type.Optional(Type.Array(oneOf(framePieces), { minItems: 1, maxItems: framePieces.length, uniqueItems: true })),
    bays: recordOf(BayIdSchema, BaySchema, LIMITS.baysPerFrame),
    points: recordOf(PointIdSchema, FramePointSchema, LIMITS.pointsPerFrame),
    routes: recordOf(RouteIdSchema, RouteSchema, LIMITS.routesPerFrame),
  },
  closed,
);
/** The airframe in numbers, with its bays and the ways that cables may take. */
export type FramePlan = Shape<typeof FramePlanSchema>;

const quarter = Type.Union([Type.Literal(0), Type.Literal(90), Type.Literal(180), Type.Literal(270)]);

export const PlaceSchema = Type.Object(
  {
    bay: Type.Optional(BayIdSchema),
    /** The middle of the item. */
    at: SpotSchema,
    /** Roll, pitch and yaw in quarter turns: right side down, nose up, nose right. */
    turn: Type.Tuple([quarter, quarter, quarter]),
    /** What it is turned beside that, nose right. */
    yawDeg: Type.Number({ minimum: -45, maximum: 45 }),
    /** True when it hangs from below. */
    below: Type.Boolean(),
  },
  closed,
);
/** Where an item sits in the airframe, and how it is turned. */
export type Place = Shape<typeof PlaceSchema>;
