import { type TSchema, Type } from '@sinclair/typebox';
import { sameJson } from '../model/canonicalJson.ts';
import type { Design } from '../model/design.ts';
import { functionEnds } from '../model/functionEnds.ts';
import { ItemIdSchema, type ItemId } from '../model/ids.ts';
import { oneOf } from '../model/oneOf.ts';
import {
  BankUseSchema,
  MIX_FIGURES,
  mixFigures,
  outputKey,
  OutputTravelSchema,
  OutputUseSchema,
  PULSE_KINDS,
  pulseWords,
  travelOf,
  USUAL_TRAVEL,
  type OutputTravel,
} from '../model/outputPlan.ts';
import { OUTPUT_FUNCTIONS } from '../model/outputFunctions.ts';
import { SettingIdSchema } from '../model/setting.ts';
import { percent } from '../text/numbers.ts';
import { editKind, refuse, type Refused } from './family.ts';
import { refOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;
const orNone = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);
const functionOrNone = orNone(OutputUseSchema.properties.function);

/** Why an output cannot be meant; undefined where it can. */
function noOutput({ aircraft, parts }: Design, itemId: ItemId, output: string): Refused | undefined {
  const item = aircraft.items[itemId];
  if (item === undefined) return refuse('unknown-item', 'The controller is no longer there.', itemId);
  const part = parts.get(item.part);
  const isThere = part !== undefined && functionEnds(part).includes(output);
  return isThere ? undefined : refuse('unknown-port', `${item.ref} has no output "${output}".`, itemId);
}

const setOutputFunction = editKind({
  kind: 'set-output-function',
  schema: Type.Object(
    {
      kind: Type.Literal('set-output-function'),
      item: ItemIdSchema,
      /** The endpoint of the output. */
      output: SettingIdSchema,
      function: functionOrNone,
      was: functionOrNone,
    },
    closed,
  ),
  title: (edit, design) => {
    const place = `${refOf(design, edit.item)} ${edit.output}`;
    return edit.function === null ? `Leave ${place} without a function` : `${place}: ${OUTPUT_FUNCTIONS[edit.function].title}`;
  },
  apply: (design, edit) => {
    const missing = noOutput(design, edit.item, edit.output);
    if (missing !== undefined) return missing;
    const { aircraft } = design;
    const key = outputKey(edit.item, edit.output);
    const { [key]: use, ...others } = aircraft.outputs;
    if ((use?.function ?? null) !== edit.was) {
      const place = `${refOf(design, edit.item)} ${edit.output}`;
      return refuse('changed-since', `The function of ${place} was changed meanwhile. Check it, then decide.`, edit.item);
    }
    if (edit.function === null) return { aircraft: { ...aircraft, outputs: others } };
    const now = { item: edit.item, output: edit.output, function: edit.function, ...travelOf(use ?? {}) };
    return { aircraft: { ...aircraft, outputs: { ...others, [key]: now } } };
  },
});

const holdOutput = editKind({
  kind: 'hold-output',
  schema: Type.Object(
    { kind: Type.Literal('hold-output'), item: ItemIdSchema, output: SettingIdSchema, held: Type.Boolean(), was: Type.Boolean() },
    closed,
  ),
  title: ({ item, output, held }, design) => `${held ? 'Fix' : 'Release'} the function of ${refOf(design, item)} ${output}`,
  apply: (design, { item, output, held, was }) => {
    const missing = noOutput(design, item, output);
    if (missing !== undefined) return missing;
    const place = `${refOf(design, item)} ${output}`;
    const { aircraft } = design;
    const key = outputKey(item, output);
    const use = aircraft.outputs[key];
    if (use === undefined) return refuse('bad-shape', `${place} has no function to fix. Assign one first.`, item);
    if ((use.held === true) !== was)
      return refuse('changed-since', `${place} was fixed or released meanwhile. Check it, then decide.`, item);
    const { held: _was, ...rest } = use;
    return { aircraft: { ...aircraft, outputs: { ...aircraft.outputs, [key]: held ? { ...rest, held: true } : rest } } };
  },
});

