import { type TSchema, Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import type { Design } from '../model/design.ts';
import { ItemIdSchema } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { oneOf } from '../model/oneOf.ts';
import { OSD_FIELDS, osdFields } from '../model/osdFields.ts';
import {
  ChannelNoSchema,
  ChoiceValueSchema,
  givesName,
  ModeRangeSchema,
  OsdSpotSchema,
  RangeIdSchema,
  RcChannelSchema,
  RcSwitchSchema,
  SeenLossSchema,
  SwitchIdSchema,
  TakeOverSchema,
  type RcPlan,
} from '../model/rcPlan.ts';
import { CHANNEL_USES } from '../model/rcUses.ts';
import { isValueOf, RC_CHOICES, RC_FIGURES, rcChoices, rcFigures } from '../model/rcWords.ts';
import { editKind, refuse, type Outcome, type Refused } from './family.ts';
import { refOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;
const orNone = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);

const channelOrNone = orNone(RcChannelSchema);
const setChannel = editKind({
  kind: 'set-rc-channel',
  schema: Type.Object({ kind: Type.Literal('set-rc-channel'), channel: ChannelNoSchema, value: channelOrNone, was: channelOrNone }, closed),
  title: ({ channel, value }) =>
    value === null ? `Leave channel ${channel} free` : `Channel ${channel}: ${CHANNEL_USES[value.use].title}`,
  apply: (design, { channel, value, was }) => {
    const gone = value?.from?.is === 'tracker' && !Object.hasOwn(design.aircraft.items, value.from.item) ? value.from.item : undefined;
    if (gone !== undefined) return refuse('unknown-item', 'The head tracker is no longer there.', gone);
    const ends = value?.ends;
    if (ends !== undefined && ends.leastUs >= ends.mostUs)
      return refuse('bad-shape', `Channel ${channel} would end at ${ends.mostUs} us, before it begins at ${ends.leastUs} us.`);
    return setEntry(design, 'channels', channel, value, was, `Channel ${channel}`);
  },
});

const switchOrNone = orNone(RcSwitchSchema);
const setSwitch = editKind({
  kind: 'set-rc-switch',
  schema: Type.Object({ kind: Type.Literal('set-rc-switch'), id: SwitchIdSchema, value: switchOrNone, was: switchOrNone }, closed),
  title: ({ id, value, was }) => (value === null ? `Remove ${was?.title ?? id}` : `${value.title}: ${value.positions} positions`),
  apply: (design, { id, value, was }) => {
    const { channels, switches } = design.aircraft.rc;
    const user = Object.entries(channels).find(([, { from }]) => from?.is === 'switches' && from.switches.includes(id))?.[0];
    if (value === null && user !== undefined)
      return refuse('bad-shape', `Channel ${user} comes from ${switches[id]?.title ?? 'this switch'}. Choose another source first.`);
    if (value !== null && switches[id] === undefined && Object.keys(switches).length >= LIMITS.rcSwitches)
      return refuse('bad-shape', `A radio has ${LIMITS.rcSwitches} switches at most.`);
    return setEntry(design, 'switches', id, value, was, switches[id]?.title ?? 'The switch');
  },
});

const rangeOrNone = orNone(ModeRangeSchema);
const setRange = editKind({
  kind: 'set-mode-range',
  schema: Type.Object({ kind: Type.Literal('set-mode-range'), id: RangeIdSchema, value: rangeOrNone, was: rangeOrNone }, closed),
  title: ({ value, was }) =>
    value === null
      ? `Remove the range of ${was === null ? 'a mode' : givesName(was.gives)}`
      : `${givesName(value.gives)}: channel ${value.channel}, ${value.fromUs} to ${value.toUs} us`,
  apply: (design, { id, value, was }) => {
    const backward = value === null ? undefined : [value, value.with].find((span) => span !== undefined && span.fromUs >= span.toUs);
    if (backward !== undefined)
      return refuse('bad-shape', `The range would end at ${backward.toUs} us, before it begins at ${backward.fromUs} us.`);
    const { ranges } = design.aircraft.rc;
    if (value !== null && ranges[id] === undefined && Object.keys(ranges).length >= LIMITS.modeRanges)
      return refuse('bad-shape', `A plan has ${LIMITS.modeRanges} ranges at most.`);
    return setEntry(design, 'ranges', id, value, was, 'The range');
  },
});

const takeOverOrNone = orNone(TakeOverSchema);
const setTakeOver = editKind({
  kind: 'set-take-over',
  schema: Type.Object({ kind: Type.Literal('set-take-over'), item: ItemIdSchema, value: takeOverOrNone, was: takeOverOrNone }, closed),
  title: ({ item, value }, design) =>
    value === null ? `${refOf(design, item)} overrides no channels` : `${refOf(design, item)} overrides ${channelWords(value.channels)}`,
  apply: (design, { item, value, was }) => {
    if (!Object.hasOwn(design.aircraft.items, item)) return refuse('unknown-item', 'The companion is no longer there.', item);
    return setEntry(design, 'takeOvers', item, value, was, `The take-over by ${refOf(design, item)}`);
  },
});

function channelWords(channels: readonly string[]): string {
  return channels.length === 1 ? `channel ${channels[0] ?? ''}` : `channels ${channels.join(', ')}`;
}

const spotOrNone = orNone(OsdSpotSchema);
const setOsdField = editKind({
  kind: 'set-osd-field',
  schema: Type.Object({ kind: Type.Literal('set-osd-field'), field: oneOf(osdFields), spot: spotOrNone, was: spotOrNone }, closed),
  title: ({ field, spot }) =>
    spot === null
      ? `Remove ${OSD_FIELDS[field].title} from the OSD`
      : `${OSD_FIELDS[field].title} at column ${spot.col + 1}, line ${spot.row + 1}`,
  apply: (design, { field, spot, was }) => setEntry(design, 'osd', field, spot, was, `The place of "${OSD_FIELDS[field].title}"`),
});

const setRadioField = editKind({
  kind: 'set-radio-field',
  schema: Type.Object({ kind: Type.Literal('set-radio-field'), field: oneOf(osdFields), on: Type.Boolean(), was: Type.Boolean() }, closed),
  title: ({ field, on }) => `${OSD_FIELDS[field].title}: ${on ? 'on' : 'off'} the screen of the radio`,
  apply: (design, { field, on, was }) =>
    setEntry(design, 'radioFields', field, on || null, was || null, `Whether "${OSD_FIELDS[field].title}" is on the radio`),
});

const seenOrNone = orNone(SeenLossSchema);
const setSeenLoss = editKind({
  kind: 'set-seen-loss',
  schema: Type.Object({ kind: Type.Literal('set-seen-loss'), item: ItemIdSchema, value: seenOrNone, was: seenOrNone }, closed),
  title: ({ item, value }, design) => `Loss of signal at ${refOf(design, item)}: ${value === null ? 'not tested' : 'tested'}`,
  apply: (design, { item, value, was }) => {
    if (!Object.hasOwn(design.aircraft.items, item)) return refuse('unknown-item', 'The receiver is no longer there.', item);
    return setEntry(design, 'seen', item, value, was, `The loss-of-signal test of ${refOf(design, item)}`);
  },
});

const numberOrNone = orNone(Type.Number());
const setRcFigure = editKind({
  kind: 'set-rc-figure',
  schema: Type.Object({ kind: Type.Literal('set-rc-figure'), figure: oneOf(rcFigures), value: numberOrNone, was: numberOrNone }, closed),
  title: ({ figure, value }) => `${RC_FIGURES[figure].title}: ${value ?? 'default'}`,
  apply: (design, { figure, value, was }) => {
    const { title, least, most } = RC_FIGURES[figure];
    if (value !== null && !(value >= least && value <= most)) return refuse('bad-shape', `"${title}" must be from ${least} to ${most}.`);
    return setEntry(design, 'figures', figure, value, was, `"${title}"`);
  },
});

const choiceOrNone = orNone(ChoiceValueSchema);
const setRcChoice = editKind({
  kind: 'set-rc-choice',
  schema: Type.Object({ kind: Type.Literal('set-rc-choice'), choice: oneOf(rcChoices), value: choiceOrNone, was: choiceOrNone }, closed),
  title: ({ choice, value }) => `${RC_CHOICES[choice].title}: ${value === null ? 'open' : (RC_CHOICES[choice].values[value] ?? value)}`,
  apply: (design, { choice, value, was }) => {
    const { title } = RC_CHOICES[choice];
    if (value !== null && !isValueOf(choice, value)) return refuse('bad-shape', `"${title}" cannot be "${value}".`);
    return setEntry(design, 'choices', choice, value, was, `"${title}"`);
  },
});

/** Sets or takes out one entry of a record of the plan, where it still is what it was. @param name begins the sentence where it is not */
function setEntry<F extends keyof RcPlan>(
  { aircraft }: Design,
  family: F,
  key: string,
  value: unknown,
  was: unknown,
  name: string,
): Outcome | Refused {
  const record: Readonly<Record<string, unknown>> = aircraft.rc[family];
  const { [key]: now, ...others } = record;
  if (!sameJson(now ?? null, was)) return refuse('changed-since', `${name} was changed meanwhile. Check it, then decide.`, key);
  return { aircraft: withRc(aircraft, { [family]: value === null ? others : { ...record, [key]: value } }) };
}

function withRc(aircraft: Aircraft, change: Readonly<Record<string, unknown>>): Aircraft {
  return { ...aircraft, rc: { ...aircraft.rc, ...change } };
}

export const rcEdits = [
  setChannel,
  setSwitch,
  setRange,
  setTakeOver,
  setOsdField,
  setRadioField,
  setSeenLoss,
  setRcFigure,
  setRcChoice,
] as const;
