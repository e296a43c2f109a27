import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { partProblems } from '../../graph/partProblems.ts';
import { asId, type PartId } from '../../model/ids.ts';
import { jsonAt, jsonOf, withJsonAt, type Json } from '../../model/json.ts';
import { PartSchema } from '../../model/part.ts';
import { hasShape, shapeProblems } from '../../model/shape.ts';
import { sampleParts } from '../catalogue.ts';
import { blankOf, formOf, type FormField } from './formOf.ts';
import { ownCopyOf } from './ownPart.ts';
import { withPinAdded, withPinMoved, withPinRemoved, withPortRenamed } from './pinDrafts.ts';

const gnss = sampleParts.find((part) => part.id === 'gnss-serial');
if (gnss === undefined) throw new Error('There is no such part.');
const draft: Json = jsonOf(gnss);

function problems(value: Json): readonly string[] {
  if (!hasShape(PartSchema, value)) return shapeProblems(PartSchema, value).map(({ path, message }) => `${path}: ${message}`);
  return partProblems(value);
}

describe('places in a draft', () => {
  it('are read, set and taken out without changing what was given', () => {
    const value: Json = { a: [{ b: 1 }, 2] };
    expect(jsonAt(value, ['a', 0, 'b'])).toBe(1);
    expect(jsonAt(value, ['a', 'b'])).toBeUndefined();
    expect(jsonAt(value, ['toString'])).toBeUndefined();
    expect(withJsonAt(value, ['a', 0, 'b'], 3)).toEqual({ a: [{ b: 3 }, 2] });
    expect(withJsonAt(value, ['a', 0], undefined)).toEqual({ a: [2] });
    expect(withJsonAt(value, ['a', 0, 'b'], undefined)).toEqual({ a: [{}, 2] });
    expect(withJsonAt(value, ['c', 'd'], 'x')).toEqual({ a: [{ b: 1 }, 2], c: { d: 'x' } });
    expect(value).toEqual({ a: [{ b: 1 }, 2] });
  });
});

describe('the pins of a draft', () => {
  it('move with everything that names them', () => {
    const moved = withPinMoved(draft, 0, 0, 3);
    expect(problems(moved)).toEqual([]);
    expect(jsonAt(moved, ['ports', 0, 'pins', 3, 'role'])).toBe('supply-in');
    expect(jsonAt(moved, ['endpoints', 0, 'tx'])).toBe('UART.1');
    expect(JSON.stringify(jsonAt(moved, ['circuit']))).toContain('"supply":"UART.4"');
  });

  it('are where they were after a move and its opposite, in every sample', () => {
    fc.assert(
      fc.property(fc.nat(sampleParts.length - 1), fc.nat(59), fc.nat(59), fc.nat(59), (which, p, from, to) => {
        const part = sampleParts[which] ?? gnss;
        const one: Json = jsonOf(part);
        const port = p % part.ports.length;
        const count = part.ports[port]?.pins.length ?? 1;
        const there = withPinMoved(one, port, from % count, to % count);
        expect(problems(there)).toEqual([]);
        expect(withPinMoved(there, port, to % count, from % count)).toEqual(one);
      }),
      { numRuns: 150 },
    );
  });

  it('follow a port to its new name', () => {
    const renamed = withPortRenamed(draft, 0, 'J1');
    expect(problems(renamed)).toEqual([]);
    expect(jsonAt(renamed, ['endpoints', 0, 'rx'])).toBe('J1.3');
    // The endpoint happens to have the same name; that is not a pin.
    expect(jsonAt(renamed, ['endpoints', 0, 'id'])).toBe('UART');
  });

  it('are told to be missing where one is taken out that something names', () => {
    const removed = withPinRemoved(draft, 0, 1);
    expect(problems(removed)).toContain('The endpoint "UART" uses the pin UART.99, which does not exist.');
    expect(jsonAt(removed, ['endpoints', 0, 'rx'])).toBe('UART.2');
    expect(jsonAt(withPinAdded(draft, 0), ['ports', 0, 'connector', 'positions'])).toBe(5);
    expect(problems(withPinAdded(draft, 0))).toEqual([]);
    expect(problems(withPinRemoved(withPinAdded(draft, 0), 0, 4))).toEqual([]);
  });

  it('leave a draft alone that has no such port', () => {
    for (const odd of [null, 3, [], { ports: 'none' }]) {
      expect(withPinMoved(odd, 0, 0, 1)).toEqual(odd);
      expect(withPinAdded(odd, 0)).toEqual(odd);
      expect(withPinRemoved(odd, 0, 0)).toEqual(odd);
    }
  });
});

