import { type TSchema, TypeGuard } from '@sinclair/typebox';
import { AircraftSchema, type Aircraft } from '../model/aircraft.ts';
import { hasShape } from '../model/shape.ts';
import type { Change } from './changes.ts';

type Json = Readonly<Record<string, unknown>>;

/**
 * True when an aircraft that had its shape before some changes were made still has it: only the records that they touched are
 * looked at, since looking at all of a large document takes longer than the change.
 */
export function keepsShape(document: Json, changes: readonly Change[]): document is Aircraft {
  const seen = new Set<string>();
  return changes.every(({ path: [member, key] }) => {
    const place = `${member ?? ''}/${key ?? ''}`;
    if (member === undefined || seen.has(place)) return member !== undefined;
    seen.add(place);
    return memberKeepsShape(document, member, key);
  });
}

function memberKeepsShape(document: Json, member: string, key: string | undefined): boolean {
  const schema = schemas.get(member);
  if (schema === undefined) return false;
  if (!Object.hasOwn(document, member)) return TypeGuard.IsOptional(schema);
  const value = document[member];
  const record = recordIn(schema);
  if (record === undefined || key === undefined || !isJson(value)) return hasShape(schema, value);
  if (Object.keys(value).length > record.most) return false;
  return !Object.hasOwn(value, key) || (record.keys.test(key) && hasShape(record.of, value[key]));
}

const schemas: ReadonlyMap<string, TSchema> = new Map(Object.entries(AircraftSchema.properties));

/** What a schema says of the records of a collection; undefined where it is of something else. */
function recordIn(schema: TSchema): { readonly keys: RegExp; readonly of: TSchema; readonly most: number } | undefined {
  if (!TypeGuard.IsRecord(schema)) return undefined;
  const [entry] = Object.entries(schema.patternProperties);
  const most: unknown = schema['maxProperties'];
  if (entry === undefined || typeof most !== 'number') return undefined;
  return { keys: new RegExp(entry[0]), of: entry[1], most };
}

function isJson(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
