import { Type } from '@sinclair/typebox';
import {
  AirframeKindSchema,
  COLOUR_SCHEMES,
  ColourSchemeSchema,
  DialectIdSchema,
  NeedCountSchema,
  NeedIdSchema,
  PlannedBatterySchema,
  type PlannedBattery,
} from '../model/aircraft.ts';
import { AIRFRAME_KINDS } from '../model/airframes.ts';
import { sameJson } from '../model/canonicalJson.ts';
import { NEEDS } from '../model/needs.ts';
import { editKind, refuse } from './family.ts';

const closed = { additionalProperties: false } as const;

const setAirframe = editKind({
  kind: 'set-airframe',
  schema: Type.Object({ kind: Type.Literal('set-airframe'), airframe: AirframeKindSchema, was: AirframeKindSchema }, closed),
  title: (edit) => `Make it a ${AIRFRAME_KINDS[edit.airframe].title}`,
  apply: ({ aircraft }, edit) => {
    const { kind } = aircraft.airframe;
    if (kind !== edit.was) {
      return refuse('changed-since', `The airframe was changed to ${AIRFRAME_KINDS[kind].title} meanwhile. Look at it, then decide.`);
    }
    return { aircraft: { ...aircraft, airframe: { ...aircraft.airframe, kind: edit.airframe } } };
  },
});

const batteryOrNone = Type.Union([PlannedBatterySchema, Type.Null()]);

const setPlannedBattery = editKind({
  kind: 'set-planned-battery',
  schema: Type.Object({ kind: Type.Literal('set-planned-battery'), battery: batteryOrNone, was: batteryOrNone }, closed),
  title: (edit) => (edit.battery === null ? 'Leave the battery open' : `Plan for ${batteryWords(edit.battery)}`),
  apply: ({ aircraft }, edit) => {
    if (!sameJson(aircraft.plannedBattery ?? null, edit.was)) {
      return refuse('changed-since', 'The planned battery was changed meanwhile. Look at it, then decide.');
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
  title: (edit) => `${NEEDS[edit.need].title}: ${edit.count ?? 'none'} wanted`,
  apply: ({ aircraft }, edit) => {
    const { [edit.need]: now, ...others } = aircraft.needs;
    if ((now ?? null) !== edit.was) {
      return refuse('changed-since', `How many of "${NEEDS[edit.need].title}" are wanted was changed meanwhile. Look at it, then decide.`);
    }
    return { aircraft: { ...aircraft, needs: edit.count === null ? others : { ...others, [edit.need]: edit.count } } };
  },
});

const setDialect = editKind({
  kind: 'set-dialect',
  schema: Type.Object({ kind: Type.Literal('set-dialect'), dialect: DialectIdSchema, was: DialectIdSchema }, closed),
  title: (edit) => `Use the firmware dialect ${edit.dialect}`,
  apply: ({ aircraft }, edit) => {
    if (aircraft.dialect !== edit.was) {
      return refuse('changed-since', `The firmware dialect was changed to "${aircraft.dialect}" meanwhile. Look at it, then decide.`);
    }
    return { aircraft: { ...aircraft, dialect: edit.dialect } };
  },
});

const setColourScheme = editKind({
  kind: 'set-colour-scheme',
  schema: Type.Object({ kind: Type.Literal('set-colour-scheme'), scheme: ColourSchemeSchema, was: ColourSchemeSchema }, closed),
  title: (edit) => `Colour new wires: ${COLOUR_SCHEMES[edit.scheme]}`,
  apply: ({ aircraft }, edit) => {
    if ((aircraft.colourScheme ?? 'by-signal') !== edit.was) {
      return refuse('changed-since', 'The colour scheme was changed meanwhile. Look at it, then decide.');
    }
    return { aircraft: { ...aircraft, colourScheme: edit.scheme } };
  },
});

export const briefEdits = [setAirframe, setPlannedBattery, setNeed, setDialect, setColourScheme] as const;
