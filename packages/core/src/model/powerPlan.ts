import { Type } from '@sinclair/typebox';
import { recordOf } from './ids.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import { oneOf } from './oneOf.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;
const share = Type.Number({ minimum: 0, maximum: 1 });

/** What a kind of load does in a situation. */
export const LOAD_STATES = ['off', 'idle', 'typical', 'peak'] as const;

/** The id of a situation: one of the product's own, or `own-...` of a person's. */
export const SituationIdSchema = keyText('[a-z][a-z0-9-]{0,29}');
export const OwnSituationIdSchema = keyText('own-[a-z0-9]{1,20}');

/** A situation that a person has added. */
export const OwnSituationSchema = Type.Object(
  {
    title: Type.String({ minLength: 1, maxLength: 40 }),
    /** Charge of the packs. */
    charge: share,
    /** Null for one that lasts. */
    durationS: Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 86_400 }), Type.Null()]),
    cruiseThrottle: Type.Union([share, Type.Literal('cruise')]),
    liftThrottle: share,
    /** From 0, holding still, to 1, moving all the time. */
    servos: share,
    transmitters: oneOf(LOAD_STATES),
    others: oneOf(LOAD_STATES),
    /** Cold packs have more internal resistance. */
    internalFactor: Type.Number({ minimum: 0.5, maximum: 5 }),
  },
  closed,
);
export type OwnSituation = Shape<typeof OwnSituationSchema>;

export const MissionLegSchema = Type.Object(
  { situation: SituationIdSchema, minutes: Type.Number({ exclusiveMinimum: 0, maximum: 1440 }) },
  closed,
);
/** A stretch of the mission. */
export type MissionLeg = Shape<typeof MissionLegSchema>;
export const MissionSchema = Type.Array(MissionLegSchema, { maxItems: 30 });

/** Figures of the power stage, with their limits and what holds where none is given. */
export const POWER_FIGURES = {
  usbA: { title: 'USB port current', unit: 'A', least: 0.1, most: 5, usual: 0.5 },
  usableShare: { title: 'Usable share of pack capacity', unit: undefined, least: 0.1, most: 1, usual: 0.8 },
  cruiseA: { title: 'Motor current in cruise, measured', unit: 'A', least: 0.01, most: 1000, usual: undefined },
} as const;
export type PowerFigure = keyof typeof POWER_FIGURES;

function isPowerFigure(text: string): text is PowerFigure {
  return Object.hasOwn(POWER_FIGURES, text);
}
export const powerFigures: readonly PowerFigure[] = Object.keys(POWER_FIGURES).filter(isPowerFigure);

const figure = (name: PowerFigure) => Type.Optional(Type.Number({ minimum: POWER_FIGURES[name].least, maximum: POWER_FIGURES[name].most }));

/** What a person says about power: figures, situations of their own, and the mission. */
export const PowerPlanSchema = Type.Object(
  {
    usbA: figure('usbA'),
    usableShare: figure('usableShare'),
    cruiseA: figure('cruiseA'),
    situations: Type.Optional(recordOf(OwnSituationIdSchema, OwnSituationSchema, LIMITS.ownSituations)),
    mission: Type.Optional(MissionSchema),
    /** What the brief asks: no single electrical fault may cost control. Not asked for where it is left out. */
    survivesFaults: Type.Optional(Type.Literal(true)),
  },
  closed,
);
export type PowerPlan = Shape<typeof PowerPlanSchema>;
