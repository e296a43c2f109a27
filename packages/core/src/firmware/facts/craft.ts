import { mountingOf } from '../../layout/mountingTurns.ts';
import { isAirframeKind } from '../../model/airframes.ts';
import { LEVEL_SCHOOLS } from '../../model/firmwarePlan.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import type { FirmwareFacts } from '../../model/firmwarePlan.ts';
import { effectiveSettings } from '../../model/resolvePart.ts';
import { SYSTEM_ID } from '../../model/settingsOf.ts';
import { IMU_TURN, isMounting } from '../../model/mounting.ts';
import type { FirmwareScope } from '../scope.ts';
import { fact, fromSetting, type FactSource } from './factRow.ts';
import { takeSetting } from './ports.ts';

/** The airframe. */
export const airframeFacts: FactSource = {
  family: 'airframe',
  rows: ({ graph }) => {
    const { kind } = graph.design.aircraft.airframe;
    return [
      {
        keys: {},
        what: 'the aircraft',
        from: [],
        tags: ['used'],
        facts: { kind: fact(kind, { path: ['airframe', 'kind'], words: 'the airframe' }) },
      },
    ];
  },
  take: ({ graph }, { value }) =>
    typeof value === 'string' && isAirframeKind(value)
      ? { kind: 'set-airframe', airframe: value, was: graph.design.aircraft.airframe.kind }
      : undefined,
};

/** By which number it is known to others. */
export const systemFacts: FactSource = {
  family: 'system',
  rows: ({ entry: { item }, graph }) => {
    const part = graph.design.parts.get(item.part);
    const id = part === undefined ? undefined : effectiveSettings(part, item.settings).get(SYSTEM_ID);
    return [
      {
        keys: {},
        what: item.ref,
        from: [],
        tags: ['used'],
        facts: { id: fact(typeof id === 'number' ? id : undefined, fromSetting(item.id, SYSTEM_ID, `system id of ${item.ref}`)) },
      },
    ];
  },
  take: (scope, { value }) => takeSetting(scope, SYSTEM_ID, value),
};

function saying({ graph }: FirmwareScope, value: FirmwareFacts): SimpleEdit {
  const named = Object.keys(value);
  const { facts } = graph.design.aircraft.firmware;
  return { kind: 'set-firmware-facts', value, was: Object.fromEntries(Object.entries(facts).filter(([name]) => named.includes(name))) };
}

/** How the controller lies: as it is set, or else as it lies in the layout. */
export const boardFacts: FactSource = {
  family: 'board',
  rows: ({ entry: { item } }) => {
    const set = item.settings[IMU_TURN];
    const laid = item.place === undefined ? undefined : mountingOf(item.place);
    const lies = isMounting(set) ? set : laid;
    return [
      {
        keys: {},
        what: item.ref,
        from: [],
        tags: ['used'],
        facts: {
          lies: fact(lies, fromSetting(item.id, IMU_TURN, `orientation setting of ${item.ref}`), {
            path: ['items', item.id, 'place'],
            words: `orientation of ${item.ref} in the layout`,
          }),
        },
      },
    ];
  },
  take: (scope, { value }) => takeSetting(scope, IMU_TURN, value),
};

/** Where the level is set, and how far the nose is up in level flight. */
export const levelFacts: FactSource = {
  family: 'level',
  rows: ({ graph }) => {
    const { levelPitchDeg, levelSet } = graph.design.aircraft.firmware.facts;
    if (levelPitchDeg === undefined && levelSet === undefined) return [];
    const set = levelSet ?? 'at-level';
    const school = { path: ['firmware', 'facts', 'levelSet'], words: `level reference ${LEVEL_SCHOOLS[set].title}` };
    const pitch = { path: ['firmware', 'facts', 'levelPitchDeg'], words: 'pitch in level flight' };
    return [
      {
        keys: {},
        what: 'the aircraft',
        from: [],
        tags: ['used'],
        facts: {
          set: fact(set, school),
          // Levelled as it flies there is nothing to trim.
          pitchDeg: fact(set === 'at-level' ? (levelPitchDeg ?? 0) : 0, pitch, school),
        },
      },
    ];
  },
  take: (scope, { field, value }) => {
    if (field === 'pitchDeg' && typeof value === 'number') return saying(scope, { levelPitchDeg: value });
    return field === 'set' && (value === 'at-level' || value === 'as-it-flies') ? saying(scope, { levelSet: value }) : undefined;
  },
};
