import { Type } from '@sinclair/typebox';
import { ItemIdSchema, recordOf, type ItemId } from './ids.ts';
import { keyText } from './keys.ts';
import { oneOf } from './oneOf.ts';
import { outputFunctions } from './outputFunctions.ts';
import { stated } from '../text/numbers.ts';
import { UsSchema } from './rcPlan.ts';
import { SettingIdSchema } from './setting.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

/** The key of an output or a bank: the item, and its own id there. */
export const OutputKeySchema = keyText('[A-Za-z0-9][A-Za-z0-9-]{0,39}\\.[A-Za-z0-9][A-Za-z0-9-]{0,23}');

const travel = {
  minUs: Type.Optional(UsSchema),
  trimUs: Type.Optional(UsSchema),
  maxUs: Type.Optional(UsSchema),
  reversed: Type.Optional(Type.Literal(true)),
};

/** How far the pulses of an output go, where a person says so. */
export const OutputTravelSchema = Type.Object(travel, closed);
export type OutputTravel = Shape<typeof OutputTravelSchema>;

export const OutputUseSchema = Type.Object(
  {
    item: ItemIdSchema,
    output: SettingIdSchema,
    function: oneOf(outputFunctions),
    /** That a person wants the function on this output, whatever a plan would do. */
    held: Type.Optional(Type.Literal(true)),
    ...travel,
  },
  closed,
);
/** What one output of a controller is for, and how far its pulses go. */
export type OutputUse = Shape<typeof OutputUseSchema>;

/** The key of an output in `outputs`: the item and its endpoint. */
export function outputKey(item: ItemId, output: string): string {
  return `${item}.${output}`;
}

/** What people say of an output's travel, without the rest of its entry. */
export function travelOf({ minUs, trimUs, maxUs, reversed }: OutputTravel): OutputTravel {
  return {
    ...(minUs === undefined ? {} : { minUs }),
    ...(trimUs === undefined ? {} : { trimUs }),
    ...(maxUs === undefined ? {} : { maxUs }),
    ...(reversed === undefined ? {} : { reversed }),
  };
}

/** The pulses that an output gives where nobody says otherwise. */
export const USUAL_TRAVEL = { minUs: 1000, trimUs: 1500, maxUs: 2000 } as const;

/** What outputs can make. `hasRate`: so many of them a second, which those who listen have to bear. */
export const PULSE_KINDS = {
  pwm: { title: 'PWM', hasRate: true },
  dshot: { title: 'DShot', hasRate: false },
  led: { title: 'LED data', hasRate: false },
  switch: { title: 'on/off', hasRate: false },
} as const;
export type PulseKind = keyof typeof PULSE_KINDS;

export function isPulseKind(text: string): text is PulseKind {
  return Object.hasOwn(PULSE_KINDS, text);
}

export const pulseKinds: readonly PulseKind[] = Object.keys(PULSE_KINDS).filter(isPulseKind);

export const RATE_HZ = { least: 25, most: 1000 } as const;

export const BankUseSchema = Type.Object(
  {
    item: ItemIdSchema,
    bank: SettingIdSchema,
    kind: oneOf(pulseKinds),
    /** Pulses a second, of kinds that have a rate. */
    rateHz: Type.Optional(Type.Number({ minimum: RATE_HZ.least, maximum: RATE_HZ.most })),
  },
  closed,
);
/** What the outputs of one bank make. */
export type BankUse = Shape<typeof BankUseSchema>;

/** The pulses of a bank in words. */
export function pulseWords({ kind, rateHz }: Pick<BankUse, 'kind' | 'rateHz'>): string {
  return rateHz === undefined ? PULSE_KINDS[kind].title : `${PULSE_KINDS[kind].title} at ${stated(rateHz, 'Hz')}`;
}

/** How much of a command goes to a surface that does two things; how unlike two surfaces of a pair move. All as shares of the whole. */
export const MIX_FIGURES = {
  roll: { title: 'roll on elevons and flaperons', usual: 0.6, least: 0, most: 1 },
  pitch: { title: 'pitch on elevons and tail halves', usual: 0.6, least: 0, most: 1 },
  yaw: { title: 'yaw on tail halves', usual: 0.6, least: 0, most: 1 },
  flap: { title: 'flaps on flaperons', usual: 0.4, least: 0, most: 1 },
  differential: { title: 'less aileron down than up', usual: 0, least: 0, most: 0.9 },
  thrustYaw: { title: 'yaw on two throttles', usual: 0.2, least: 0, most: 0.5 },
} as const;
export type MixFigure = keyof typeof MIX_FIGURES;

export function isMixFigure(text: string): text is MixFigure {
  return Object.hasOwn(MIX_FIGURES, text);
}

export const mixFigures: readonly MixFigure[] = Object.keys(MIX_FIGURES).filter(isMixFigure);

export const MixingSchema = Type.Unsafe<Partial<Record<MixFigure, number>>>(recordOf(keyText(mixFigures.join('|')), Type.Number()));
export type Mixing = Shape<typeof MixingSchema>;
