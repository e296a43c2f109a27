import { describe, expect, it } from '@jest/globals';
import { numbered } from '../dialects/numbered.ts';
import { roleTable } from '../dialects/roleTable.ts';
import { graphOf } from '../graph/graphOf.ts';
import { saltmarsh } from '../demo/saltmarsh.ts';
import { dialectKeyOf } from '../model/contentHash.ts';
import type { Dialect } from '../model/dialect.ts';
import { asId, type AircraftId } from '../model/ids.ts';
import { countingIds, demoDesign, itemOf, made } from '../test/designs.ts';
import { dialectDifferences } from './dialectDifferences.ts';
import { dialectTables } from './dialectTables.ts';

describe('a dialect as tables', () => {
  const tables = dialectTables(numbered);
  const rowsOf = (id: string) => tables.find((table) => table.id === id)?.rows ?? [];

  it('holds every board, every code and every rule, each once', () => {
    expect(
      tables
        .filter(({ id }) => id.startsWith('board-'))
        .map(({ id }) => id.slice(6))
        .sort(),
    ).toEqual(Object.keys(numbered.boards).sort());
    expect(rowsOf('board-PLOVER4')).toContainEqual(['serial port', 'S4', '17']);
    expect(rowsOf('board-TEAL7')).toContainEqual(['reserved for motors: quad, X', 'out1 out2 out3 out4', '']);
    expect(rowsOf('roles')).toContainEqual(['SBUS', '17', 'sticks, inverted frames', '100000']);
    expect(rowsOf('bauds')[0]).toEqual(['4800', '5']);
    expect(rowsOf('rules').map(([, , words]) => words)).toEqual(
      expect.arrayContaining([...numbered.limits, ...numbered.refusals].map(({ sentence }) => sentence)),
    );
  });

  it('leaves a column out that says nothing', () => {
    expect(tables.find(({ id }) => id === 'functions')?.columns).toEqual(['Function', 'Code']);
    expect(tables.find(({ id }) => id === 'modes')?.columns).toEqual(['Mode', 'Code', 'Name']);
  });
});

describe('what another dialect writes in another way', () => {
  it('is each serial port, each output in use, its function, and the sticks; nothing for the same', () => {
    const demo = demoDesign();
    const design = made(demo, {
      kind: 'set-output-function',
      item: itemOf(demo, 'FC1').id,
      output: 'out3',
      function: 'elevon-left',
      was: null,
    });
    const graph = graphOf(design);
    expect(dialectDifferences(graph, numbered)).toEqual([]);
    const found = dialectDifferences(graph, roleTable);
    expect(found.map(({ what }) => what)).toEqual([
      'FC1 S1',
      'FC1 S3',
      'FC1 S4',
      'FC1 S2 rc in',
      'FC1 S5',
      'FC1 S6',
      'FC1 out3',
      'left elevon',
      'pitch channel rises on',
      'RC scale, us',
      'manual: sticks to surfaces',
      'self-level: sticks set the attitude',
      'altitude hold',
    ]);
    expect(found).toContainEqual({ what: 'FC1 out3', was: '30', now: 'b1' });
    expect(found).toContainEqual({ what: 'left elevon', was: '321', now: 'wing.left' });
    expect(dialectDifferences(graph, { ...numbered, boards: {} })).toContainEqual({ what: 'FC1 S4', was: '17', now: undefined });
  });
});

describe('a newer revision of the dialect', () => {
  it('is adopted with every setting and output as a person made them, and taken back', () => {
    const demo = saltmarsh(asId<AircraftId>('saltmarsh'), countingIds());
    // It no longer knows a function that is in use, and writes a port otherwise.
    const { 'flap-left': _gone, ...functions } = numbered.functions;
    const h7 = numbered.boards['ESTUARY7'];
    if (h7 === undefined) throw new Error('The board is not there.');
    const newer: Dialect = {
      ...numbered,
      functions,
      boards: { ...numbered.boards, ESTUARY7: { ...h7, serial: { ...h7.serial, A: '97' } } },
    };
    const design = { ...demo, dialects: new Map([...demo.dialects, [dialectKeyOf(newer), newer]]) };
    expect(dialectDifferences(graphOf(design), newer)).toEqual([
      { what: 'FC1 link A', was: '26', now: '97' },
      { what: 'left flap', was: '361', now: undefined },
    ]);
    const was = design.aircraft.dialect;
    const adopted = made(design, { kind: 'set-dialect', dialect: dialectKeyOf(newer), was });
    expect({ ...adopted.aircraft, dialect: was }).toEqual(design.aircraft);
    expect(made(adopted, { kind: 'set-dialect', dialect: was, was: dialectKeyOf(newer) }).aircraft).toEqual(design.aircraft);
  });
});
