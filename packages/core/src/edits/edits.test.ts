import { describe, expect, it } from '@jest/globals';
import { canonicalJson } from '../model/canonicalJson.ts';
import type { Design } from '../model/design.ts';
import type { PointId } from '../model/frame.ts';
import { asId, type CableId, type EditId, type ItemId, type PartKey } from '../model/ids.ts';
import { cableOf, countingIds, demoDesign, emptyBench, itemOf, made } from '../test/designs.ts';
import { applyEdit, titleOf } from './applyEdit.ts';
import { reversed, withChanges } from './changes.ts';
import { withFreshIds } from './freshIds.ts';
import { rebaseEdit } from './rebase.ts';
import { nextReference, nextTag } from './references.ts';
import { insist } from './insist.ts';
import { editProblems, type Edit, type PutBack, type SimpleEdit } from './registry.ts';
import { afterRow, emptyStacks, undoStacksOf } from './undoStacks.ts';

function refusalOf(design: Design, edit: Edit): { code: string; sentence: string } {
  const result = applyEdit(design, edit);
  if (!('refused' in result)) throw new Error('The edit was accepted.');
  return result.refused;
}

const demo = demoDesign();
const fc1 = itemOf(demo, 'FC1');
const w10 = cableOf(demo, 'W10');

describe('items', () => {
  it('get the next reference of their kind, which is never given twice', () => {
    expect(nextReference(demo.aircraft, 'servo')).toBe('SRV3');
    const without = made(demo, { kind: 'remove-item', item: itemOf(demo, 'SRV2').id });
    expect(nextReference(without.aircraft, 'servo')).toBe('SRV3');
    expect(nextTag(demo.aircraft)).toBe('W21');
  });

  it('are refused with an unknown part, a name that is taken, or an id that is there', () => {
    const item = { ...itemOf(demo, 'SRV1'), id: asId<ItemId>('new'), ref: 'SRV9' };
    const gone = made(demo, { kind: 'remove-item', item: itemOf(demo, 'SRV1').id });
    expect(refusalOf(gone, { kind: 'add-item', item: { ...item, ref: 'SRV1' } }).sentence).toContain('The next free one is SRV3.');
    expect(nextReference(made(demo, { kind: 'add-item', item }).aircraft, 'servo')).toBe('SRV10');
    expect(refusalOf(demo, { kind: 'add-item', item: { ...item, part: asId<PartKey>('none@0123456789abcdef') } }).code).toBe(
      'unknown-part',
    );
    expect(refusalOf(demo, { kind: 'add-item', item: { ...item, ref: 'SRV1' } }).sentence).toContain('SRV1 is already');
    expect(refusalOf(demo, { kind: 'add-item', item: { ...item, id: fc1.id } }).code).toBe('id-taken');
  });

  it('leave their cables behind with free ends', () => {
    const design = made(demo, { kind: 'remove-item', item: itemOf(demo, 'RADIO1').id });
    const ends = Object.values(cableOf(design, 'W10').nodes).map((node) => (node.is === 'end' ? node.at.is : ''));
    expect(ends.sort()).toEqual(['free', 'port']);
  });

  it('are renamed only to a name that was never given out', () => {
    const srv1 = itemOf(demo, 'SRV1');
    expect(itemOf(made(demo, { kind: 'rename-item', item: srv1.id, ref: 'SRV7', was: 'SRV1' }), 'SRV7').id).toBe(srv1.id);
    expect(refusalOf(demo, { kind: 'rename-item', item: srv1.id, ref: 'SRV2', was: 'SRV1' }).code).toBe('ref-taken');
    const gone = made(demo, { kind: 'remove-item', item: itemOf(demo, 'SRV2').id });
    expect(refusalOf(gone, { kind: 'rename-item', item: srv1.id, ref: 'SRV2', was: 'SRV1' }).sentence).toContain('never used twice');
  });

  it('take only the values that their settings have, and not over a change that came between', () => {
    const set = (value: string | number | null, was: string | number | null): Edit => ({
      kind: 'set-item-setting',
      item: fc1.id,
      setting: 'S1.baud',
      value,
      was,
    });
    expect(itemOf(made(demo, set(57_600, 115_200)), 'FC1').settings['S1.baud']).toBe(57_600);
    expect(itemOf(made(demo, set(null, 115_200)), 'FC1').settings).not.toHaveProperty(['S1.baud']);
    expect(refusalOf(demo, set(12, 115_200)).code).toBe('unknown-setting');
    expect(refusalOf(demo, set(57_600, 9600)).code).toBe('changed-since');
    expect(refusalOf(demo, { kind: 'set-item-setting', item: fc1.id, setting: 'S9.baud', value: 1, was: null }).code).toBe(
      'unknown-setting',
    );
  });

  it('carry a description and a side, cleared by their empty values', () => {
    const described = made(demo, { kind: 'label-item', item: fc1.id, label: 'main', was: 'flight controller' });
    expect(itemOf(made(described, { kind: 'label-item', item: fc1.id, label: '', was: 'main' }), 'FC1')).not.toHaveProperty('label');
    const onBench = made(demo, { kind: 'set-item-where', item: fc1.id, where: 'bench', was: 'aircraft' });
    expect(onBench.aircraft.items[fc1.id]?.where).toBe('bench');
    expect(refusalOf(onBench, { kind: 'set-item-where', item: fc1.id, where: 'ground', was: 'aircraft' }).code).toBe('changed-since');
    const left = made(demo, { kind: 'set-sheet-side', item: fc1.id, side: 'left', was: 'auto' });
    expect(itemOf(left, 'FC1').sheetSide).toBe('left');
    expect(refusalOf(left, { kind: 'set-sheet-side', item: fc1.id, side: 'right', was: 'auto' }).code).toBe('changed-since');
  });
});

