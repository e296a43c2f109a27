import { hiddenTextIn, textProblem } from './plainText.ts';
import { expect, describe, it } from '@jest/globals';
import fc from 'fast-check';
import { canonicalJson, sameJson } from './canonicalJson.ts';
import { connectorsMate, mateOf } from './connector.ts';
import { partKeyOf } from './contentHash.ts';
import { asId, ItemIdSchema, type PartId } from './ids.ts';
import { migrate, type Migration } from '../formats/migrations.ts';
import { byNatural, naturalOrder } from './naturalOrder.ts';
import { PartSchema, type Part } from './part.ts';
import { resolvePart } from './resolvePart.ts';
import { settingsOf, settingTakes } from './settingsOf.ts';
import { hasShape } from './shape.ts';
import { sampleParts } from '../parts/catalogue.ts';

describe('natural order', () => {
  it('reads numbers as numbers', () => {
    const refs = ['GNSS10', 'W11', 'GNSS2', 'W02', 'FC1'];
    expect(refs.sort(byNatural((ref) => ref))).toEqual(['FC1', 'GNSS2', 'GNSS10', 'W02', 'W11']);
  });

  it('is a total order: antisymmetric, transitive, and zero for equal texts only', () => {
    const text = fc.stringMatching(/^[A-Z]{0,3}[0-9]{0,4}[a-z]?$/);
    fc.assert(
      fc.property(text, text, text, (a, b, c) => {
        expect(Math.sign(naturalOrder(a, b))).toBe(-Math.sign(naturalOrder(b, a)) + 0);
        expect(naturalOrder(a, b) === 0).toBe(a === b);
        if (naturalOrder(a, b) < 0 && naturalOrder(b, c) < 0) expect(naturalOrder(a, c)).toBeLessThan(0);
      }),
    );
  });
});

describe('canonical JSON', () => {
  it('does not depend on the order of keys, and drops undefined members', () => {
    expect(canonicalJson({ b: 1, a: { d: undefined, c: [2, { z: 1, y: 2 }] } })).toBe('{"a":{"c":[2,{"y":2,"z":1}]},"b":1}');
  });

  it('compares values', () => {
    fc.assert(fc.property(fc.jsonValue(), (value) => sameJson(value, JSON.parse(JSON.stringify(value)))));
    expect(sameJson({ a: 1 }, { a: 2 })).toBe(false);
    expect(sameJson(undefined, null)).toBe(false);
  });

  it('writes minus zero as zero', () => {
    expect(canonicalJson(-0)).toBe('0');
  });
});

describe('ids', () => {
  it.each(['__proto__', 'constructor ', '', 'a b', '<b>', '?1', 'x'.repeat(41)])('refuses %j', (text) => {
    expect(hasShape(ItemIdSchema, text)).toBe(false);
  });
});

describe('connectors', () => {
  it('mate with what goes onto them, and not with another number of positions', () => {
    for (const gender of ['plug', 'socket', 'pins', 'pads'] as const) {
      const connector = { family: 'pin-2.54', positions: 3, gender } as const;
      expect(connectorsMate(connector, mateOf(connector))).toBe(true);
      expect(connectorsMate(connector, { ...mateOf(connector), positions: 4 })).toBe(false);
      expect(connectorsMate(connector, { ...mateOf(connector), family: 'XT60' })).toBe(false);
    }
    expect(connectorsMate({ family: 'XT60', positions: 2, gender: 'plug' }, { family: 'XT60', positions: 2, gender: 'plug' })).toBe(false);
  });
});

describe('part keys', () => {
  it('change with the content and with nothing else', () => {
    const [part] = sampleParts;
    if (part === undefined) throw new Error('The catalogue is empty.');
    const copy: unknown = JSON.parse(canonicalJson(part));
    if (!hasShape(PartSchema, copy)) throw new Error('A part that is copied is a part.');
    expect(partKeyOf(copy)).toBe(partKeyOf(part));
    expect(partKeyOf({ ...part, massG: part.massG + 1 })).not.toBe(partKeyOf(part));
  });
});

