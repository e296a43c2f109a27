import { Type } from '@sinclair/typebox';
import { keyText } from './keys.ts';
import { oneOf } from './oneOf.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

/** How the field of an antenna lies: along its axis, or turning. */
export type Polarisation = 'linear' | 'turning-right' | 'turning-left';

interface AntennaFacts {
  readonly title: string;
  /** Over an isotropic one, in its best direction. */
  readonly gainDbi: number;
  readonly polarisation: Polarisation;
  /** Round its axis with nothing along it, or a beam along its axis. */
  readonly pattern: 'round' | 'beam';
}

const FACTS = {
  whip: { title: 'quarter-wave whip', gainDbi: 0, polarisation: 'linear', pattern: 'round' },
  dipole: { title: 'half-wave dipole', gainDbi: 2.15, polarisation: 'linear', pattern: 'round' },
  stacked: { title: 'stacked dipoles', gainDbi: 5, polarisation: 'linear', pattern: 'round' },
  'crossed-loops': { title: 'crossed loops, right-handed', gainDbi: 1.3, polarisation: 'turning-right', pattern: 'round' },
  'crossed-loops-left': { title: 'crossed loops, left-handed', gainDbi: 1.3, polarisation: 'turning-left', pattern: 'round' },
  plate: { title: 'flat plate, right-handed', gainDbi: 8, polarisation: 'turning-right', pattern: 'beam' },
  'upright-plate': { title: 'flat plate, linear', gainDbi: 8, polarisation: 'linear', pattern: 'beam' },
  'long-beam': { title: 'long beam of rods', gainDbi: 12, polarisation: 'linear', pattern: 'beam' },
  'sky-plate': { title: 'ceramic plate for satellites', gainDbi: 3, polarisation: 'turning-right', pattern: 'beam' },
} as const satisfies Readonly<Record<string, AntennaFacts>>;

export type AntennaKind = keyof typeof FACTS;

/** Antennas by what they are, with round figures of their kind. */
export const ANTENNAS: Readonly<Record<AntennaKind, AntennaFacts>> = FACTS;

export function isAntennaKind(value: unknown): value is AntennaKind {
  return typeof value === 'string' && Object.hasOwn(ANTENNAS, value);
}
export const antennaKinds: readonly AntennaKind[] = Object.keys(ANTENNAS).filter(isAntennaKind);

/** The ways an antenna's axis may point in the aircraft. */
export const ANTENNA_AXES = { up: 'upright', along: 'along the aircraft', across: 'across the aircraft' } as const;
export type AntennaAxis = keyof typeof ANTENNA_AXES;

export function isAntennaAxis(value: unknown): value is AntennaAxis {
  return typeof value === 'string' && Object.hasOwn(ANTENNA_AXES, value);
}

export const RadioIdSchema = keyText('[a-z][a-z0-9]{0,11}');
const dbm = Type.Number({ minimum: -200, maximum: 60 });

const airName = Type.String({ minLength: 1, maxLength: 40 });

export const AirTraitsSchema = Type.Object(
  {
    /** What it speaks. Two that speak different things never hear one another: `hopping data`. */
    protocol: airName,
    /** Major versions of it that its firmware can be; the first as delivered. Two major versions do not understand one another. */
    versions: Type.Array(Type.Integer({ minimum: 1, maximum: 99 }), { minItems: 1 }),
    /** What it can be set to for the rules of a place; the first as delivered. They hop over other channels. */
    regions: Type.Optional(Type.Array(airName, { minItems: 1 })),
    /** How fast it sends, in kbit/s, or in frames a second where it carries channels only; the first as delivered. */
    rates: Type.Optional(
      Type.Object(
        {
          unit: Type.Union([Type.Literal('kbit/s'), Type.Literal('Hz')]),
          choices: Type.Array(Type.Number({ exclusiveMinimum: 0, maximum: 1_000_000 }), { minItems: 1 }),
          /** Of each rate, into how many steps channels above the fourth are cut; absent where all channels are whole. */
          auxiliarySteps: Type.Optional(Type.Array(Type.Integer({ minimum: 2, maximum: 2048 }), { minItems: 1 })),
        },
        closed,
      ),
    ),
    /** Of a rate in kbit/s, the share that is left for data in both directions together, after turning round and correcting errors. */
    usableShare: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1 })),
    /** How two of a kind know one another: a number that both are given, a phrase, or being paired once. Absent: whoever listens hears. */
    knows: Type.Optional(
      Type.Union([
        Type.Object(
          {
            is: Type.Literal('number'),
            label: airName,
            min: Type.Integer(),
            max: Type.Integer(),
            delivered: Type.Integer(),
          },
          closed,
        ),
        Type.Object({ is: Type.Literal('phrase') }, closed),
        Type.Object({ is: Type.Literal('pairing') }, closed),
      ]),
    ),
  },
  closed,
);
/** What the two ends of a link through the air have to agree on. */
export type AirTraits = Shape<typeof AirTraitsSchema>;

export const RadioTraitsSchema = Type.Object(
  {
    /** Names its antenna among those of the part. */
    id: RadioIdSchema,
    title: Type.String({ minLength: 1, maxLength: 40 }),
    /** The lowest and the highest frequency, in MHz. */
    mhz: Type.Tuple([Type.Number({ exclusiveMinimum: 0, maximum: 100_000 }), Type.Number({ exclusiveMinimum: 0, maximum: 100_000 })]),
    /** What it sends, in dBm; absent for what only listens. */
    sendsDbm: Type.Optional(dbm),
    /** The weakest signal that it understands, and the strongest of others that it bears. Absent for what only sends. */
    hears: Type.Optional(Type.Object({ sensitivityDbm: dbm, blockingDbm: dbm }, closed)),
    /** What the other end sends and hears, where there is one on the ground. */
    otherEnd: Type.Optional(Type.Object({ sendsDbm: Type.Optional(dbm), sensitivityDbm: Type.Optional(dbm) }, closed)),
    /** The radio whose other antenna this is: it goes on with the better of them. */
    diversityOf: Type.Optional(RadioIdSchema),
    /** Which end of the line that gives a heading: it runs from the first antenna to the second. */
    heading: Type.Optional(Type.Union([Type.Literal('first'), Type.Literal('second')])),
    /** Unknown where nothing is said. */
    air: Type.Optional(AirTraitsSchema),
    antenna: oneOf(antennaKinds),
    groundAntenna: Type.Optional(oneOf(antennaKinds)),
    /** Where the antenna begins, from the middle of the part, in its own axes: aft, right, up, in mm. */
    atMm: Type.Tuple([Type.Number(), Type.Number(), Type.Number()]),
  },
  closed,
);
/** A radio of a part, with one antenna. Figures of its kind, from data sheets; estimates rest on them. */
export type RadioTraits = Shape<typeof RadioTraitsSchema>;
