import { Type } from '@sinclair/typebox';
import {
  AirframeKindSchema,
  COLOUR_SCHEMES,
  ColourSchemeSchema,
  NeedCountSchema,
  NeedIdSchema,
  PlannedBatterySchema,
  type PlannedBattery,
} from '../model/aircraft.ts';
import { dialectKeyFrom } from '../dialects/dialectRef.ts';
import { AIRFRAME_KINDS } from '../model/airframes.ts';
import { sameJson } from '../model/canonicalJson.ts';
import type { Design } from '../model/design.ts';
import { DialectKeySchema } from '../model/ids.ts';
import { hasShape } from '../model/shape.ts';
import { keyText } from '../model/keys.ts';
import { NEEDS } from '../model/needs.ts';
import { withArticle } from '../text/sentences.ts';
import { editKind, refuse } from './family.ts';

const closed = { additionalProperties: false } as const;

const setAirframe = editKind({
  kind: 'set-airframe',
  schema: Type.Object({ kind: Type.Literal('set-airframe'), airframe: AirframeKindSchema, was: AirframeKindSchema }, closed),
  title: (edit) => `Make it ${withArticle(AIRFRAME_KINDS[edit.airframe].title)}`,
  apply: ({ aircraft }, edit) => {
    const { kind } = aircraft.airframe;
    if (kind !== edit.was) {
      return refuse('changed-since', `The airframe was changed to ${AIRFRAME_KINDS[kind].title} meanwhile. Check it, then decide.`);
    }
    return { aircraft: { ...aircraft, airframe: { ...aircraft.airframe, kind: edit.airframe } } };
  },
});

const batteryOrNone = Type.Union([PlannedBatterySchema, Type.Null()]);

const setPlannedBattery = editKind({
  kind: 'set-planned-battery',
  schema: Type.Object({ kind: Type.Literal('set-planned-battery'), battery: batteryOrNone, was: batteryOrNone }, closed),
  title: (edit) => (edit.battery === null ? 'Leave the pack open' : `Plan for ${batteryWords(edit.battery)}`),
  apply: ({ aircraft }, edit) => {
    if (!sameJson(aircraft.plannedBattery ?? null, edit.was)) {
      return refuse('changed-since', 'The planned pack was changed meanwhile. Check it, then decide.');
    }
    const { plannedBattery: _old, ...rest } = aircraft;
    return { aircraft: edit.battery === null ? rest : { ...rest, plannedBattery: edit.battery } };
  },
});

/** A pack as people name it: `LiPo 4S`. */
export function batteryWords({ chemistry, cells }: PlannedBattery): string {
  return `${chemistry === 'lipo' ? 'LiPo' : 'Li-ion'} ${cells}S`;
}

const countOrNone = Type.Union([NeedCountSchema, Type.Null()]);

const setNeed = editKind({
  kind: 'set-need',
  schema: Type.Object({ kind: Type.Literal('set-need'), need: NeedIdSchema, count: countOrNone, was: countOrNone }, closed),
  title: (edit) => `${NEEDS[edit.need].title}: ${edit.count ?? 'none'} needed`,
  apply: ({ aircraft }, edit) => {
    const { [edit.need]: now, ...others } = aircraft.needs;
    if ((now ?? null) !== edit.was) {
      return refuse('changed-since', `The number of "${NEEDS[edit.need].title}" needed was changed meanwhile. Check it, then decide.`);
    }
    return { aircraft: { ...aircraft, needs: edit.count === null ? others : { ...others, [edit.need]: edit.count } } };
  },
});

/** A dialect by its key; by its id alone in edits of schema 9 and before. */
const DialectRefSchema = keyText('[A-Za-z0-9][A-Za-z0-9-]{0,39}(@[0-9a-f]{16})?');

function dialectName({ dialects }: Design, ref: string): string {
  const key = dialectKeyFrom(ref);
  return dialects.get(key)?.name ?? key.slice(0, key.indexOf('@'));
}

const setDialect = editKind({
  kind: 'set-dialect',
  schema: Type.Object({ kind: Type.Literal('set-dialect'), dialect: DialectRefSchema, was: DialectRefSchema }, closed),
  title: (edit, design) => `Use the dialect ${dialectName(design, edit.dialect)}`,
  apply: (design, edit) => {
    const { aircraft } = design;
    if (aircraft.dialect !== dialectKeyFrom(edit.was)) {
      return refuse(
        'changed-since',
        `The dialect was changed to "${dialectName(design, aircraft.dialect)}" meanwhile. Check it, then decide.`,
      );
    }
    if (hasShape(DialectKeySchema, edit.dialect) && !design.dialects.has(edit.dialect)) {
      return refuse('unknown-dialect', `The dialect "${dialectName(design, edit.dialect)}" is not known here. Import it first.`);
    }
    return { aircraft: { ...aircraft, dialect: dialectKeyFrom(edit.dialect) } };
  },
});

const setColourScheme = editKind({
  kind: 'set-colour-scheme',
  schema: Type.Object({ kind: Type.Literal('set-colour-scheme'), scheme: ColourSchemeSchema, was: ColourSchemeSchema }, closed),
  title: (edit) => `Colour new wires: ${COLOUR_SCHEMES[edit.scheme]}`,
  apply: ({ aircraft }, edit) => {
    if ((aircraft.colourScheme ?? 'by-signal') !== edit.was) {
      return refuse('changed-since', 'The colour scheme was changed meanwhile. Check it, then decide.');
    }
    return { aircraft: { ...aircraft, colourScheme: edit.scheme } };
  },
});

export const briefEdits = [setAirframe, setPlannedBattery, setNeed, setDialect, setColourScheme] as const;
