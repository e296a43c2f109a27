import { Type } from '@sinclair/typebox';
import { airframeKinds } from './airframes.ts';
import { DialectTextSchema } from './dialectText.ts';
import { MOTOR_PLACES } from './airframes/rotor.ts';
import { flightModes } from './flightModes.ts';
import { DialectIdSchema, recordOf } from './ids.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import { BACK_BY, lossActions } from './lossActions.ts';
import { mountings } from './mounting.ts';
import { oneOf } from './oneOf.ts';
import { outputFunctions } from './outputFunctions.ts';
import { PROTOCOL_IDS } from './protocolIds.ts';
import { SettingIdSchema } from './setting.ts';
import { TargetSchema } from './target.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;
const name = Type.String({ minLength: 1, maxLength: LIMITS.nameChars });
const sentence = Type.String({ minLength: 1, maxLength: LIMITS.reasonChars });

/** A number or a word as the firmware writes it. */
const CodeSchema = Type.String({ pattern: '^[^\\s\\x00-\\x1f]{1,24}$' });
const NamedCodeSchema = Type.Object({ code: CodeSchema, name: Type.Optional(name) }, closed);
/** What the firmware writes for something, and what it calls it where that is another word. */
export type NamedCode = Shape<typeof NamedCodeSchema>;

const endpoints = Type.Array(SettingIdSchema, { minItems: 1, maxItems: 60, uniqueItems: true });

/** A record that has some of the keys of a fixed list. */
function some<K extends string, V extends Parameters<typeof recordOf>[1]>(keys: readonly K[], value: V) {
  return Type.Unsafe<Partial<Record<K, Shape<V>>>>(recordOf(keyText(keys.join('|')), value, keys.length));
}

const BoardEntrySchema = Type.Object(
  {
    title: name,
    /** A board of the same dialect whose numbers are this one's too, but for what is said here. */
    like: Type.Optional(TargetSchema),
    /** The firmware's own index of each serial endpoint. */
    serial: Type.Optional(recordOf(SettingIdSchema, CodeSchema, 60)),
    /** The firmware's own index of each pulse output. */
    outputs: Type.Optional(recordOf(SettingIdSchema, CodeSchema, 60)),
    /** The firmware's own index of each bank of outputs. */
    banks: Type.Optional(recordOf(SettingIdSchema, CodeSchema, 60)),
    /** Outputs that the firmware keeps for motors on an airframe, whether motors use them or not. */
    reserved: Type.Optional(some(airframeKinds, endpoints)),
  },
  closed,
);
export type BoardEntry = Shape<typeof BoardEntrySchema>;

const ProtocolSchema = oneOf(PROTOCOL_IDS);
const RoleSchema = Type.Object(
  {
    ...NamedCodeSchema.properties,
    /** The baud that the protocol fixes: the port's own figure is not read. */
    fixedBaud: Type.Optional(Type.Integer({ minimum: 300, maximum: 10_000_000 })),
  },
  closed,
);

const MotorSchema = Type.Object(
  { place: oneOf(MOTOR_PLACES), /** Seen from above. */ turns: Type.Union([Type.Literal('clockwise'), Type.Literal('counter-clockwise')]) },
  closed,
);

/** What a firmware has only so many of. */
export const LIMITED = {
  'software-ports': { title: 'software serial ports' },
  'ground-links': { title: 'ports that carry MAVLink' },
  servos: { title: 'servo outputs' },
  motors: { title: 'motor outputs' },
  'rc-channels': { title: 'RC channels' },
  'mode-slots': { title: 'mode slots' },
} as const;
export type Limited = keyof typeof LIMITED;

export function isLimited(text: string): text is Limited {
  return Object.hasOwn(LIMITED, text);
}

const limited: readonly Limited[] = Object.keys(LIMITED).filter(isLimited);
const LimitSchema = Type.Object({ of: oneOf(limited), most: Type.Integer({ minimum: 0, maximum: 100 }), sentence }, closed);

