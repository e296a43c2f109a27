import { Type } from '@sinclair/typebox';
import { LOSS_SIGNALS } from './endpoint.ts';
import { FLIGHT_MODES, flightModes } from './flightModes.ts';
import { ItemIdSchema, recordOf, type ItemId } from './ids.ts';
import { keyText } from './keys.ts';
import { LIMITS } from './limits.ts';
import { oneOf } from './oneOf.ts';
import { osdFields, type OsdField } from './osdFields.ts';
import { rcChoices, rcFigures, type RcChoice, type RcFigure } from './rcWords.ts';
import { channelUses } from './rcUses.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

/** The number of a channel as the controller counts, `1` to `32`. */
export const ChannelNoSchema = keyText('[1-9]|[12][0-9]|3[0-2]');
export const MOST_CHANNELS = 32;
/** A switch of the radio. */
export const SwitchIdSchema = keyText('[a-z0-9][a-z0-9-]{0,19}');
export const RangeIdSchema = keyText('[A-Za-z0-9][A-Za-z0-9-]{0,39}');

/** Pulse widths that exist in the world, in microseconds. */
export const US_LEAST = 500;
export const US_MOST = 2500;
export const UsSchema = Type.Number({ minimum: US_LEAST, maximum: US_MOST });

export const ChannelSourceSchema = Type.Union([
  /** A switch, or two whose positions the radio mixes to one channel: the steps of the second between those of the first. */
  Type.Object({ is: Type.Literal('switches'), switches: Type.Array(SwitchIdSchema, { minItems: 1, maxItems: 2 }) }, closed),
  /** A knob or a slider of the radio. */
  Type.Object({ is: Type.Literal('knob') }, closed),
  /** A head tracker that the radio passes on. */
  Type.Object({ is: Type.Literal('tracker'), item: ItemIdSchema }, closed),
]);
/** Where a channel that is no stick comes from. */
export type ChannelSource = Shape<typeof ChannelSourceSchema>;

export const MeasuredChannelSchema = Type.Object(
  {
    /** With the stick left or back, or the switch in its first position. */
    firstUs: UsSchema,
    /** With the stick let go; absent for what has no middle. */
    centreUs: Type.Optional(UsSchema),
    /** With the stick right or forward, or the switch in its last position. */
    lastUs: UsSchema,
  },
  closed,
);
/** What the controller showed of a channel, in microseconds. */
export type MeasuredChannel = Shape<typeof MeasuredChannelSchema>;

export const RcChannelSchema = Type.Object(
  {
    use: oneOf(channelUses),
    /** Absent for sticks, for what the receiver tells, and as long as nobody has said. */
    from: Type.Optional(ChannelSourceSchema),
    /** True where the radio turns the channel round. */
    reversed: Type.Optional(Type.Literal(true)),
    /** The ends that the radio gives it, where they are not the usual ones. */
    ends: Type.Optional(Type.Object({ leastUs: UsSchema, mostUs: UsSchema }, closed)),
    measured: Type.Optional(MeasuredChannelSchema),
  },
  closed,
);
/** One RC channel. */
export type RcChannel = Shape<typeof RcChannelSchema>;

export const RcSwitchSchema = Type.Object(
  {
    title: Type.String({ minLength: 1, maxLength: 24 }),
    positions: Type.Union([Type.Literal(2), Type.Literal(3), Type.Literal(6)]),
  },
  closed,
);
/** A switch of the radio with its positions. */
export type RcSwitch = Shape<typeof RcSwitchSchema>;

/** Values of a channel: `fromUs` counts, `toUs` does not. */
const span = { channel: ChannelNoSchema, fromUs: UsSchema, toUs: UsSchema };
export const RANGE_GIVES = ['armed', ...flightModes] as const;
export const ModeRangeSchema = Type.Object(
  {
    ...span,
    /** A flight mode, or that the motors may run. */
    gives: oneOf(RANGE_GIVES),
    /** Only together with values of another channel. Where such a range holds, those without do not count. */
    with: Type.Optional(Type.Object(span, closed)),
  },
  closed,
);
/** Values of a channel that put the aircraft into a mode, or arm it. */
export type ModeRange = Shape<typeof ModeRangeSchema>;
export type RangeGives = ModeRange['gives'];