describe('cables', () => {
  it('are refused at an occupied port, with the name of the cable that is there', () => {
    const bench = emptyBench();
    for (const part of ['controller-f4-wing', 'gnss-serial', 'radio-900-class']) bench.add(part, '');
    bench.wire('GNSS1 UART', 'FC1 S4');
    expect(() => bench.wire('RADIO1 UART', 'FC1 S4')).toThrow('FC1 S4 is occupied by W01. Unplug W01 first, or choose another port.');
  });

  it('may share pads', () => {
    expect(cableOf(demo, 'W02')).toBeDefined();
    expect(cableOf(demo, 'W05')).toBeDefined();
  });

  it('end only where there is something, and never at themselves', () => {
    const [node] = Object.values(w10.nodes);
    if (node?.is !== 'end') throw new Error('W10 has no end.');
    const move = (at: Extract<Edit, { kind: 'set-cable-end' }>['at'], was = node.at): Edit => ({
      kind: 'set-cable-end',
      cable: w10.id,
      node: node.id,
      at,
      was,
    });
    expect(refusalOf(demo, move({ is: 'mate', cable: w10.id, node: node.id })).code).toBe('cable-to-itself');
    expect(refusalOf(demo, move({ is: 'port', item: fc1.id, port: 'S99' })).code).toBe('unknown-port');
    expect(refusalOf(demo, move({ is: 'port', item: asId<ItemId>('gone'), port: 'S1' })).code).toBe('unknown-item');
    expect(refusalOf(demo, move({ is: 'mate', cable: asId<CableId>('gone'), node: node.id })).code).toBe('unknown-cable');
    expect(refusalOf(demo, move({ is: 'free' }, { is: 'free' })).code).toBe('changed-since');
    const free = made(demo, move({ is: 'free' }));
    expect(made(free, move(node.at, { is: 'free' })).aircraft.cables).toEqual(demo.aircraft.cables);
  });

  it('hold conductors only between their own contacts', () => {
    const [leg] = Object.values(w10.legs);
    const [conductor] = Object.values(w10.conductors);
    if (leg === undefined || conductor === undefined) throw new Error('W10 is empty.');
    const add = (a: number, b: number): Edit =>
      withFreshIds(
        {
          kind: 'add-conductor',
          cable: w10.id,
          conductor: { ...conductor, id: asId('?1'), a: { ...conductor.a, n: a }, b: { ...conductor.b, n: b } },
        },
        countingIds('c'),
      );
    expect(refusalOf(demo, add(1, 5)).sentence).toContain('has no contact 5');
    expect(refusalOf(demo, add(conductor.a.n, conductor.b.n)).code).toBe('nothing-to-do');
    const move: Edit = {
      kind: 'move-conductor',
      cable: w10.id,
      conductor: conductor.id,
      end: 'b',
      to: { ...conductor.b, n: 2 },
      was: { ...conductor.b, n: 1 },
    };
    expect(refusalOf(demo, conductor.b.n === 1 ? { ...move, was: { ...conductor.b, n: 4 } } : move).code).toBe('changed-since');
  });

  it('get and lose a branch, but not while it holds a conductor, and never the last one', () => {
    const [leg] = Object.values(w10.legs);
    if (leg === undefined) throw new Error('W10 has no leg.');
    const node = asId<typeof leg.a>('s1');
    const loom = made(demo, {
      kind: 'add-leg',
      cable: w10.id,
      leg: { id: asId('l2'), a: leg.b, b: node },
      node: { id: node, is: 'splice' },
    });
    expect(Object.keys(cableOf(loom, 'W10').legs)).toHaveLength(2);
    expect(made(loom, { kind: 'remove-leg', cable: w10.id, leg: asId('l2') }).aircraft.cables).toEqual(demo.aircraft.cables);
    expect(refusalOf(loom, { kind: 'remove-leg', cable: w10.id, leg: leg.id }).sentence).toContain('still holds 4 conductors');
  });

  it('get a leg between two of their nodes, once, and none to a node that is not there', () => {
    const [leg] = Object.values(w10.legs);
    if (leg === undefined) throw new Error('W10 has no leg.');
    const node = asId<typeof leg.a>('s1');
    const branch: Edit = {
      kind: 'add-leg',
      cable: w10.id,
      leg: { id: asId('l2'), a: leg.b, b: node },
      node: { id: node, is: 'splice' },
    };
    const loom = made(demo, branch);
    const between = (id: string, a: typeof leg.a, b: typeof leg.a): Edit => ({
      kind: 'add-leg',
      cable: w10.id,
      leg: { id: asId(id), a, b },
    });
    expect(Object.keys(cableOf(made(loom, between('l3', node, leg.a)), 'W10').legs)).toHaveLength(3);
    expect(refusalOf(demo, between('l3', node, leg.a)).code).toBe('unknown-node');
    for (const [a, b] of [
      [leg.a, leg.b],
      [leg.b, leg.a],
    ] as const)
      expect(refusalOf(loom, between('l4', a, b)).code).toBe('nothing-to-do');
  });
});

