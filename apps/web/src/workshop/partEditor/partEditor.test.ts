import { describe, expect, it } from '@jest/globals';
import {
  asId,
  jsonAt,
  jsonOf,
  ownCopyOf,
  partKeyOf,
  sampleParts,
  withJsonAt,
  type Item,
  type Json,
  type Part,
  type PartId,
} from '@wired-falcon/core';
import { newerRevisions } from '../../session/workshopParts.ts';
import { draftProblems } from './draftProblems.ts';
import { entryWords, fieldWords, placeWords, problemWords } from './fieldWords.ts';
import { draftSteps, type DraftSteps } from './draftSteps.ts';

function sample(name: string): Part {
  const part = sampleParts.find((candidate) => candidate.name === name);
  if (part === undefined) throw new Error(`There is no sample "${name}".`);
  return part;
}

const own = ownCopyOf(sample('GNSS receiver, serial'), asId<PartId>('own-gnss'));

describe('words of a form', () => {
  it('names a member by what it is, with its unit behind it', () => {
    expect(fieldWords('inputMinV')).toBe('input min, V');
    expect(fieldWords('stallA')).toBe('stall, A');
    expect(fieldWords('maxBaud')).toBe('max baud');
    expect(fieldWords('tx')).toBe('TX');
    expect(fieldWords('V')).toBe('v');
    expect(fieldWords('constructor')).toBe('constructor');
  });

  it('names one entry of a list', () => {
    expect(['banks', 'entries', 'becomes'].map(entryWords)).toEqual(['bank', 'entry', 'become']);
  });

  it('names a place of the part, counted from one', () => {
    expect(placeWords('')).toBe('the part');
    expect(placeWords('/circuit/0/idleA')).toBe('circuit 1, idle, A');
    expect(placeWords('/ports/2/pins/11/label')).toBe('ports 3, pins 12, label');
  });

  it('says what is wrong with a value without the words of the checker', () => {
    expect(problemWords('Expected number')).toBe('is not a number');
    expect(problemWords("Expected string to match '^[a-z]$'")).toBe('is empty, or not a valid name');
    expect(problemWords('Expected number to be less or equal to 5')).toBe('should be number to be less or equal to 5');
  });
});

describe('what keeps a draft from being saved', () => {
  it('is nothing for a copy of any sample', () => {
    for (const part of sampleParts) {
      expect([part.name, draftProblems(jsonOf(ownCopyOf(part, asId<PartId>('own'))))]).toEqual([
        part.name,
        { sentences: [], byPath: new Map() },
      ]);
    }
  });

  it('is told at the field and as a sentence when a value has the wrong shape', () => {
    const { sentences, byPath } = draftProblems(withJsonAt(jsonOf(own), ['massG'], '31x'));
    expect(sentences).toEqual(['mass, g: is not a number.']);
    expect([...byPath]).toEqual([['/massG', 'is not a number']]);
  });

  it('is told by the rules of parts when the shape is right', () => {
    const draft = withJsonAt(jsonOf(own), ['circuit'], []);
    const { sentences, byPath } = draftProblems(draft);
    expect(byPath.size).toBe(0);
    expect(sentences.length).toBeGreaterThan(0);
    expect(sentences.join(' ')).toContain('UART');
  });
});

describe('the steps of a draft', () => {
  const typed = (steps: DraftSteps, words: readonly string[]): DraftSteps =>
    words.reduce((now, name) => draftSteps.change(now, withJsonAt(now.now, ['name'], name), '/name'), steps);
  const nameOf = (draft: Json): Json | undefined => jsonAt(draft, ['name']);

  it('takes what is typed on in one field back at once, and forth again', () => {
    const start = draftSteps.start(jsonOf(own));
    const after = typed(start, ['P', 'Pu', 'Puc', 'Puck']);
    expect(nameOf(after.now)).toBe('Puck');
    const back = draftSteps.undo(after);
    expect(nameOf(back.now)).toBe(own.name);
    expect(back.past).toHaveLength(0);
    expect(nameOf(draftSteps.redo(back).now)).toBe('Puck');
  });

  it('keeps two changes of lists apart, and forgets what was ahead after a new change', () => {
    const start = draftSteps.start(jsonOf(own));
    const once = draftSteps.change(start, withJsonAt(start.now, ['circuit'], []), '');
    const twice = draftSteps.change(once, withJsonAt(once.now, ['ports'], []), '');
    const back = draftSteps.undo(twice);
    expect(jsonAt(back.now, ['ports', 0])).toBeDefined();
    expect(jsonAt(back.now, ['circuit', 0])).toBeUndefined();
    expect(typed(back, ['Other']).future).toHaveLength(0);
  });

  it('has nothing before the first and behind the last step', () => {
    const start = draftSteps.start(jsonOf(own));
    expect(draftSteps.undo(start)).toBe(start);
    expect(draftSteps.redo(start)).toBe(start);
  });
});

describe('newer revisions', () => {
  const second: Part = { ...own, massG: own.massG + 1 };
  const item = (ref: string, part: Part): Item => ({ id: asId(ref), ref, part: partKeyOf(part), where: 'aircraft', settings: {} });

  it('are told by part, with the items that have an older one', () => {
    const known = new Map([own, second].map((part) => [partKeyOf(part), part] as const));
    const items = [item('GNSS1', own), item('GNSS2', second), item('GNSS3', own)];
    expect(newerRevisions(items, known, [second]).map(({ now, items: older }) => [now, older.map(({ ref }) => ref)])).toEqual([
      [partKeyOf(second), ['GNSS1', 'GNSS3']],
    ]);
    expect(newerRevisions(items, known, sampleParts)).toEqual([]);
  });
});
