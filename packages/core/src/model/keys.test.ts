import { describe, expect, it } from '@jest/globals';
import { type TSchema, TypeGuard } from '@sinclair/typebox';
import fc from 'fast-check';
import { findingsOf } from '../checks/findingsOf.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import { integrityOf } from '../edits/integrity.ts';
import { editKinds, EditSchema } from '../edits/registry.ts';
import { readAircraftValue, writeAircraftFile } from '../formats/aircraftFile.ts';
import { demoDesign } from '../test/designs.ts';
import { AircraftSchema } from './aircraft.ts';
import { asId, type EditId } from './ids.ts';
import { isJsonList, isJsonObject, jsonOf, type Json } from './json.ts';
import { PartSchema } from './part.ts';
import { hasShape } from './shape.ts';

/** Every name that some built-in object of this engine owns or hands down. */
const builtInNames = [
  ...new Set(
    [Object, Function, Array, String, Number, Boolean, Map, Set, Promise, Error, RegExp, Date, Symbol].flatMap((of) => [
      ...Object.getOwnPropertyNames(of),
      ...Object.getOwnPropertyNames(of.prototype),
    ]),
  ),
];
/** Those that every plain object answers to. */
const inherited = builtInNames.filter((name) => name in {});

function everySchemaIn(schema: TSchema): TSchema[] {
  return [
    schema,
    ...['anyOf', 'allOf', 'items', 'properties', 'patternProperties'].flatMap((part) => schemasIn(schema[part]).flatMap(everySchemaIn)),
  ];
}

/** A schema, or those in a list or an object of schemas. */
function schemasIn(value: unknown): TSchema[] {
  if (TypeGuard.IsSchema(value)) return [value];
  return typeof value === 'object' && value !== null ? Object.values(value).filter((one): one is TSchema => TypeGuard.IsSchema(one)) : [];
}

/** A value with one of its texts or keys replaced. */
function withText(value: Json, at: number, text: string): { readonly value: Json; readonly seen: number } {
  let seen = 0;
  const put = (old: string): string => (seen++ === at ? text : old);
  const walk = (one: Json): Json => {
    if (typeof one === 'string') return put(one);
    if (isJsonList(one)) return one.map(walk);
    if (!isJsonObject(one)) return one;
    return Object.fromEntries(Object.entries(one).map(([key, inner]) => [put(key), walk(inner)]));
  };
  return { value: walk(value), seen };
}

describe('names that objects inherit', () => {
  it('are known: there are some, and none is a key of a record', () => {
    expect(inherited).toEqual(expect.arrayContaining(['constructor', 'toString', '__proto__', 'hasOwnProperty']));
    const records = [AircraftSchema, PartSchema, EditSchema].flatMap(everySchemaIn).filter((schema) => TypeGuard.IsRecord(schema));
    expect(records.length).toBeGreaterThan(8);
    for (const record of records) {
      const [pattern = ''] = Object.keys(record.patternProperties);
      expect(inherited.filter((name) => new RegExp(pattern).test(name))).toEqual([]);
    }
  });

  it('are no ids, in whichever edit: nothing is added, removed or named under them', () => {
    for (const [kind, { schema }] of editKinds) {
      for (const one of everySchemaIn(schema)) {
        const pattern: unknown = one['pattern'];
        // Texts that are held to a pattern are names and times; free texts may be anything.
        if (typeof pattern === 'string') expect([kind, inherited.filter((name) => new RegExp(pattern).test(name))]).toEqual([kind, []]);
      }
    }
    for (const name of inherited) expect(hasShape(EditSchema, { kind: 'undo', of: name })).toBe(false);
  });

  it('anywhere in an aircraft file: refused in a sentence, or an aircraft that can be read, checked, edited and written', () => {
    const file = jsonOf(JSON.parse(writeAircraftFile(demoDesign())));
    const aircraft = isJsonObject(file) ? file['aircraft'] : undefined;
    if (!isJsonObject(file) || aircraft === undefined) throw new Error('The file holds no aircraft.');
    const places = withText(aircraft, -1, '').seen;
    const outcomes = { refused: 0, read: 0 };
    fc.assert(
      fc.property(fc.nat(places - 1), fc.constantFrom(...builtInNames), (at, name) => {
        const read = readAircraftValue({ ...file, aircraft: withText(aircraft, at, name).value });
        outcomes['sentence' in read ? 'refused' : 'read'] += 1;
        if ('sentence' in read) return expect(read.sentence).toMatch(/[.!]$/);
        const { design } = read;
        expect(integrityOf(design)).toEqual([]);
        findingsOf(design);
        const renamed = applyEdit(design, { kind: 'set-aircraft-name', name: 'Renamed', was: design.aircraft.name });
        if ('refused' in renamed) throw new Error(renamed.refused.sentence);
        const undone = applyEdit(renamed.design, { kind: 'undo', of: asId<EditId>('e') }, () => renamed.inverse);
        expect('design' in undone).toBe(true);
        expect('design' in readAircraftValue(JSON.parse(writeAircraftFile(design)))).toBe(true);
      }),
      { numRuns: 400 },
    );
    expect(Math.min(outcomes.refused, outcomes.read)).toBeGreaterThan(0);
  });

  it('in the place of every id of an aircraft, key and mentions alike: refused', () => {
    const text = writeAircraftFile(demoDesign());
    const ids = Object.values(demoDesign().aircraft.items).map(({ id }) => id);
    for (const name of inherited) {
      for (const id of ids.slice(0, 3)) {
        const read = readAircraftValue(JSON.parse(text.replaceAll(`"${id}"`, `"${name}"`)));
        expect('sentence' in read).toBe(true);
      }
    }
  });
});
