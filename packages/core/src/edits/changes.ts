import { type Static, Type } from '@sinclair/typebox';
import type { Aircraft } from '../model/aircraft.ts';
import { sameJson } from '../model/canonicalJson.ts';
import { keyText } from '../model/keys.ts';
import type { DeepReadonly } from '../model/shape.ts';

/** A name that a path may go through: a member of the document, or a key of one of its records. */
const StepSchema = keyText('[A-Za-z0-9][A-Za-z0-9.-]{0,79}');

export const ChangeSchema = Type.Object(
  {
    /** From the aircraft down: `['items', 'i7', 'settings', 'S4.baud']`. */
    path: Type.Array(StepSchema, { minItems: 1, maxItems: 8 }),
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
  for (const key of Object.keys(before)) {
    const was = before[key];
    const now = after[key];
    // What only stands in one of them is `undefined` in the other; an own member that is undefined is as good as none.
    if (was === now || was === undefined) continue;
    if (isObject(was) && isObject(now)) compare(was, now, [...path, key], changes);
    else if (!sameJson(was, now)) changes.push({ path: [...path, key], was, ...(now === undefined ? {} : { now }) });
  }
  for (const key of Object.keys(after)) {
    const now = after[key];
    if (now !== undefined && before[key] === undefined) changes.push({ path: [...path, key], now });
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
 * Makes changes, provided that what stands at each place is what stood there (`was`). Each object on the way to a change is
 * copied once, however many changes lie in it; what was given stays as it is.
 * @returns the new value, or the first change whose place holds something else
 */
export function withChanges(root: Json, changes: readonly Change[]): { readonly value: Json } | { readonly differs: Change } {
  const copies = new WeakSet<object>();
  const copied = (value: Json): Record<string, unknown> => {
    const copy: Record<string, unknown> = copies.has(value) ? value : { ...value };
    copies.add(copy);
    return copy;
  };
  const value = copied(root);
  for (const change of changes) {
    const { path, was, now } = change;
    let at = value;
    for (const step of path.slice(0, -1)) {
      const inner = Object.hasOwn(at, step) ? at[step] : undefined;
      if (!isObject(inner)) return { differs: change };
      const copy = copied(inner);
      at[step] = copy;
      at = copy;
    }
    const last = path.at(-1);
    if (last === undefined || !sameJson(Object.hasOwn(at, last) ? at[last] : undefined, was)) return { differs: change };
    if (now === undefined) Reflect.deleteProperty(at, last);
    else at[last] = now;
  }
  return { value };
}

function isObject(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
