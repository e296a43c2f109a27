import { describe, expect, it } from '@jest/globals';
import { airframeKinds } from '../model/airframes.ts';
import { dialectKeyOf } from '../model/contentHash.ts';
import { DialectSchema, type Dialect } from '../model/dialect.ts';
import { flightModes } from '../model/flightModes.ts';
import { mountings } from '../model/mounting.ts';
import { outputFunctions } from '../model/outputFunctions.ts';
import { PROTOCOL_IDS } from '../model/protocolIds.ts';
import { shapeProblems } from '../model/shape.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { boardNamed, boardOf } from './boardOf.ts';
import { dialectProblems } from './dialectProblems.ts';
import { dialectKeyFrom } from './dialectRef.ts';
import { numbered } from './numbered.ts';
import { dialectCatalogue, firstDialect, sampleDialects } from './sampleDialects.ts';

const controllers = sampleParts.filter((part) => part.kind === 'controller');

/** Every sample dialect with every controller of the catalogue. */
const pairs = sampleDialects.flatMap((dialect) => controllers.map((part) => [dialect.id, part.id, dialect, part] as const));

describe.each(sampleDialects.map((dialect) => [dialect.id, dialect] as const))('the dialect %s', (_, dialect: Dialect) => {
  it('has its shape and holds together', () => {
    expect(shapeProblems(DialectSchema, dialect)).toEqual([]);
    expect(dialectProblems(dialect)).toEqual([]);
  });

  it('knows every role and function, every way to lie on a face or a side, and every baud that a controller offers', () => {
    expect(PROTOCOL_IDS.filter((id) => dialect.roles[id] === undefined)).toEqual([]);
    expect(outputFunctions.filter((id) => dialect.functions[id] === undefined)).toEqual([]);
    expect(mountings.filter((id) => !id.startsWith('pitch') && dialect.orientations[id] === undefined)).toEqual([]);
    const bauds = controllers.flatMap((part) =>
      part.endpoints.flatMap((endpoint) => (endpoint.is === 'uart' ? endpoint.speaks.flatMap(({ bauds: some }) => some) : [])),
    );
    expect([...new Set(bauds)].filter((baud) => dialect.bauds[String(baud)] === undefined)).toEqual([]);
  });

  it('numbers as many lift motors as the airframe has functions for, each in a place of its own', () => {
    for (const kind of ['quad', 'hexa', 'lift-and-cruise'] as const) {
      const motors = dialect.motors[kind] ?? [];
      expect(new Set(motors.map(({ place }) => place)).size).toBe(kind === 'hexa' ? 6 : 4);
      // The turns of all of them cancel out.
      expect(motors.filter(({ turns }) => turns === 'clockwise')).toHaveLength(motors.length / 2);
    }
  });

  it('keeps for motors only outputs that the board has, and says a mode for hands, for levelling and for the way back', () => {
    for (const part of controllers) {
      const outputs = part.endpoints.flatMap((endpoint) => (endpoint.is === 'pulse-out' ? [endpoint.id] : []));
      const reserved = airframeKinds.flatMap((kind) => boardOf(dialect, part)?.reserved?.[kind] ?? []);
      expect(reserved.filter((output) => !outputs.includes(output))).toEqual([]);
    }
    expect(flightModes.filter((mode) => dialect.modes[mode] !== undefined)).toEqual(
      expect.arrayContaining(['manual', 'self-level', 'return', 'hover-level']),
    );
  });
});

describe.each(pairs)('%s on %s', (_, __, dialect: Dialect, part) => {
  it('has an index for every serial port and output, each once, and none for what the board does not have', () => {
    const board = boardOf(dialect, part);
    const ids = (is: 'uart' | 'pulse-out') => part.endpoints.flatMap((endpoint) => (endpoint.is === is ? [endpoint.id] : []));
    for (const [table, wanted] of [
      [board?.serial, ids('uart')],
      [board?.outputs, ids('pulse-out')],
    ] as const) {
      expect(Object.keys(table ?? {}).sort()).toEqual([...wanted].sort());
      expect(new Set(Object.values(table ?? {})).size).toBe(wanted.length);
    }
  });

  it('does not count ports by the numbers of the chip', () => {
    const serial = boardOf(dialect, part)?.serial ?? {};
    const same = part.endpoints.filter(
      (endpoint) =>
        endpoint.is === 'uart' && endpoint.names.chip !== undefined && endpoint.names.chip.replace(/\D/g, '') === serial[endpoint.id],
    );
    expect(same).toEqual([]);
  });
});