const selectable: Part = {
  id: asId<PartId>('selectable'),
  kind: 'regulator',
  name: 'Selectable',
  summary: '',
  massG: 1,
  sizeMm: [1, 1, 1],
  source: 'workshop',
  settings: [
    {
      is: 'choice',
      id: 'volts',
      label: 'Volts',
      choices: [
        { value: '5', label: '5 V' },
        { value: '6', label: '6 V' },
      ],
      default: '5',
    },
    {
      is: 'choice',
      id: 'port',
      label: 'Port',
      choices: [
        { value: 'uart', label: 'UART' },
        { value: 'i2c', label: 'I2C' },
      ],
      default: 'uart',
    },
    { is: 'number', id: 'ohm', label: 'Pull-up', min: 1000, max: 10_000, default: 2200 },
  ],
  ports: [
    {
      id: 'P',
      label: 'P',
      connector: { family: 'locking-1.25', positions: 2, gender: 'socket' },
      pins: [
        { n: 1, label: 'TX', role: 'tx', becomes: [{ when: { setting: 'port', in: ['i2c'] }, role: 'sda', label: 'SDA' }] },
        { n: 2, label: 'RX', role: 'rx', becomes: [{ when: { setting: 'port', in: ['i2c'] }, role: 'scl', label: 'SCL' }] },
      ],
    },
  ],
  circuit: [
    {
      is: 'link',
      id: 'shunt',
      a: '@a',
      b: '@b',
      ohm: {
        fromSetting: 'volts',
        values: [
          { is: '5', gives: 0.1 },
          { is: '6', gives: 0.2 },
        ],
      },
    },
    { is: 'link', id: 'only-six', when: { setting: 'volts', in: ['6'] }, a: '@a', b: '@c', ohm: 0 },
  ],
  endpoints: [
    {
      is: 'i2c-host',
      id: 'bus',
      when: { setting: 'port', in: ['i2c'] },
      sda: 'P.1',
      scl: 'P.2',
      pullUpOhm: { fromSetting: 'ohm' },
      capacitancePf: 10,
    },
  ],
  routes: [],
};

describe('resolvePart', () => {
  it('applies defaults', () => {
    const part = resolvePart(selectable, {});
    expect(part.circuit).toEqual([{ is: 'link', id: 'shunt', a: '@a', b: '@b', ohm: 0.1 }]);
    expect(part.endpoints).toEqual([]);
    expect(part.ports[0]?.pins.map((pin) => pin.role)).toEqual(['tx', 'rx']);
  });

  it('switches elements, endpoints, pin roles and numbers by settings', () => {
    const part = resolvePart(selectable, { volts: '6', port: 'i2c', ohm: 4700 });
    expect(part.circuit.map((element) => element.id)).toEqual(['shunt', 'only-six']);
    expect(part.circuit[0]).toMatchObject({ ohm: 0.2 });
    expect(part.endpoints[0]).toMatchObject({ is: 'i2c-host', pullUpOhm: 4700 });
    expect(part.ports[0]?.pins).toEqual([
      { n: 1, label: 'SDA', role: 'sda' },
      { n: 2, label: 'SCL', role: 'scl' },
    ]);
  });

  it('ignores settings that the part does not have, and gives one object for equal settings', () => {
    expect(resolvePart(selectable, { nonsense: 1 })).toBe(resolvePart(selectable, {}));
    expect(resolvePart(selectable, { volts: '6' })).not.toBe(resolvePart(selectable, {}));
  });

  it('knows what a setting takes', () => {
    const specs = settingsOf(selectable);
    const takes = (id: string, value: unknown): boolean => specs.some((spec) => spec.id === id && settingTakes(spec, value));
    expect(takes('volts', '6')).toBe(true);
    expect(takes('volts', 6)).toBe(false);
    expect(takes('ohm', 999)).toBe(false);
    expect(takes('ohm', 1000)).toBe(true);
  });
});

describe('migrate', () => {
  const rename: Migration = { to: 2, title: 'title becomes name', migrate: ({ title, ...rest }) => ({ ...rest, name: title }) };
  const shout: Migration = {
    to: 3,
    title: 'names are loud',
    migrate: (document) => ({ ...document, name: String(document['name']).toUpperCase() }),
  };

  it('runs what is newer than the document, in order, and says what it did', () => {
    expect(migrate({ schema: 1, title: 'a' }, [rename, shout], 3)).toEqual({
      is: 'migrated',
      document: { schema: 3, name: 'A' },
      steps: ['title becomes name', 'names are loud'],
    });
    expect(migrate({ schema: 2, name: 'a' }, [rename, shout], 3)).toMatchObject({
      document: { schema: 3, name: 'A' },
      steps: ['names are loud'],
    });
  });

  it('refuses a newer document, and one without a version', () => {
    expect(migrate({ schema: 4 }, [], 3)).toMatchObject({ is: 'newer', sentence: expect.stringContaining('schema 4') });
    for (const schema of [undefined, '1', 0, 1.5, null]) expect(migrate({ schema }, [], 3).is).toBe('no-version');
  });
});

describe('plain text', () => {
  it.each([
    ['I < 3 A and 2 > 1', undefined],
    ['two lines\nand a\ttab', undefined],
    ['umlaut ä, 5 µF, 3 Ω', undefined],
    ['<b>bold</b>', 'markup'],
    ['</script', 'markup'],
    ['bell\u0007', 'cannot be seen'],
    ['turned \u202E round', 'cannot be seen'],
    ['zero \u200B width', 'cannot be seen'],
  ])('%j', (text, problem) => {
    expect(textProblem(text) ?? 'plain').toContain(problem ?? 'plain');
  });

  it('is looked for all the way down, in keys too, and the first place is named', () => {
    expect(hiddenTextIn({ a: [{ b: 'fine' }, { c: 'x\u0000' }] })?.path).toBe('/a/1/c');
    expect(hiddenTextIn({ a: { 'x\u202E': 1 } })?.path).toBe('/a');
    expect(hiddenTextIn([1, null, true, 'plain'])).toBeUndefined();
  });
});
