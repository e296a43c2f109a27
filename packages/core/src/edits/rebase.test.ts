import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asId, type CableId, type ItemId } from '../model/ids.ts';
import type { Design } from '../model/design.ts';
import { cableOf, demoDesign, itemOf } from '../test/designs.ts';
import { applyEdit } from './applyEdit.ts';
import { rebaseEdit, type Renaming } from './rebase.ts';
import type { Edit, SimpleEdit } from './registry.ts';

const demo = demoDesign();

function addition(id: string, ref: string): SimpleEdit {
  const { label: _label, ...servo } = itemOf(demo, 'SRV1');
  return { kind: 'add-item', item: { ...servo, id: asId<ItemId>(id), ref } };
}

function cable(id: string, tag: string): SimpleEdit {
  const w10 = cableOf(demo, 'W10');
  const nodes = Object.fromEntries(
    Object.entries(w10.nodes).map(([key, node]) => [key, node.is === 'end' ? { ...node, at: { is: 'free' as const } } : node]),
  );
  return { kind: 'add-cable', cable: { ...w10, id: asId<CableId>(id), tag, nodes } };
}

const batch = (title: string, ...edits: SimpleEdit[]): Edit => ({ kind: 'batch', title, edits });

/** Makes a queue ready for a design and makes it, as a window does; throws when an edit is refused. */
function made(design: Design, queue: readonly Edit[]): { readonly design: Design; readonly edits: Edit[]; readonly renamed: Renaming[] } {
  let now = design;
  const renamed: Renaming[] = [];
  const edits = queue.map((edit) => {
    const rebased = rebaseEdit(now, edit, renamed);
    renamed.push(...rebased.renamed);
    const result = applyEdit(now, rebased.edit);
    if ('refused' in result) throw new Error(result.refused.sentence);
    now = result.design;
    return rebased.edit;
  });
  return { design: now, edits, renamed };
}

const theirs = (...edits: SimpleEdit[]): Design => made(demo, edits).design;

describe('rebase', () => {
  it('gives a reference and a tag that were taken the next free ones, and says so', () => {
    const { renamed, edits } = made(demo, [batch('t', addition('n1', 'SRV2'), cable('c1', 'W13'))]);
    expect(renamed).toEqual([
      { of: 'n1', from: 'SRV2', to: 'SRV3' },
      { of: 'c1', from: 'W13', to: 'W21' },
    ]);
    expect(edits).toMatchObject([{ edits: [{ item: { ref: 'SRV3' } }, { cable: { tag: 'W21' } }] }]);
  });

  it('keeps a batch whole whose first name was taken and whose second is then taken by the first', () => {
    const { edits } = made(theirs(addition('t1', 'SRV3')), [batch('Add SRV3 and SRV4', addition('n1', 'SRV3'), addition('n2', 'SRV4'))]);
    expect(edits).toMatchObject([{ title: 'Add SRV4 and SRV5', edits: [{ item: { ref: 'SRV4' } }, { item: { ref: 'SRV5' } }] }]);
    const cables = made(theirs(cable('t1', 'W21')), [batch('W21 and W22', cable('n1', 'W21'), cable('n2', 'W22'))]);
    expect(cables.edits).toMatchObject([{ title: 'W22 and W23', edits: [{ cable: { tag: 'W22' } }, { cable: { tag: 'W23' } }] }]);
  });

  it('carries a new name on through the queue: a later edit that names the thing names it so', () => {
    const queue: Edit[] = [
      addition('n1', 'SRV3'),
      batch('Rename SRV3', { kind: 'rename-item', item: asId('n1'), was: 'SRV3', ref: 'FLAP1' }),
      { kind: 'rename-item', item: asId('n1'), was: 'FLAP1', ref: 'FLAP2' },
    ];
    const { design, edits } = made(theirs(addition('t1', 'SRV3')), queue);
    expect(edits[1]).toMatchObject({ title: 'Rename SRV4', edits: [{ was: 'SRV4', ref: 'FLAP1' }] });
    expect(edits[2]).toEqual(queue[2]);
    expect(design.aircraft.items[asId<ItemId>('n1')]?.ref).toBe('FLAP2');
  });

  it('gives a new name that was typed and taken meanwhile the next like it', () => {
    const taken = theirs(addition('t1', 'SRV3'), { kind: 'rename-item', item: asId('t1'), was: 'SRV3', ref: 'FLAP1' });
    const { edits } = made(taken, [{ kind: 'rename-item', item: itemOf(demo, 'SRV1').id, was: 'SRV1', ref: 'FLAP1' }]);
    expect(edits).toMatchObject([{ ref: 'FLAP2' }]);
  });

  it('leaves everything else alone: what a person set is not overruled', () => {
    const edit: Edit = { kind: 'set-aircraft-name', name: 'a', was: 'b' };
    expect(rebaseEdit(demo, edit)).toEqual({ edit, renamed: [] });
    expect(applyEdit(demo, edit)).toMatchObject({ refused: { code: 'changed-since' } });
  });

  it('says nothing of a name that is free, and gives none to what keeps its own', () => {
    expect(rebaseEdit(demo, addition('n1', 'SRV3')).renamed).toEqual([]);
    const same: Edit = { kind: 'rename-item', item: itemOf(demo, 'SRV1').id, was: 'SRV1', ref: 'SRV1' };
    expect(rebaseEdit(demo, same)).toEqual({ edit: same, renamed: [] });
  });

  it('takes a name that two things had in turn for the one that is meant', () => {
    const item = itemOf(demo, 'SRV1').id;
    const earlier: Renaming[] = [
      { of: item, from: 'FLAP1', to: 'FLAP2' },
      { of: asId<ItemId>('another'), from: 'FLAP1', to: 'FLAP3' },
    ];
    const { edit } = rebaseEdit(demo, { kind: 'rename-item', item, was: 'FLAP1', ref: 'FLAP9' }, earlier);
    expect(edit).toMatchObject({ was: 'FLAP2', ref: 'FLAP9' });
  });

  it('loses no addition, whatever names others took: every batch is made whole, and no name is used twice', () => {
    const number = fc.integer({ min: 3, max: 12 });
    const numbers = fc.uniqueArray(number, { minLength: 1, maxLength: 6 }).map((list) => list.sort((a, b) => a - b));
    fc.assert(
      fc.property(numbers, fc.array(numbers, { minLength: 1, maxLength: 3 }), (taken, batches) => {
        const others = theirs(...taken.map((n) => addition(`t${n}`, `SRV${n}`)));
        let above = 2;
        const queue = batches.map((list, b): Edit => {
          const edits = list.map((n, i) => addition(`b${b}i${i}`, `SRV${above + n}`));
          above += 12;
          return batch(edits.map((edit) => (edit.kind === 'add-item' ? edit.item.ref : '')).join(' '), ...edits);
        });
        const { design, edits } = made(others, queue);
        const refs = Object.values(design.aircraft.items).map(({ ref }) => ref);
        expect(new Set(refs).size).toBe(refs.length);
        expect(refs).toHaveLength(Object.keys(others.aircraft.items).length + batches.flat().length);
        for (const edit of edits) {
          if (edit.kind !== 'batch') throw new Error('A batch became something else.');
          expect(edit.title).toBe(edit.edits.map((one) => (one.kind === 'add-item' ? one.item.ref : '')).join(' '));
        }
      }),
      { numRuns: 60 },
    );
  });
});
