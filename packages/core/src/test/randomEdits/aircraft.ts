import { sampleDialects } from '../../dialects/sampleDialects.ts';
import { dialectKeyOf } from '../../model/contentHash.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { airframeKinds } from '../../model/airframes.ts';
import type { Design } from '../../model/design.ts';
import { asId, type WaiverId } from '../../model/ids.ts';
import { needIds } from '../../model/needs.ts';
import { powerFigures } from '../../model/powerPlan.ts';
import { pick, type Draw } from './draw.ts';

/** By key, and by id as edits of schema 9 have it; the last is a dialect that nobody has. */
const DIALECTS = [...sampleDialects.map(dialectKeyOf), 'role-table', 'mine'];

export function waiver(design: Design, { x, z }: Draw): SimpleEdit | undefined {
  const there = pick(Object.values(design.aircraft.waivers), x);
  if (z % 2 === 0 && there !== undefined) return { kind: 'remove-waiver', waiver: there.id };
  return {
    kind: 'add-waiver',
    waiver: {
      id: asId<WaiverId>('?1'),
      findingKey: `key ${x % 5}`,
      basis: `basis ${z % 3}`,
      reason: 'because',
      by: 'tester',
      at: '2026-11-24T10:00:00Z',
    },
  };
}

export function name(design: Design, { x, isStale }: Draw): SimpleEdit {
  if (x % 2 === 0)
    return { kind: 'set-aircraft-note', note: x % 3 === 0 ? '' : `note ${x}`, was: isStale ? 'stale' : (design.aircraft.note ?? '') };
  return { kind: 'set-aircraft-name', name: `Name ${x}`, was: isStale ? 'stale' : design.aircraft.name };
}

export function brief({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit {
  switch (x % 5) {
    case 4:
      return {
        kind: 'set-colour-scheme',
        scheme: z % 2 === 0 ? 'few-colours' : 'by-signal',
        was: isStale ? 'servo-style' : (aircraft.colourScheme ?? 'by-signal'),
      };
    case 0:
      return { kind: 'set-airframe', airframe: pick(airframeKinds, z) ?? 'quad', was: isStale ? 'hexa' : aircraft.airframe.kind };
    case 1: {
      const battery = z % 3 === 0 ? null : { chemistry: 'lipo' as const, cells: 1 + (z % 14) };
      return { kind: 'set-planned-battery', battery, was: isStale ? null : (aircraft.plannedBattery ?? null) };
    }
    case 2: {
      const need = pick(needIds, y) ?? 'rc';
      return { kind: 'set-need', need, count: z % 3 === 0 ? null : 1 + (z % 9), was: isStale ? 9 : (aircraft.needs[need] ?? null) };
    }
    default:
      return { kind: 'set-dialect', dialect: DIALECTS[z % DIALECTS.length] ?? 'mine', was: isStale ? 'stale' : aircraft.dialect };
  }
}

export function power({ aircraft }: Design, { x, y, z, isStale }: Draw): SimpleEdit {
  switch (x % 4) {
    case 0: {
      const figure = pick(powerFigures, y) ?? 'usbA';
      return {
        kind: 'set-power-figure',
        figure,
        value: z % 4 === 0 ? null : 0.5 + (z % 5) / 10,
        was: isStale ? 0.123 : (aircraft.power?.[figure] ?? null),
      };
    }
    case 1: {
      const id = `own-${y % 3}`;
      const now = aircraft.power?.situations?.[id] ?? null;
      const situation = {
        title: `Tow ${z % 7}`,
        charge: (z % 11) / 10,
        durationS: z % 3 === 0 ? null : 60,
        cruiseThrottle: z % 2 === 0 ? ('cruise' as const) : 0.5,
        liftThrottle: 0,
        servos: 0.5,
        transmitters: 'peak' as const,
        others: 'typical' as const,
        internalFactor: 1,
      };
      return { kind: 'set-own-situation', id, situation: z % 5 === 0 ? null : situation, was: isStale ? situation : now };
    }
    case 2: {
      const now = aircraft.power?.survivesFaults === true;
      return { kind: 'set-survives-faults', survives: y % 2 === 0, was: isStale ? !now : now };
    }
    default: {
      const legs = Array.from({ length: z % 4 }, (_, i) => ({ situation: i === 0 ? 'climb' : 'cruise', minutes: 1 + (y % 20) }));
      return {
        kind: 'set-mission',
        mission: legs,
        was: isStale ? [{ situation: 'glide', minutes: 99 }] : [...(aircraft.power?.mission ?? [])],
      };
    }
  }
}
