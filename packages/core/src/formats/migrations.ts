import { dialectKeyFrom } from '../dialects/dialectRef.ts';
import type { Change } from '../edits/changes.ts';
import type { PutBack } from '../edits/registry.ts';
import { SCHEMA_VERSION } from '../model/aircraft.ts';
import { EMPTY_FIRMWARE } from '../model/firmwarePlan.ts';
import { EMPTY_RC } from '../model/rcPlan.ts';

/** Takes a document of the version before to version `to`. */
export interface Migration {
  readonly to: number;
  readonly title: string;
  readonly migrate: (document: Readonly<Record<string, unknown>>) => Record<string, unknown>;
  /** Brings a change of an older document to the new shape, where it is about a place that became another. */
  readonly change?: (change: Change) => Change;
}

/** A dialect by its key, where a document of schema 9 or before names it by its id. */
function dialectNow(ref: unknown): unknown {
  return typeof ref === 'string' ? dialectKeyFrom(ref) : ref;
}

/** In order. */
export const MIGRATIONS: readonly Migration[] = [
  {
    to: 2,
    title: 'What the aircraft needs of its controller, and what its outputs are for',
    migrate: (document) => ({ ...document, needs: {}, outputs: {} }),
  },
  {
    to: 3,
    title: "Situations of one's own, the mission, and figures of power",
    migrate: (document) => document,
  },
  {
    to: 4,
    title: 'The airframe in numbers, places of items, and what was weighed',
    migrate: (document) => document,
  },
  {
    to: 5,
    title: 'Twisted wires, and figures of compass and links',
    migrate: (document) => document,
  },
  {
    to: 6,
    title: 'Cables that are led by way of a point',
    migrate: (document) => document,
  },
  {
    to: 7,
    title: 'Pieces of the airframe that are made of carbon',
    migrate: (document) => document,
  },
  {
    to: 8,
    title: 'Plugs over some pins of a row',
    migrate: (document) => document,
  },
  {
    to: 9,
    title: 'Ports that mate directly',
    migrate: (document) => ({ ...document, mates: {} }),
  },
  {
    to: 10,
    title: 'The dialect as a revision that stays as it is',
    migrate: (document) => ({ ...document, dialect: dialectNow(document['dialect']) }),
    change: (change) => (change.path[0] === 'dialect' ? { ...change, was: dialectNow(change.was), now: dialectNow(change.now) } : change),
  },
  {
    to: 11,
    title: 'Facts that parts came to state, unknown of the older ones; items that are put on the ground or the bench',
    migrate: (document) => document,
  },
  {
    to: 12,
    title: 'Radios that are bonded, sockets, what is said about links, and links beyond those that exist by themselves',
    migrate: (document) => ({ ...document, bonds: {}, links: {}, wishes: {} }),
  },
  {
    to: 13,
    title: 'Ports that a person wants links on',
    migrate: (document) => document,
  },
  {
    to: 14,
    title: 'RC channels, switches and modes, what happens on loss, what the pilot sees',
    migrate: (document) => ({ ...document, rc: EMPTY_RC }),
  },
  {
    to: 15,
    title: 'Pulses of banks, travel of outputs, mixing; more kinds of airframes and functions',
    migrate: (document) => ({ ...document, banks: {}, mixing: {} }),
  },
  {
    to: 16,
    title: 'Linkages of servos',
    migrate: (document) => ({ ...document, linkages: {} }),
  },
  {
    to: 17,
    title: 'What is said about the firmware, lines kept as the aircraft has them, what was read',
    migrate: (document) => ({ ...document, firmware: EMPTY_FIRMWARE }),
  },
  {
    to: 18,
    title: 'Whether single electrical faults must be survived',
    migrate: (document) => document,
  },
];

/** An inverse that was kept with an edit on a document of an older shape, for a document of the present one. */
export function putBackOfToday(inverse: PutBack, schema: number): PutBack {
  const steps = MIGRATIONS.flatMap(({ to, change }) => (to > schema && change !== undefined ? [change] : []));
  if (steps.length === 0) return inverse;
  return { ...inverse, changes: inverse.changes.map((one) => steps.reduce((now, step) => step(now), one)) };
}

export type MigrationResult =
  | { readonly is: 'migrated'; readonly document: Readonly<Record<string, unknown>>; readonly steps: readonly string[] }
  | { readonly is: 'newer'; readonly sentence: string }
  | { readonly is: 'no-version'; readonly sentence: string };

/**
 * Brings a document that was read up to the present shape.
 * @param migrations the ordered list; given by tests, the product's own otherwise
 * @param target the version to reach
 */
export function migrate(
  document: Readonly<Record<string, unknown>>,
  migrations: readonly Migration[] = MIGRATIONS,
  target: number = SCHEMA_VERSION,
): MigrationResult {
  const version = document['schema'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return { is: 'no-version', sentence: 'The aircraft does not say which schema version it has (a whole number in "schema").' };
  }
  if (version > target) {
    return {
      is: 'newer',
      sentence: `The aircraft was written by a newer version of the product (schema ${version}; this one reads up to ${target}). Update the product to open it; the file was left as it is.`,
    };
  }
  let current = document;
  const steps: string[] = [];
  for (const migration of migrations) {
    if (migration.to <= version || migration.to > target) continue;
    current = { ...migration.migrate(current), schema: migration.to };
    steps.push(migration.title);
  }
  return { is: 'migrated', document: current, steps };
}
