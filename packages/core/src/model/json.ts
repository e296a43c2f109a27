/** Anything that JSON can carry. A draft that need not have its shape yet is one of these. */
export type Json = string | number | boolean | null | readonly Json[] | JsonObject;
export interface JsonObject {
  readonly [key: string]: Json;
}

/** A way into a value: members by name, places in a list by number. */
export type JsonPath = readonly (string | number)[];

export function isJsonObject(value: unknown): value is JsonObject {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

export function isJsonList(value: unknown): value is readonly Json[] {
  return Array.isArray(value);
}

/** A value as JSON would carry it: members that are undefined, and what JSON has no form for, are left out. */
export function jsonOf(value: unknown): Json {
  if (typeof value === 'string' || typeof value === 'boolean' || value === null) return value;
  if (typeof value === 'number') return Number.isFinite(value) ? value : null;
  if (Array.isArray(value)) return value.map(jsonOf);
  if (typeof value !== 'object') return null;
  const entries = Object.entries(value).filter(([, member]) => member !== undefined && typeof member !== 'function');
  return Object.fromEntries(entries.map(([key, member]) => [key, jsonOf(member)]));
}

/** What stands at a path; undefined when nothing does. */
export function jsonAt(value: Json | undefined, path: JsonPath): Json | undefined {
  let at = value;
  for (const step of path) {
    if (isJsonList(at) && typeof step === 'number') at = at[step];
    else if (isJsonObject(at) && Object.hasOwn(at, step)) at = at[step];
    else return undefined;
  }
  return at;
}

/**
 * The value with something else at a path. Undefined takes out what stands there: a member, or a place of a list. A step that
 * leads nowhere makes an object on its way; nothing is changed in place.
 */
export function withJsonAt(value: Json | undefined, path: JsonPath, now: Json | undefined): Json {
  const [step, ...rest] = path;
  if (step === undefined) return now ?? null;
  if (isJsonList(value) && typeof step === 'number') {
    if (rest.length === 0 && now === undefined) return value.filter((_, i) => i !== step);
    const list = [...value];
    list[step] = withJsonAt(value[step], rest, now);
    return list;
  }
  const object = isJsonObject(value) ? value : {};
  if (rest.length === 0 && now === undefined) {
    const { [step]: _gone, ...others } = object;
    return others;
  }
  const inner = Object.hasOwn(object, step) ? object[step] : undefined;
  return { ...object, [step]: withJsonAt(inner, rest, now) };
}
