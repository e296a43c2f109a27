import { type Static, Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import type { DeepReadonly } from '../model/shape.ts';

/** Names that a path may go through: never the ones that objects own. */
const STEP_PATTERN = '^(?!__proto__$|constructor$|prototype$)[A-Za-z0-9][A-Za-z0-9.-]{0,79}$';

export const ChangeSchema = Type.Object(
  {
    /** From the aircraft down: `['items', 'i7', 'settings', 'S4.baud']`. */
    path: Type.Array(Type.String({ pattern: STEP_PATTERN }), { minItems: 1, maxItems: 8 }),
    /** What stood there; absent when nothing did. */
    was: Type.Optional(Type.Unknown()),
    /** What shall stand there; absent when nothing shall. */
    now: Type.Optional(Type.Unknown()),
  },
  { additionalProperties: false },
);
export type Change = DeepReadonly<Static<typeof ChangeSchema>>;

type Json = Readonly<Record<string, unknown>>;

/**
 * The smallest set of places in which two versions of an aircraft differ. Objects are compared member by member, arrays
 * as a whole. `issued` is left out, since numbers that were given out stay given out.
 */
export function changesBetween(before: Aircraft, after: Aircraft): Change[] {
  const { issued: _a, ...from } = before;
  const { issued: _b, ...to } = after;
  const changes: Change[] = [];
  compare(from, to, [], changes);
  return changes;
}

function compare(before: Json, after: Json, path: readonly string[], changes: Change[]): void {
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const was = before[key];
    const now = after[key];
    if (was === now) continue;
    const at = [...path, key];
    if (isObject(was) && isObject(now)) compare(was, now, at, changes);
    else if (!sameJson(was, now)) {
      changes.push({ path: at, ...(was === undefined ? {} : { was }), ...(now === undefined ? {} : { now }) });
    }
  }
}

/** The same changes the other way round. */
export function reversed(changes: readonly Change[]): Change[] {
  return changes.map(({ path, was, now }) => ({
    path,
    ...(now === undefined ? {} : { was: now }),
    ...(was === undefined ? {} : { now: was }),
  }));
}

/**
 * Makes changes, provided that what stands at each place is what stood there (`was`).
 * @returns the new value, or the first change whose place holds something else
 */
export function withChanges(root: Json, changes: readonly Change[]): { readonly value: Json } | { readonly differs: Change } {
  let value = root;
  for (const change of changes) {
    const next = withChange(value, change.path, change);
    if (next === undefined) return { differs: change };
    value = next;
  }
  return { value };
}

function withChange(at: Json, path: readonly string[], change: Change): Json | undefined {
  const [key, ...rest] = path;
  if (key === undefined) return undefined;
  const here = Object.hasOwn(at, key) ? at[key] : undefined;
  if (rest.length > 0) {
    if (!isObject(here)) return undefined;
    const inner = withChange(here, rest, change);
    return inner === undefined ? undefined : { ...at, [key]: inner };
  }
  if (!sameJson(here, change.was)) return undefined;
  if (change.now !== undefined) return { ...at, [key]: change.now };
  const { [key]: _gone, ...others } = at;
  return others;
}

function isObject(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