const RefusalSchema = Type.Union([
  /** A role that a port made by software cannot have. */
  Type.Object({ is: Type.Literal('not-by-software'), role: ProtocolSchema, sentence }, closed),
  /** A role that one port of the board has at most. */
  Type.Object({ is: Type.Literal('once'), role: ProtocolSchema, sentence }, closed),
  /** Two roles that the firmware does not have at the same time. */
  Type.Object({ is: Type.Literal('not-together'), role: ProtocolSchema, with: ProtocolSchema, sentence }, closed),
  /** A function that only these outputs, by the firmware's index, can have. */
  Type.Object(
    {
      is: Type.Literal('only-on'),
      function: oneOf(outputFunctions),
      outputs: Type.Array(CodeSchema, { minItems: 1, maxItems: 60 }),
      sentence,
    },
    closed,
  ),
]);
/** Something that the firmware does not take, with the sentence that a person reads. */
export type DialectRefusal = Shape<typeof RefusalSchema>;

const microseconds = Type.Integer({ minimum: 500, maximum: 2500 });

const onScale = Type.Object(
  { value: Type.Integer({ minimum: 0, maximum: 2047 }), us: Type.Number({ minimum: 500, maximum: 2500 }) },
  closed,
);

const FailsafeSchema = Type.Object(
  {
    /** From the loss to the first action, where nobody sets it, in seconds. */
    delayS: Type.Number({ minimum: 0, maximum: 60 }),
    /** What it can do, and how it calls and codes that. */
    actions: some(lossActions, NamedCodeSchema),
    /** What gives control back. */
    backBy: oneOf(BACK_BY),
    /** A throttle below this is taken for a lost link, where nobody sets it; absent where it does not look at that. */
    throttleUs: Type.Optional(microseconds),
  },
  closed,
);

export const DialectSchema = Type.Object(
  {
    id: DialectIdSchema,
    name,
    summary: Type.String({ maxLength: LIMITS.noteChars }),
    /** The versions of the firmware that it was read from. */
    versions: Type.Optional(Type.String({ minLength: 1, maxLength: LIMITS.labelChars })),
    source: Type.Union([Type.Literal('sample'), Type.Literal('workshop'), Type.Literal('import')]),
    /** By the target that a board names. */
    boards: recordOf(TargetSchema, BoardEntrySchema, LIMITS.boardsPerDialect),
    /** What a serial port is for, by protocol. */
    roles: some(PROTOCOL_IDS, RoleSchema),
    /** By the baud in digits. */
    bauds: recordOf(keyText('[1-9][0-9]{2,7}'), CodeSchema, 60),
    functions: some(outputFunctions, NamedCodeSchema),
    /** The lift motors of an airframe in the firmware's order: the first one is its motor 1. */
    motors: some(airframeKinds, Type.Array(MotorSchema, { minItems: 1, maxItems: 12 })),
    orientations: some(mountings, NamedCodeSchema),
    modes: some(flightModes, NamedCodeSchema),
    /** Which way of the stick the pitch channel rises with. */
    pitchRisesOn: Type.Union([Type.Literal('pull'), Type.Literal('push')]),
    /** The pulse widths that a channel is read as: full one way, the middle, full the other way, in microseconds. */
    rcScaleUs: Type.Object({ least: microseconds, middle: microseconds, most: microseconds }, closed),
    /** Two values of SBUS and CRSF with the pulse widths that the firmware makes of them; where absent, as radios have it. */
    frameScale: Type.Optional(Type.Object({ low: onScale, high: onScale }, closed)),
    /** Where modes have slots on one channel: the pulse widths between them, rising. Absent: ranges of any channels. */
    modeSlotsUs: Type.Optional(Type.Array(microseconds, { minItems: 1, maxItems: 15 })),
    /** What it does when the signal is lost. */
    failsafe: Type.Optional(FailsafeSchema),
    limits: Type.Array(LimitSchema, { maxItems: 60 }),
    refusals: Type.Array(RefusalSchema, { maxItems: 200 }),
    /** How a configuration is written and read; absent where nobody has said, as in dialects of before. */
    text: Type.Optional(DialectTextSchema),
  },
  closed,
);

/** How one family of firmware writes the facts of an aircraft: its numbers, words and rules, as data. What a table lacks is not known. */
export type Dialect = Shape<typeof DialectSchema>;
