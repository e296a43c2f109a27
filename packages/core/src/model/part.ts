import { type TSchema, Type } from '@sinclair/typebox';
import { circuitElementSchema } from './circuit.ts';
import { ConnectorSchema } from './connector.ts';
import { endpointSchema } from './endpoint.ts';
import { HowSchema } from './how.ts';
import { PartIdSchema } from './ids.ts';
import { LIMITS } from './limits.ts';
import { oneOf } from './oneOf.ts';
import { NumberParameter, SettingIdSchema, SettingSpecSchema, WhenSchema } from './setting.ts';
import { partKinds } from './partKinds.ts';
import { PortIdSchema } from './portId.ts';
import { RadioTraitsSchema } from './radio.ts';
import type { Shape } from './shape.ts';
import { TargetSchema } from './target.ts';

const closed = { additionalProperties: false } as const;

export const PIN_ROLES = [
  'gnd',
  'supply-in',
  'supply-out',
  'supply-through',
  'tx',
  'rx',
  'cts',
  'rts',
  'sda',
  'scl',
  'can-h',
  'can-l',
  'pulse-out',
  'pulse-in',
  'video-out',
  'video-in',
  'analog-in',
  'analog-out',
  'single-wire',
  'usb',
  'phase',
  'switch',
  'antenna',
  'nc',
] as const;
export type PinRole = (typeof PIN_ROLES)[number];

const PinRoleSchema = oneOf(PIN_ROLES);

const LogicSchema = Type.Object(
  {
    highV: Type.Union([Type.Literal(1.8), Type.Literal(3.3), Type.Literal(5), Type.Literal(12)]),
    /** The highest voltage that the pin stands, in volts. */
    inputMaxV: Type.Number({ exclusiveMinimum: 0, maximum: 100 }),
    idle: Type.Optional(Type.Union([Type.Literal('high'), Type.Literal('low')])),
    /** What an input must see to read a high, in volts; 0.6 of its own level when the data does not say. */
    needsV: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 30 })),
    /** The same as a share of the supply of the pin's own port, as addressable lights have it. */
    needsShareOfSupply: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1 })),
  },
  closed,
);

const pinBase = {
  /** Position in the connector, from 1, in physical order. */
  n: Type.Integer({ minimum: 1, maximum: LIMITS.pinsPerPort }),
  label: Type.String({ minLength: 1, maxLength: 12 }),
  role: PinRoleSchema,
  logic: Type.Optional(LogicSchema),
};
const ResolvedPinSchema = Type.Object(pinBase, closed);
const PinSchema = Type.Object(
  {
    ...pinBase,
    /** What the pin becomes when a setting has one of these values: a port that is UART or I2C. */
    becomes: Type.Optional(Type.Array(Type.Object({ when: WhenSchema, role: PinRoleSchema, label: Type.String() }, closed))),
  },
  closed,
);

function portSchema<P extends TSchema>(pin: P) {
  return Type.Object(
    {
      id: PortIdSchema,
      /** As printed on the part. */
      label: Type.String({ minLength: 1, maxLength: 24 }),
      connector: ConnectorSchema,
      pins: Type.Array(pin, { minItems: 1, maxItems: LIMITS.pinsPerPort }),
      side: Type.Optional(
        Type.Union([
          Type.Literal('left'),
          Type.Literal('right'),
          Type.Literal('front'),
          Type.Literal('rear'),
          Type.Literal('top'),
          Type.Literal('bottom'),
        ]),
      ),
      /** Which row of a pin header carries the signal. */
      signalRow: Type.Optional(Type.Union([Type.Literal('inner'), Type.Literal('outer')])),
      /** Why the port has no ground pin, where it has none. */
      groundless: Type.Optional(Type.String()),
      /** True when the part does not do its job with this port left empty. */
      needed: Type.Optional(Type.Boolean()),
    },
    closed,
  );
}

const SignalRouteSchema = Type.Object(
  {
    /** Endpoints of the same part, or its radios, by their ids: what comes in at `from` goes out at `to`. */
    from: SettingIdSchema,
    to: SettingIdSchema,
    transform: Type.Union([
      Type.Literal('none'),
      Type.Literal('invert'),
      Type.Literal('encode'),
      Type.Literal('bridge'),
      Type.Literal('overlay'),
    ]),
  },
  closed,
);

const BoardSchema = Type.Object(
  {
    banks: Type.Array(Type.Object({ id: Type.String(), outputs: Type.Array(SettingIdSchema, { minItems: 1 }) }, closed)),
    sensors: Type.Array(Type.String()),
    /** The name under which firmware is made for the board, by which dialects know it. Parts of an older workshop do not say it. */
    target: Type.Optional(TargetSchema),
    /** How the board lies: the axes of its IMU in its own frame, and whether it may lie on its face. */
    mounting: Type.Optional(Type.Object({ imuFrame: Type.String({ maxLength: 80 }), upsideDown: Type.Boolean() }, closed)),
  },
  closed,
);

export const TURNS = ['clockwise', 'counter-clockwise'] as const;
const TurnSchema = oneOf(TURNS);
/** Which way a motor turns, or a propeller is to turn, seen from in front of the propeller: from above where it lifts. */
export type Turn = Shape<typeof TurnSchema>;
const TurnsSchema = Type.Union([
  Type.Object({ is: Type.Literal('always'), turn: TurnSchema }, closed),
  /** A setting whose values are the two ways; unknown as long as nobody has said. */
  Type.Object({ is: Type.Literal('by-setting'), setting: SettingIdSchema }, closed),
]);
export type Turns = Shape<typeof TurnsSchema>;