describe('tags', () => {
  it('are never given to a second cable', () => {
    const gone = made(demo, { kind: 'remove-cable', cable: cableOf(demo, 'W13').id });
    const again: Edit = { kind: 'add-cable', cable: { ...cableOf(demo, 'W13'), id: asId<CableId>('again') } };
    expect(refusalOf(gone, again).sentence).toContain('The next free one is W21.');
    expect(rebaseEdit(gone, again).renamed).toMatchObject([{ from: 'W13', to: 'W21' }]);
  });
});

describe('batches', () => {
  it('are made whole or not at all', () => {
    const srv1 = itemOf(demo, 'SRV1').id;
    const batch: Edit = {
      kind: 'batch',
      title: 'Two removals',
      edits: [
        { kind: 'remove-item', item: srv1 },
        { kind: 'remove-item', item: srv1 },
      ],
    };
    expect(refusalOf(demo, batch).code).toBe('unknown-item');
    expect(titleOf(demo, batch)).toBe('Two removals');
  });
});

describe('undo', () => {
  const of = asId<EditId>('e1');
  const undoWith = (design: Design, inverse: PutBack) => applyEdit(design, { kind: 'undo', of }, () => inverse);
  const rename: Edit = { kind: 'set-aircraft-name', name: 'Reedbed 2', was: 'Reedbed' };

  function step(design: Design, edit: Edit) {
    const result = applyEdit(design, edit);
    if ('refused' in result) throw new Error(result.refused.sentence);
    return result;
  }

  it('is refused when someone changed what the edit had touched, and names it', () => {
    const first = step(demo, { kind: 'label-item', item: fc1.id, label: 'mine', was: 'flight controller' });
    const then = step(first.design, { kind: 'label-item', item: fc1.id, label: 'theirs', was: 'mine' });
    const result = undoWith(then.design, first.inverse);
    expect(result).toMatchObject({ refused: { code: 'changed-since', sentence: expect.stringContaining('FC1 was changed since') } });
  });

  it('goes on when someone changed something else of the same item', () => {
    const first = step(demo, { kind: 'label-item', item: fc1.id, label: 'mine', was: 'flight controller' });
    const then = step(first.design, { kind: 'set-sheet-side', item: fc1.id, side: 'left', was: 'auto' });
    const result = undoWith(then.design, first.inverse);
    if ('refused' in result) throw new Error(result.refused.sentence);
    expect(itemOf(result.design, 'FC1')).toMatchObject({ label: 'flight controller', sheetSide: 'left' });
  });

  it('is refused when the port has been taken meanwhile', () => {
    const first = step(demo, { kind: 'remove-cable', cable: w10.id });
    const bench = Object.values(w10.nodes).find((node) => node.is === 'end' && node.at.is === 'port' && node.at.item === fc1.id);
    if (bench?.is !== 'end') throw new Error('W10 does not end at FC1.');
    const other = cableOf(demo, 'W11');
    const [free] = Object.values(other.nodes);
    if (free?.is !== 'end') throw new Error('W11 has no end.');
    const moved = step(first.design, { kind: 'set-cable-end', cable: other.id, node: free.id, at: bench.at, was: free.at });
    const result = undoWith(moved.design, first.inverse);
    expect(result).toMatchObject({ refused: { sentence: expect.stringContaining('are both at FC1 S1') } });
  });

  it('is refused when a cable was plugged into the item that would vanish', () => {
    const bench = emptyBench();
    bench.add('controller-f4-wing', '');
    const added = step(
      bench.design,
      withFreshIds({ kind: 'add-item', item: { ...itemOf(demo, 'RADIO1'), id: asId('?1') } }, countingIds('x')),
    );
    const radio = itemOf(added.design, 'RADIO1');
    const cable = { ...w10, id: asId<CableId>('w'), tag: 'W77' };
    const rehomed = Object.fromEntries(
      Object.entries(cable.nodes).map(([id, node]) => {
        if (node.is !== 'end' || node.at.is !== 'port') return [id, node];
        const item = node.at.item === fc1.id ? itemOf(added.design, 'FC1').id : radio.id;
        return [id, { ...node, at: { ...node.at, item } }];
      }),
    );
    const wired = step(added.design, { kind: 'add-cable', cable: { ...cable, nodes: rehomed } });
    expect(undoWith(wired.design, added.inverse)).toMatchObject({
      refused: { sentence: expect.stringContaining('W77 ends at an item that is not there') },
    });
  });

  it('leaves the numbers that were given out', () => {
    const added = step(demo, { kind: 'add-item', item: { ...itemOf(demo, 'SRV1'), id: asId('n1'), ref: 'SRV3' } });
    const undone = undoWith(added.design, added.inverse);
    if ('refused' in undone) throw new Error(undone.refused.sentence);
    expect(nextReference(undone.design.aircraft, 'servo')).toBe('SRV4');
  });

  it('knows what comes next: a stack of edits, a stack of undone ones, cleared by a new edit', () => {
    const id = (text: string): EditId => asId<EditId>(text);
    const stacks = undoStacksOf([{ editId: id('a') }, { editId: id('b') }, { editId: id('u'), undoOf: id('b') }]);
    expect(stacks).toEqual({ undo: ['a'], redo: ['u'] });
    const redone = afterRow(stacks, { editId: id('r'), undoOf: id('u') });
    expect(redone).toEqual({ undo: ['a', 'r'], redo: [] });
    expect(afterRow(stacks, { editId: id('c') })).toEqual({ undo: ['a', 'c'], redo: [] });
    expect(afterRow(emptyStacks, { editId: id('x'), undoOf: id('unknown') })).toEqual(emptyStacks);
  });

  it('refuses an edit that changes nothing', () => {
    expect(refusalOf(demo, { ...rename, name: 'Reedbed' }).code).toBe('nothing-to-do');
  });
});