/** What a range gives in a word or two: the title of its mode without what it does. */
export function givesName(gives: RangeGives): string {
  return gives === 'armed' ? 'armed' : FLIGHT_MODES[gives].title.replace(/:.*/, '');
}

export const TakeOverSchema = Type.Object(
  { channels: Type.Array(ChannelNoSchema, { minItems: 1, maxItems: MOST_CHANNELS, uniqueItems: true }) },
  closed,
);
/** Channels that a companion sends in place of the radio. */
export type TakeOver = Shape<typeof TakeOverSchema>;

export const OsdSpotSchema = Type.Object(
  { col: Type.Integer({ minimum: 0, maximum: 63 }), row: Type.Integer({ minimum: 0, maximum: 31 }) },
  closed,
);
/** Where a field begins on the character grid of the picture, counted from the upper left corner. */
export type OsdSpot = Shape<typeof OsdSpotSchema>;

export const SeenLossSchema = Type.Object(
  {
    /** How it told of the lost link, or that it did not. */
    signal: oneOf(LOSS_SIGNALS),
    /** How the receiver was set then: what was seen lapses with it. */
    basis: Type.String({ pattern: '^[0-9a-f]{16}$' }),
  },
  closed,
);
/** What somebody saw a receiver do when the link was lost. */
export type SeenLoss = Shape<typeof SeenLossSchema>;

const ofField = keyText(osdFields.join('|'));
export const ChoiceValueSchema = keyText('[a-z0-9][a-z0-9-]{0,19}');

export const RcPlanSchema = Type.Object(
  {
    channels: recordOf(ChannelNoSchema, RcChannelSchema, MOST_CHANNELS),
    switches: recordOf(SwitchIdSchema, RcSwitchSchema, LIMITS.rcSwitches),
    ranges: recordOf(RangeIdSchema, ModeRangeSchema, LIMITS.modeRanges),
    /** By the companion. */
    takeOvers: recordOf(ItemIdSchema, TakeOverSchema, 8),
    /** Fields over the picture. */
    osd: Type.Unsafe<Partial<Record<OsdField, OsdSpot>>>(recordOf(ofField, OsdSpotSchema)),
    /** Fields on the screen of the radio. */
    radioFields: Type.Unsafe<Partial<Record<OsdField, true>>>(recordOf(ofField, Type.Literal(true))),
    /** What was seen of receivers when the link was lost. */
    seen: recordOf(ItemIdSchema, SeenLossSchema, 50),
    figures: Type.Unsafe<Partial<Record<RcFigure, number>>>(recordOf(keyText(rcFigures.join('|')), Type.Number())),
    choices: Type.Unsafe<Partial<Record<RcChoice, string>>>(recordOf(keyText(rcChoices.join('|')), ChoiceValueSchema)),
  },
  closed,
);
/** What a person says about RC: channels, switches, modes, what happens on loss, what the pilot sees. */
export type RcPlan = Shape<typeof RcPlanSchema>;

/** Nothing said yet. */
export const EMPTY_RC: RcPlan = {
  channels: {},
  switches: {},
  ranges: {},
  takeOvers: {},
  osd: {},
  radioFields: {},
  seen: {},
  figures: {},
  choices: {},
};

/** True as soon as somebody has said what a channel is for. */
export function isRcBegun({ channels }: RcPlan): boolean {
  return Object.keys(channels).length > 0;
}

/** The plan without an item that is gone: trackers, companions, what was seen of it. */
export function rcWithout(rc: RcPlan, item: ItemId): RcPlan {
  const isMentioned =
    Object.hasOwn(rc.takeOvers, item) ||
    Object.hasOwn(rc.seen, item) ||
    Object.values(rc.channels).some(({ from }) => from?.is === 'tracker' && from.item === item);
  if (!isMentioned) return rc;
  const { [item]: _companion, ...takeOvers } = rc.takeOvers;
  const { [item]: _seen, ...seen } = rc.seen;
  const channels = Object.fromEntries(
    Object.entries(rc.channels).map(([no, channel]) => {
      if (channel.from?.is !== 'tracker' || channel.from.item !== item) return [no, channel] as const;
      const { from: _gone, ...rest } = channel;
      return [no, rest] as const;
    }),
  );
  return { ...rc, channels, takeOvers, seen };
}