describe('a board that is like another', () => {
  const boards: Dialect['boards'] = {
    A: { title: 'a', serial: { S1: '7' }, outputs: { o1: '1' } },
    B: { title: 'b', like: 'A', outputs: { o1: '9' } },
    C: { title: 'c', like: 'B' },
  };

  it('has its tables where it has none of its own, through several', () => {
    expect(boardNamed({ ...numbered, boards }, 'C')).toEqual({ title: 'c', serial: { S1: '7' }, outputs: { o1: '9' } });
    expect(boardNamed({ ...numbered, boards }, 'D')).toBeUndefined();
    expect(boardNamed({ ...numbered, boards }, 'constructor')).toBeUndefined();
  });

  it('in a loop or like nothing is a problem, and reading it ends', () => {
    const loop = { ...numbered, boards: { A: { title: 'a', like: 'B' }, B: { title: 'b', like: 'A' } } };
    expect(dialectProblems(loop)).toEqual(['Boards go round in a loop: A is like B is like A.']);
    expect(boardNamed(loop, 'A')).toEqual({ title: 'a' });
    const lost = { ...numbered, boards: { A: { title: 'a', like: 'Z' } } };
    expect(dialectProblems(lost)).toEqual(['Board A is like Z, which the dialect does not have.']);
  });
});

describe('problems of a dialect', () => {
  it.each<[string, Partial<Dialect>, string]>([
    [
      'one index for two ports',
      { boards: { A: { title: 'a', serial: { S1: '7', S2: '7' } } } },
      'Board A: S1 and S2 have the same port index, 7.',
    ],
    [
      'one index for two outputs',
      { boards: { A: { title: 'a', outputs: { o1: '3', o2: '3' } } } },
      'Board A: o1 and o2 have the same output index, 3.',
    ],
    ['one code for two modes', { modes: { manual: { code: '4' }, rate: { code: '4' } } }, 'Modes manual and rate have the same code, 4.'],
    [
      'a scale of frames that falls',
      { frameScale: { low: { value: 1800, us: 1000 }, high: { value: 200, us: 2000 } } },
      'The scale of channel frames does not rise.',
    ],
    ['mode slots that fall', { modeSlotsUs: [1200, 1100] }, 'The mode slots do not rise: 1200 and 1100 us.'],
    [
      'one code for two actions',
      { failsafe: { delayS: 1, backBy: 'mode', actions: { return: { code: '3' }, circle: { code: '3' } } } },
      'Actions return and circle have the same code, 3.',
    ],
    ['one code for two bauds', { bauds: { '4800': '1', '9600': '1' } }, 'Baud rates 4800 and 9600 have the same code, 1.'],
    ['a scale that falls', { rcScaleUs: { least: 2000, middle: 1500, most: 1000 } }, 'The RC scale does not rise: 2000, 1500, 1000 us.'],
    [
      'two limits of one thing',
      {
        limits: [
          { of: 'servos', most: 1, sentence: 'One.' },
          { of: 'servos', most: 2, sentence: 'Two.' },
        ],
      },
      'There are 2 limits of servo outputs; there must be one.',
    ],
    [
      'a rule about a role that it has not',
      { roles: {}, refusals: [{ is: 'once', role: 'sbus', sentence: 'Once.' }] },
      '"Once." is about sbus, which has no role code.',
    ],
  ])('%s is told with its place', (_, change, sentence) => {
    expect(dialectProblems({ ...numbered, ...change })).toEqual([sentence]);
  });
});

describe('the key of a dialect', () => {
  it('is what documents name; an id of schema 9 means the sample, or a dialect that nobody has', () => {
    expect(dialectKeyFrom('role-table')).toBe(dialectKeyOf(sampleDialects[1]));
    expect(dialectKeyFrom(firstDialect)).toBe(firstDialect);
    expect(dialectCatalogue.has(dialectKeyFrom('mine'))).toBe(false);
  });
});