describe('changes', () => {
  it('go only where something stands, and never through names that objects own', () => {
    expect(withChanges({ a: { b: 1 } }, [{ path: ['a', 'b'], was: 1, now: 2 }])).toEqual({ value: { a: { b: 2 } } });
    expect(withChanges({ a: 1 }, [{ path: ['a', 'b'], now: 2 }])).toMatchObject({ differs: { path: ['a', 'b'] } });
    expect(withChanges({}, [{ path: ['toString'], was: undefined, now: 1 }])).toEqual({ value: { toString: 1 } });
    expect(reversed([{ path: ['a'], was: 1 }])).toEqual([{ path: ['a'], now: 1 }]);
  });
});

describe('shapes of edits', () => {
  it('are told in words', () => {
    expect(editProblems({ kind: 'remove-item', item: 'ok' })).toEqual([]);
    expect(editProblems({})).toEqual(['The edit has no "kind".']);
    expect(editProblems({ kind: 'explode' })).toEqual(['There is no edit of the kind "explode".']);
    expect(editProblems({ kind: 'remove-item', item: '__proto__' })[0]).toContain('remove-item/item');
    expect(editProblems({ kind: 'remove-item', item: 'ok', extra: 1 })[0]).toContain('extra');
  });

  it('refuse ids that are still placeholders', () => {
    expect(editProblems({ kind: 'remove-item', item: '?1' })).toHaveLength(1);
  });

  it('refuse numbers that are none', () => {
    const edit = { kind: 'set-leg-length', cable: 'c', leg: 'l', was: null };
    for (const lengthMm of [Number.NaN, Infinity, -1, 0, 1e400, 20_001]) expect(editProblems({ ...edit, lengthMm })).not.toEqual([]);
    expect(editProblems({ ...edit, lengthMm: 120.5 })).toEqual([]);
  });
});

