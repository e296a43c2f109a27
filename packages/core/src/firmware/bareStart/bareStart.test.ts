import { describe, expect, it } from '@jest/globals';
import { demoAircraft } from '../../demo/demoAircraft.ts';
import { sampleDialects, dialectCatalogue } from '../../dialects/sampleDialects.ts';
import { integrityOf } from '../../edits/integrity.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { AircraftSchema } from '../../model/aircraft.ts';
import { dialectKeyOf } from '../../model/contentHash.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import type { Part } from '../../model/part.ts';
import { shapeProblems } from '../../model/shape.ts';
import { catalogue } from '../../parts/catalogue.ts';
import { countingIds, made } from '../../test/designs.ts';
import { configText } from '../configText.ts';
import { configurationOf } from '../configuration.ts';
import { driftOfText, OPEN_KINDS } from '../drift/driftOf.ts';
import { scopeOf } from '../scope.ts';
import { bareStart } from './bareStart.ts';

const library = { parts: catalogue, dialects: dialectCatalogue };
const cases = demoAircraft.flatMap(({ id, build }) =>
  sampleDialects.map((dialect) => {
    const design = build(asId<AircraftId>(id), countingIds(id));
    const key = dialectKeyOf(dialect);
    const was = design.aircraft.dialect;
    return [id, dialect.id, key === was ? design : made(design, { kind: 'set-dialect', dialect: key, was })] as const;
  }),
);

function begin(board: Part, dialect: string, dump: string) {
  const key = [...dialectCatalogue.keys()].find((one) => one.startsWith(`${dialect}@`));
  if (key === undefined) throw new Error('There is no such dialect.');
  return bareStart(library, { id: asId<AircraftId>('bare'), name: 'Bare', dialect: key, board, dump }, countingIds('b'));
}

describe.each(cases)('an aircraft begun with the dump of %s in %s', (_, dialect, design) => {
  const scope = scopeOf(graphOf(design));
  if (typeof scope === 'string') throw new Error(scope);
  const board = design.parts.get(scope.entry.item.part);
  if (board === undefined) throw new Error('The controller has no part.');
  const dump = configText(configurationOf(scope));
  const begun = begin(board, dialect, dump);

  it('has no drift against it, and holds together', () => {
    if ('sentence' in begun) throw new Error(begun.sentence);
    const own = scopeOf(graphOf(begun.design));
    if (typeof own === 'string') throw new Error(own);
    const open = driftOfText(configurationOf(own), dump).lines.filter(({ is }) => OPEN_KINDS.includes(is));
    expect(open.map(({ is, name }) => `${is} ${name}`)).toEqual([]);
    expect(shapeProblems(AircraftSchema, begun.design.aircraft)).toEqual([]);
    expect(integrityOf(begun.design)).toEqual([]);
  });

  it('says of each placeholder which line it was inferred from', () => {
    if ('sentence' in begun) throw new Error(begun.sentence);
    const lines = dump.split('\n');
    for (const { number, text } of begun.inferences) expect(lines[(number ?? 0) - 1]).toBe(text);
    const added = Object.values(begun.design.aircraft.items).filter(({ label }) => label === 'placeholder');
    expect(added).toHaveLength(begun.inferences.length);
    expect(added.length).toBeGreaterThan(3);
  });
});

describe('a bare start', () => {
  const [, , saltmarsh] = cases[0] ?? [];
  const board = [...(saltmarsh?.parts.values() ?? [])].find(({ board: traits }) => traits?.target === 'ESTUARY7');

  it('of nothing, or of a board that the dialect does not know, is a sentence', () => {
    if (board === undefined) throw new Error('There is no such board.');
    expect(begin(board, 'numbered-ports', ' \n')).toEqual({ sentence: 'There is nothing to read: the text is empty.' });
    const odd = { ...board, board: { banks: [], sensors: [], target: 'NOWHERE' } };
    expect(begin(odd, 'numbered-ports', 'P7.ROLE 31')).toEqual({ sentence: expect.stringContaining('does not know the board') });
  });

  it('counts what it does not understand', () => {
    if (board === undefined) throw new Error('There is no such board.');
    expect(begin(board, 'numbered-ports', 'WHAT.EVER 3\nP20.ROLE 31\n\u0007')).toMatchObject({ unknown: 1, bad: 1 });
  });
});