const setOutputTravel = editKind({
  kind: 'set-output-travel',
  schema: Type.Object(
    {
      kind: Type.Literal('set-output-travel'),
      item: ItemIdSchema,
      output: SettingIdSchema,
      value: OutputTravelSchema,
      was: OutputTravelSchema,
    },
    closed,
  ),
  title: ({ item, output }, design) => `Travel of ${refOf(design, item)} ${output}`,
  apply: (design, { item, output, value, was }) => {
    const missing = noOutput(design, item, output);
    if (missing !== undefined) return missing;
    const place = `${refOf(design, item)} ${output}`;
    const { aircraft } = design;
    const key = outputKey(item, output);
    const use = aircraft.outputs[key];
    if (use === undefined) return refuse('bad-shape', `${place} has no function yet. Assign one first.`, item);
    if (!sameJson(travelOf(use), was))
      return refuse('changed-since', `The travel of ${place} was changed meanwhile. Check it, then decide.`, item);
    const crossing = crossingWords(value);
    if (crossing !== undefined) return refuse('bad-shape', `${place}: ${crossing}`, item);
    const now = { item, output, function: use.function, ...(use.held === true ? { held: true as const } : {}), ...travelOf(value) };
    return { aircraft: { ...aircraft, outputs: { ...aircraft.outputs, [key]: now } } };
  },
});

/** What is wrong with limits that do not rise; undefined where they do. */
function crossingWords(value: OutputTravel): string | undefined {
  const { minUs, trimUs, maxUs } = { ...USUAL_TRAVEL, ...value };
  if (minUs >= maxUs) return `the minimum, ${minUs} us, must be below the maximum, ${maxUs} us.`;
  return trimUs < minUs || trimUs > maxUs ? `the trim, ${trimUs} us, must be between ${minUs} and ${maxUs} us.` : undefined;
}

const pulsesOrNone = orNone(Type.Object({ kind: BankUseSchema.properties.kind, rateHz: BankUseSchema.properties.rateHz }, closed));
const setBank = editKind({
  kind: 'set-bank',
  schema: Type.Object(
    { kind: Type.Literal('set-bank'), item: ItemIdSchema, bank: SettingIdSchema, value: pulsesOrNone, was: pulsesOrNone },
    closed,
  ),
  title: ({ item, bank, value }, design) =>
    `Bank ${bank} of ${refOf(design, item)}: ${value === null ? 'pulses not planned' : pulseWords(value)}`,
  apply: (design, { item, bank, value, was }) => {
    const { aircraft, parts } = design;
    const owner = aircraft.items[item];
    if (owner === undefined) return refuse('unknown-item', 'The controller is no longer there.', item);
    const isThere = parts.get(owner.part)?.endpoints.some((endpoint) => endpoint.is === 'pulse-out' && endpoint.bank === bank);
    if (isThere !== true) return refuse('unknown-port', `${owner.ref} has no bank "${bank}".`, item);
    const key = outputKey(item, bank);
    const { [key]: use, ...others } = aircraft.banks;
    const now = use === undefined ? null : { kind: use.kind, ...(use.rateHz === undefined ? {} : { rateHz: use.rateHz }) };
    if (!sameJson(now, was))
      return refuse('changed-since', `The pulses of bank ${bank} of ${owner.ref} were changed meanwhile. Check it, then decide.`, item);
    if (value === null) return { aircraft: { ...aircraft, banks: others } };
    const hasRate = PULSE_KINDS[value.kind].hasRate;
    if (hasRate !== (value.rateHz !== undefined))
      return refuse('bad-shape', `${PULSE_KINDS[value.kind].title} ${hasRate ? 'need a rate' : 'have no rate of their own'}.`, item);
    return { aircraft: { ...aircraft, banks: { ...others, [key]: { item, bank, ...value } } } };
  },
});

const numberOrNone = orNone(Type.Number());
const setMixFigure = editKind({
  kind: 'set-mix-figure',
  schema: Type.Object({ kind: Type.Literal('set-mix-figure'), figure: oneOf(mixFigures), value: numberOrNone, was: numberOrNone }, closed),
  title: ({ figure, value }) => `Mixer, ${MIX_FIGURES[figure].title}: ${value === null ? 'default' : percent(value)}`,
  apply: ({ aircraft }, { figure, value, was }) => {
    const { title, least, most } = MIX_FIGURES[figure];
    if (value !== null && !(value >= least && value <= most))
      return refuse('bad-shape', `"${title}" must be from ${percent(least)} to ${percent(most)}.`);
    const { [figure]: now, ...others } = aircraft.mixing;
    if ((now ?? null) !== was) return refuse('changed-since', `"${title}" was changed meanwhile. Check it, then decide.`);
    return { aircraft: { ...aircraft, mixing: value === null ? others : { ...others, [figure]: value } } };
  },
});

export const outputEdits = [setOutputFunction, holdOutput, setOutputTravel, setBank, setMixFigure] as const;