describe('the demo aircraft', () => {
  it('is the same whenever it is built', () => {
    expect(canonicalJson(demoDesign().aircraft)).toBe(canonicalJson(demo.aircraft));
  });
});

describe('an edit that others came in the way of', () => {
  it('can be made on what stands there now, whatever kind of value it sets', () => {
    const design = demoDesign();
    const [fc1, w07] = [itemOf(design, 'FC1').id, cableOf(design, 'W07')];
    const conductor = Object.values(w07.conductors)[0];
    const node = Object.values(w07.nodes)[0];
    if (conductor === undefined || node?.is !== 'end') throw new Error('W07 has no wire or no end.');
    const connector = { ...node.connector, positions: 4 };
    const stale: readonly SimpleEdit[] = [
      { kind: 'set-aircraft-name', name: 'Mine', was: 'stale' },
      { kind: 'set-aircraft-note', note: 'Mine', was: 'stale' },
      { kind: 'set-airframe', airframe: 'quad', was: 'hexa' },
      { kind: 'set-planned-battery', battery: null, was: null },
      { kind: 'set-need', need: 'can', count: 3, was: 9 },
      { kind: 'set-dialect', dialect: 'mine', was: 'stale' },
      { kind: 'set-colour-scheme', scheme: 'few-colours', was: 'servo-style' },
      { kind: 'set-output-function', item: fc1, output: 'out2', function: 'pan', was: 'tilt' },
      { kind: 'rename-item', item: fc1, ref: 'FC7', was: 'FC9' },
      { kind: 'label-item', item: fc1, label: 'mine', was: 'stale' },
      { kind: 'set-item-setting', item: fc1, setting: 'S1.baud', value: 9600, was: 1 },
      { kind: 'set-sheet-side', item: fc1, side: 'left', was: 'right' },
      { kind: 'set-cable-text', cable: w07.id, field: 'label', value: 'mine', was: 'stale' },
      { kind: 'set-cable-end', cable: w07.id, node: node.id, at: { is: 'free' }, was: { is: 'free' } },
      { kind: 'set-absent-contacts', cable: w07.id, node: node.id, absent: [1], was: [2] },
      { kind: 'set-end-connector', cable: w07.id, node: node.id, connector, was: connector },
      { kind: 'set-leg-length', cable: w07.id, leg: asId('leg'), lengthMm: 77, was: 1 },
      { kind: 'set-leg-twist', cable: w07.id, leg: asId('leg'), twistMm: 30, was: 40 },
      { kind: 'set-leg-via', cable: w07.id, leg: asId('leg'), via: asId<PointId>('front'), was: asId<PointId>('spine') },
      {
        kind: 'move-conductor',
        cable: w07.id,
        conductor: conductor.id,
        end: 'b',
        to: { ...conductor.b, n: 3 },
        was: { ...conductor.b, n: 2 },
      },
      { kind: 'set-conductor-colour', cable: w07.id, conductor: conductor.id, colour: 'pink', was: 'violet' },
      { kind: 'set-conductor-gauge', cable: w07.id, conductor: conductor.id, awg: 30, was: 10 },
    ];
    for (const edit of stale) {
      const refused = applyEdit(design, edit);
      expect([edit.kind, 'refused' in refused && refused.refused.code]).toEqual([edit.kind, 'changed-since']);
      const again = insist(design, edit);
      expect([edit.kind, again !== undefined && 'design' in applyEdit(design, again)]).toEqual([edit.kind, true]);
    }
    const batch = { kind: 'batch', title: 'two', edits: stale.slice(0, 2) } as const;
    expect(insist(design, batch)).toMatchObject({ edits: [{ was: 'Reedbed' }, { was: '' }] });
  });

  it('is let go when what it was about is gone', () => {
    const design = demoDesign();
    expect(insist(design, { kind: 'label-item', item: asId('gone'), label: 'x', was: '' })).toBeUndefined();
    expect(insist(design, { kind: 'set-leg-length', cable: asId('gone'), leg: asId('leg'), lengthMm: 1, was: null })).toBeUndefined();
    expect(insist(design, { kind: 'remove-item', item: asId('gone') })).toBeUndefined();
    expect(insist(design, { kind: 'undo', of: asId('gone') })).toBeUndefined();
  });
});
