import { describe, expect, it } from '@jest/globals';
import { outputKey } from '../model/outputPlan.ts';
import { asId, type CableId, type EditId } from '../model/ids.ts';
import type { Design } from '../model/design.ts';
import { cableOf, demoDesign, itemOf, made } from '../test/designs.ts';
import { applyEdit, putBack, titleOf } from './applyEdit.ts';
import { placeInWords } from './placeInWords.ts';
import type { Change } from './changes.ts';
import type { Edit, PutBack } from './registry.ts';

const demo = demoDesign();
const fc1 = itemOf(demo, 'FC1');
const srv1 = itemOf(demo, 'SRV1');
const w10 = cableOf(demo, 'W10');
const undo: Edit = { kind: 'undo', of: asId<EditId>('e1') };

function inverse(...changes: readonly Change[]): PutBack {
  return { kind: 'put-back', title: 'Label FC1', changes };
}

function refusalOf(design: Design, back: PutBack) {
  const outcome = putBack(design, back);
  return 'refused' in outcome ? outcome.refused : undefined;
}

describe('an undo', () => {
  it('without a journal, and of an edit that the journal does not have, is refused with that reason', () => {
    expect(applyEdit(demo, undo)).toMatchObject({ refused: { code: 'unknown-edit' } });
    const refused = { refused: { code: 'unknown-edit', sentence: 'Nothing of that name.', about: [] } } as const;
    expect(applyEdit(demo, undo, () => refused)).toBe(refused);
  });

  it('is called by the title of what it undoes, and before it is made, undo', () => {
    const label = inverse({ path: ['items', fc1.id, 'label'], was: 'flight controller', now: 'mine' });
    expect(applyEdit(demo, undo, () => label)).toMatchObject({ title: 'Label FC1' });
    expect(titleOf(demo, undo)).toBe('Undo');
  });

  it('that would leave a record out of shape is refused, and the record stays', () => {
    const back = inverse({ path: ['items', fc1.id, 'ref'], was: 'FC1', now: 7 });
    expect(refusalOf(demo, back)).toMatchObject({ code: 'changed-since', sentence: expect.stringContaining('have changed since') });
  });

  it('is not blamed for what was wrong before, and is for what it adds', () => {
    const twin = { ...w10, id: asId<CableId>('twin'), tag: 'W77' };
    const wrong: Design = { ...demo, aircraft: { ...demo.aircraft, cables: { ...demo.aircraft.cables, [twin.id]: twin } } };
    const touching = inverse({ path: ['cables', w10.id, 'label'], now: 'to the radio' });
    expect(refusalOf(demo, touching)).toBeUndefined();
    expect(refusalOf(wrong, touching)).toBeUndefined();
    const third = { ...w10, id: asId<CableId>('third'), tag: 'W78' };
    expect(refusalOf(wrong, inverse({ path: ['cables', third.id], now: third }))).toMatchObject({
      sentence: expect.stringContaining('W78'),
    });
  });
});

describe('a title', () => {
  it('is asked of the kind of edit, and of a batch itself', () => {
    const remove = { kind: 'remove-item', item: srv1.id } as const;
    expect(titleOf(demo, remove)).toContain('SRV1');
    expect(titleOf(demo, { kind: 'batch', title: 'Both', edits: [remove] })).toBe('Both');
  });
});

describe('the place of a change', () => {
  it('is named by what it belongs to', () => {
    const design = made(demo, {
      kind: 'set-output-function',
      item: fc1.id,
      output: 'out2',
      function: 'elevon-left',
      was: null,
    });
    const named = (...path: string[]) => placeInWords(design.aircraft, path);
    expect(named('items', srv1.id, 'label')).toBe('SRV1');
    expect(named('items', 'gone')).toBe('The item');
    expect(named('cables', w10.id)).toBe('W10');
    expect(named('cables', 'gone')).toBe('The cable');
    expect(named('linkages', srv1.id)).toBe('The linkage of SRV1');
    expect(named('linkages', 'gone')).toBe('The linkage');
    expect(named('outputs', outputKey(fc1.id, 'out2'))).toBe('An output of FC1');
    expect(named('banks', 'gone')).toBe('A bank');
    expect(named('outputs', 'gone')).toBe('An output');
    expect(named('rc', 'channels')).toBe('The RC plan');
    expect(named('toString')).toBe('The aircraft');
    expect(named()).toBe('The aircraft');
  });

  it('has words of its own for every member of the document', () => {
    const words = Object.keys(demo.aircraft).map((member) => placeInWords(demo.aircraft, [member]));
    expect(words.filter((text) => text === 'The aircraft')).toHaveLength(1);
    expect(new Set(words).size).toBe(words.length);
  });
});