const positive = Type.Number({ exclusiveMinimum: 0, maximum: 100_000 });
const text = Type.String({ minLength: 1, maxLength: LIMITS.noteChars });

const ProgramSchema = Type.Object(
  {
    /** Of its endpoint among those of the part, a `network`. */
    id: SettingIdSchema,
    title: Type.String({ minLength: 1, maxLength: 40 }),
    /** The ids by which it is known to a vehicle, as delivered. */
    system: Type.Integer({ minimum: 1, maximum: 255 }),
    component: Type.Integer({ minimum: 1, maximum: 255 }),
    /** As delivered: that it sends commands and does not only listen, and that it asks the vehicle for streams. */
    commands: Type.Boolean(),
    asksForStreams: Type.Boolean(),
  },
  closed,
);
export type Program = Shape<typeof ProgramSchema>;

function partSchema<N extends TSchema, P extends TSchema>(number: N, pin: P) {
  return Type.Object(
    {
      id: PartIdSchema,
      kind: oneOf(partKinds),
      name: Type.String({ minLength: 1, maxLength: LIMITS.nameChars }),
      summary: Type.String({ maxLength: LIMITS.noteChars }),
      massG: Type.Number({ exclusiveMinimum: 0, maximum: 50_000 }),
      sizeMm: Type.Tuple([
        Type.Number({ exclusiveMinimum: 0 }),
        Type.Number({ exclusiveMinimum: 0 }),
        Type.Number({ exclusiveMinimum: 0 }),
      ]),
      /** Where it is when it is not in the aircraft: on the ground, or on the bench. */
      usually: Type.Optional(Type.Union([Type.Literal('ground'), Type.Literal('bench')])),
      source: Type.Union([Type.Literal('sample'), Type.Literal('workshop'), Type.Literal('import')]),
      settings: Type.Array(SettingSpecSchema),
      ports: Type.Array(portSchema(pin), { minItems: 1, maxItems: LIMITS.partPorts }),
      circuit: Type.Array(circuitElementSchema(number)),
      endpoints: Type.Array(endpointSchema(number)),
      routes: Type.Array(SignalRouteSchema),
      board: Type.Optional(BoardSchema),
      /** What a servo gives, at a voltage. */
      servo: Type.Optional(
        Type.Object({ atV: positive, torqueNcm: positive, secondsPer60Deg: positive, widthUs: Type.Tuple([positive, positive]) }, closed),
      ),
      /** Which way a motor turns. */
      spin: Type.Optional(TurnsSchema),
      /** The propeller on it: its size in inches, and the way it has to turn to push the air behind it. */
      propeller: Type.Optional(Type.Object({ diameterIn: positive, pitchIn: positive, turns: TurnsSchema }, closed)),
      /** Its magnets as one dipole, in ampere square metres: the rotor of a motor, a servo, steel-cased cells, the magnets of a hatch. */
      magnetAm2: Type.Optional(positive),
      /** Its radios, with an antenna each. */
      radios: Type.Optional(Type.Array(RadioTraitsSchema, { minItems: 1, maxItems: 6 })),
      /** Programs that run on it and speak MAVLink with a vehicle: a ground program, a program of a companion. */
      programs: Type.Optional(Type.Array(ProgramSchema, { minItems: 1, maxItems: 6 })),
      /** A compass in it: what it measures at most along each axis, in microtesla. */
      compass: Type.Optional(Type.Object({ rangeUt: positive }, closed)),
      /** What it radiates by itself into the band of satellite receivers, in dBm. */
      noiseDbm: Type.Optional(Type.Number({ minimum: -150, maximum: 0 })),
      /** The most that an airspeed sensor measures, and the least step that it tells from noise, in pascal. */
      airspeed: Type.Optional(Type.Object({ fullScalePa: positive, stepPa: positive }, closed)),
      /** Of what measures a pack: the pack's voltage, and its current, that a volt at its outputs, or inside it, stands for. */
      monitor: Type.Optional(Type.Object({ voltsPerV: Type.Optional(positive), ampsPerV: Type.Optional(positive) }, closed)),
      /** How the settings that its endpoints bring are set on the part itself. */
      how: Type.Optional(Type.Array(Type.Object({ settings: Type.Array(SettingIdSchema, { minItems: 1 }), how: HowSchema }, closed))),
      /** What its lights and sounds mean. */
      indications: Type.Optional(Type.Array(Type.Object({ shows: text, means: text }, closed))),
      /** What is done once with this part: binding, range calibration, first power-up. */
      steps: Type.Optional(Type.Array(Type.Object({ title: text, text, caution: Type.Optional(Type.String()) }, closed))),
      /** Cautions that stand beside the part wherever it is handled. */
      cautions: Type.Optional(Type.Array(Type.String())),
    },
    closed,
  );
}

/** A part as it is written in the catalogue: parameters may depend on settings. */
export const PartSchema = partSchema(NumberParameter, PinSchema);
export type Part = Shape<typeof PartSchema>;

/** A part with its settings applied: plain numbers, only what is enabled. Made by `resolvePart` alone. */
export const ResolvedPartSchema = partSchema(Type.Number(), ResolvedPinSchema);
export type ResolvedPart = Shape<typeof ResolvedPartSchema>;

export type Port = ResolvedPart['ports'][number];
export type Pin = Port['pins'][number];
export type CircuitElement = ResolvedPart['circuit'][number];
export type Endpoint = ResolvedPart['endpoints'][number];
export type UartEndpoint = Extract<Endpoint, { is: 'uart' }>;
export type ProtocolOffer = UartEndpoint['speaks'][number];
export type PartPort = Part['ports'][number];
