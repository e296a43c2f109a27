import { Type } from '@sinclair/typebox';
import { digestOf } from './contentHash.ts';
import { ItemIdSchema, recordOf, type ItemId } from './ids.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import type { Shape } from './shape.ts';
import { TargetSchema } from './target.ts';

const closed = { additionalProperties: false } as const;

/** A version as people write it: `4`, `3.2`, `2026-05b`. */
export const VersionSchema = keyText('[A-Za-z0-9][A-Za-z0-9._+-]{0,19}');

/** Of the line of a configuration: 16 hex digits of the hash of controller and name. */
export const KeptKeySchema = keyText('[0-9a-f]{16}');
const lineText = Type.String({ maxLength: LIMITS.keptLineChars });

export const KeptLineSchema = Type.Object(
  {
    item: ItemIdSchema,
    /** The section of the dialect that it is in; empty before the first. */
    section: Type.String({ maxLength: LIMITS.labelChars }),
    /** What the line is known by, without its values. */
    line: lineText,
    /** The whole line; empty where the aircraft does without it. */
    text: lineText,
  },
  closed,
);
/** A line that is loaded as the aircraft has it, whatever follows from the rest of the document. */
export type KeptLine = Shape<typeof KeptLineSchema>;

/** The key under which a line of a controller is kept as the aircraft has it. */
export function keptKey({ item, section, line }: Pick<KeptLine, 'item' | 'section' | 'line'>): string {
  return digestOf([item, section, line]);
}

export const LEVEL_PITCH_DEG = { least: -30, most: 30 } as const;
/** Where the level is set: at true level with a trim for cruise, or at the attitude in which it flies. */
export const LEVEL_SCHOOLS = {
  'at-level': { title: 'at true level, with a pitch trim for cruise' },
  'as-it-flies': { title: 'at the attitude in which it flies level' },
} as const;
export type LevelSchool = keyof typeof LEVEL_SCHOOLS;

export const FirmwareFactsSchema = Type.Object(
  {
    /** The target to load, where it is not the one that the board names. */
    target: Type.Optional(TargetSchema),
    version: Type.Optional(VersionSchema),
    /** Nose up in level flight, in degrees. */
    levelPitchDeg: Type.Optional(Type.Number({ minimum: LEVEL_PITCH_DEG.least, maximum: LEVEL_PITCH_DEG.most })),
    levelSet: Type.Optional(Type.Union([Type.Literal('at-level'), Type.Literal('as-it-flies')])),
  },
  closed,
);
/** What a person says about the firmware beside what follows from the aircraft. */
export type FirmwareFacts = Shape<typeof FirmwareFactsSchema>;

const atTime = Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$' });
const count = Type.Integer({ minimum: 0, maximum: 1_000_000 });

export const ReadBackSchema = Type.Object(
  {
    at: atTime,
    /** As the dump says. */
    target: Type.Optional(Type.String({ minLength: 1, maxLength: LIMITS.labelChars })),
    version: Type.Optional(Type.String({ minLength: 1, maxLength: LIMITS.labelChars })),
    /** Calibration lines in it, and those of them at their delivered value. */
    calibrations: count,
    uncalibrated: Type.Array(lineText, { maxItems: 60 }),
    /** The aircraft whose dump has the same calibration. */
    copiedFrom: Type.Optional(Type.Object({ aircraft: Type.String({ minLength: 1, maxLength: LIMITS.nameChars }), lines: count }, closed)),
  },
  closed,
);
/** What was found when the configuration of a controller was last read. */
export type ReadBack = Shape<typeof ReadBackSchema>;

export const FirmwarePlanSchema = Type.Object(
  {
    facts: FirmwareFactsSchema,
    kept: recordOf(KeptKeySchema, KeptLineSchema, LIMITS.keptLines),
    /** By the controller. */
    read: recordOf(ItemIdSchema, ReadBackSchema, 20),
  },
  closed,
);
/** What the document holds about firmware. */
export type FirmwarePlan = Shape<typeof FirmwarePlanSchema>;

/** Nothing said yet. */
export const EMPTY_FIRMWARE: FirmwarePlan = { facts: {}, kept: {}, read: {} };

/** The plan without a controller that is gone. */
export function firmwareWithout(plan: FirmwarePlan, item: ItemId): FirmwarePlan {
  const isMentioned = Object.hasOwn(plan.read, item) || Object.values(plan.kept).some((line) => line.item === item);
  if (!isMentioned) return plan;
  const { [item]: _gone, ...read } = plan.read;
  return { ...plan, read, kept: Object.fromEntries(Object.entries(plan.kept).filter(([, line]) => line.item !== item)) };
}