describe('a copy of one’s own', () => {
  it('is the part under another id, as of the workshop', () => {
    const own = ownCopyOf(gnss, asId<PartId>('p1'));
    expect(own).toEqual({ ...gnss, id: 'p1', name: 'GNSS receiver, serial, own', source: 'workshop' });
    expect(ownCopyOf(own, asId<PartId>('p2')).name).toBe(own.name);
    expect(ownCopyOf({ ...gnss, name: 'x'.repeat(80) }, asId<PartId>('p3')).name).toHaveLength(80);
  });
});

describe('a place without its shape', () => {
  it('is found inside the element that the value says it is', () => {
    const odd = withJsonAt(draft, ['circuit', 0, 'idleA'], 'much');
    expect(shapeProblems(PartSchema, odd)[0]?.path).toBe('/circuit/0/idleA');
  });
});

describe('the form of a part', () => {
  const form = formOf(PartSchema);
  const memberOf = (field: FormField | undefined, name: string): FormField | undefined =>
    field?.is === 'group' ? field.members.find((member) => member.name === name)?.field : undefined;
  const listOf = (name: string): FormField | undefined => {
    const field = memberOf(form, name);
    return field?.is === 'list' ? field.of : undefined;
  };

  it('has a place for every member of every kind of element and endpoint', () => {
    for (const name of ['circuit', 'endpoints'] as const) {
      const of = listOf(name);
      if (of?.is !== 'kinds') throw new Error(`There are no kinds of ${name}.`);
      for (const part of sampleParts) {
        for (const entry of part[name]) {
          const kind = of.kinds.get(entry.is);
          for (const member of Object.keys(entry))
            expect([entry.is, member, memberOf(kind, member) !== undefined]).toEqual([entry.is, member, true]);
        }
      }
    }
  });

  it('knows what is a pin, a node, a number that a setting may choose, and a list of plain entries', () => {
    const [circuit, endpoints] = [listOf('circuit'), listOf('endpoints')];
    const load = circuit?.is === 'kinds' ? circuit.kinds.get('load') : undefined;
    const uart = endpoints?.is === 'kinds' ? endpoints.kinds.get('uart') : undefined;
    expect(memberOf(load, 'supply')).toEqual({ is: 'node' });
    expect(memberOf(load, 'idleA')?.is).toBe('parameter');
    expect(memberOf(uart, 'tx')).toEqual({ is: 'pin' });
    expect(memberOf(uart, 'duplex')).toEqual({ is: 'choice', values: ['full', 'single-wire', 'rx-only', 'tx-only'] });
    const offers = memberOf(uart, 'speaks');
    expect(offers?.is === 'list' ? memberOf(offers.of, 'bauds') : undefined).toEqual({ is: 'words', of: { is: 'number', isWhole: true } });
    expect(memberOf(form, 'sizeMm')).toMatchObject({ is: 'row', of: [{ is: 'number' }, { is: 'number' }, { is: 'number' }] });
  });

  it('starts each kind with a blank that is told where it is not filled in', () => {
    const of = listOf('circuit');
    const blank = of?.is === 'kinds' ? blankOf(of.kinds.get('regulator') ?? of) : null;
    expect(blank).toMatchObject({ is: 'regulator', topology: 'buck', in: '', setV: 0 });
    const odd = withJsonAt(draft, ['circuit'], [blank]);
    expect(shapeProblems(PartSchema, odd, 9).map(({ path }) => path)).toContain('/circuit/0/in');
  });
});
