import { Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import {
  FirmwareFactsSchema,
  KeptKeySchema,
  KeptLineSchema,
  keptKey,
  ReadBackSchema,
  type FirmwareFacts,
  type FirmwarePlan,
} from '../model/firmwarePlan.ts';
import { ItemIdSchema } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { editKind, refuse, type Outcome } from './family.ts';
import { refOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;

function withPlan(aircraft: Aircraft, change: Partial<FirmwarePlan>): Outcome {
  return { aircraft: { ...aircraft, firmware: { ...aircraft.firmware, ...change } } };
}

const FACT_TITLES = {
  target: 'Board target',
  version: 'Firmware version',
  levelPitchDeg: 'Pitch in level flight',
  levelSet: 'Level reference',
} as const satisfies Readonly<Record<keyof FirmwareFacts, string>>;

/** Sets what is named in `value`, and takes away what is named in `was` alone. */
const setFacts = editKind({
  kind: 'set-firmware-facts',
  schema: Type.Object({ kind: Type.Literal('set-firmware-facts'), value: FirmwareFactsSchema, was: FirmwareFactsSchema }, closed),
  title: ({ value, was }) => {
    const [name] = (['target', 'version', 'levelPitchDeg', 'levelSet'] as const).filter(
      (fact) => value[fact] !== undefined || was[fact] !== undefined,
    );
    if (name === undefined) return 'Firmware';
    return value[name] === undefined ? `${FACT_TITLES[name]} left open` : `${FACT_TITLES[name]}: ${value[name]}`;
  },
  apply: ({ aircraft }, { value, was }) => {
    const { facts } = aircraft.firmware;
    const named = Object.keys({ ...was, ...value });
    if (named.length === 0) return refuse('nothing-to-do', 'The edit sets nothing.');
    const now = Object.fromEntries(Object.entries(facts).filter(([name]) => named.includes(name)));
    if (!sameJson(now, was)) return refuse('changed-since', 'The firmware was changed meanwhile. Check it, then decide.');
    const others = Object.fromEntries(Object.entries(facts).filter(([name]) => !named.includes(name)));
    return withPlan(aircraft, { facts: { ...others, ...value } });
  },
});

const keptOrNone = Type.Union([KeptLineSchema, Type.Null()]);
const keepLine = editKind({
  kind: 'keep-line',
  schema: Type.Object({ kind: Type.Literal('keep-line'), key: KeptKeySchema, value: keptOrNone, was: keptOrNone }, closed),
  title: ({ value, was }) => {
    if (value === null) return `Line "${was?.line ?? ''}" as planned`;
    return value.text === '' ? `Leave out the line "${value.line}"` : `Keep the line "${value.text}"`;
  },
  apply: ({ aircraft }, { key, value, was }) => {
    const { [key]: now, ...others } = aircraft.firmware.kept;
    if (!sameJson(now ?? null, was)) return refuse('changed-since', 'The line was changed meanwhile. Check it, then decide.');
    if (value === null) return withPlan(aircraft, { kept: others });
    if (keptKey(value) !== key) return refuse('bad-shape', 'The line is filed under the key of another one.');
    if (!Object.hasOwn(aircraft.items, value.item)) return refuse('unknown-item', 'The controller is no longer there.', value.item);
    if (now === undefined && Object.keys(others).length >= LIMITS.keptLines)
      return refuse('bad-shape', `${LIMITS.keptLines} lines can be kept as in the aircraft, and that limit is reached.`);
    return withPlan(aircraft, { kept: { ...others, [key]: value } });
  },
});

const readOrNone = Type.Union([ReadBackSchema, Type.Null()]);
const setReadBack = editKind({
  kind: 'set-read-back',
  schema: Type.Object({ kind: Type.Literal('set-read-back'), item: ItemIdSchema, value: readOrNone, was: readOrNone }, closed),
  title: ({ item, value }, design) =>
    value === null ? `Forget what was read from ${refOf(design, item)}` : `Note what was read from ${refOf(design, item)}`,
  apply: ({ aircraft }, { item, value, was }) => {
    if (!Object.hasOwn(aircraft.items, item)) return refuse('unknown-item', 'The controller is no longer there.', item);
    const { [item]: now, ...others } = aircraft.firmware.read;
    if (!sameJson(now ?? null, was)) return refuse('changed-since', 'Another dump was read meanwhile. Check it, then decide.');
    return withPlan(aircraft, { read: value === null ? others : { ...others, [item]: value } });
  },
});

export const firmwareEdits = [setFacts, keepLine, setReadBack] as const;
