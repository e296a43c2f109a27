import { Type } from '@sinclair/typebox';
import { HowSchema } from './how.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

/** Names of settings and endpoints inside one part. A dot joins an endpoint and its setting: `S4.baud`. */
export const SettingIdSchema = keyText('[A-Za-z0-9][A-Za-z0-9-]{0,23}(\\.[a-z][A-Za-z]{0,15})?');

export const SettingValueSchema = Type.Union([Type.String({ maxLength: LIMITS.labelChars }), Type.Number(), Type.Boolean()]);
export type SettingValue = Shape<typeof SettingValueSchema>;

/** How it is set; unknown where nothing is said. */
const how = Type.Optional(HowSchema);

export const SettingSpecSchema = Type.Union([
  Type.Object(
    {
      is: Type.Literal('choice'),
      id: SettingIdSchema,
      label: Type.String(),
      unit: Type.Optional(Type.String()),
      choices: Type.Array(Type.Object({ value: SettingValueSchema, label: Type.String() }, closed), { minItems: 1 }),
      /** Absent: nothing is chosen until a person chooses. */
      default: Type.Optional(SettingValueSchema),
      how,
    },
    closed,
  ),
  Type.Object(
    {
      is: Type.Literal('number'),
      id: SettingIdSchema,
      label: Type.String(),
      unit: Type.Optional(Type.String()),
      min: Type.Number(),
      max: Type.Number(),
      default: Type.Optional(Type.Number()),
      how,
    },
    closed,
  ),
  Type.Object(
    {
      is: Type.Literal('text'),
      id: SettingIdSchema,
      label: Type.String(),
      /** What is written: an IPv4 address, or a phrase that two ends share. */
      form: Type.Union([Type.Literal('ipv4'), Type.Literal('phrase')]),
      default: Type.Optional(Type.String()),
      how,
    },
    closed,
  ),
]);
/** What a person can set on an item of a part. */
export type SettingSpec = Shape<typeof SettingSpecSchema>;

/** Something is there only while a setting has one of these values. */
export const WhenSchema = Type.Object({ setting: SettingIdSchema, in: Type.Array(SettingValueSchema, { minItems: 1 }) }, closed);
export type When = Shape<typeof WhenSchema>;

/** A number, or a number that a setting chooses. Without `values` the setting's own value is the number. */
export const NumberParameter = Type.Union([
  Type.Number(),
  Type.Object(
    {
      fromSetting: SettingIdSchema,
      values: Type.Optional(Type.Array(Type.Object({ is: SettingValueSchema, gives: Type.Number() }, closed), { minItems: 1 })),
    },
    closed,
  ),
]);
export type NumberParameter = Shape<typeof NumberParameter>;

/** Data bits, parity and stop bits of a serial end. */
export const FRAMES = ['8N1', '8E1', '8E2', '8N2'] as const;
export type Frame = (typeof FRAMES)[number];

/** What a serial port does with CTS and RTS. */
export const FLOW_CONTROLS = ['off', 'automatic', 'required'] as const;
export type FlowControl = (typeof FLOW_CONTROLS)[number];
