import { describe, expect, it } from '@jest/globals';
import { addBranch, applyEdit, asId, graphOf, joinContacts, withFreshIds, type CableEnd, type Design, type Edit } from '@wired-falcon/core';
import { cableOf, demo, testId } from '../test/reedbedCables.ts';
import { rungsOf } from './rungsOf.ts';

function made(design: Design, edit: Edit | undefined): Design {
  if (edit === undefined) throw new Error('There is no edit.');
  const result = applyEdit(design, withFreshIds(edit, testId));
  if ('refused' in result) throw new Error(result.refused.sentence);
  return result.design;
}

function loomOf(design: Design) {
  const graph = graphOf(design);
  const cable = graph.cables.find(({ tag }) => tag === 'W10');
  if (cable === undefined) throw new Error('There is no W10.');
  const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
  const free = ends.find(({ at }) => at.is === 'free');
  return { graph, cable, ends, free };
}

const { endA, endB, cable } = cableOf(demo, 'W10');

describe('the steps of the pin ladder', () => {
  it('say what each contact meets, and what it is joined to at the end opposite', () => {
    const graph = graphOf(demo);
    const own = graph.cables.find(({ tag }) => tag === 'W10') ?? cable;
    const rungs = rungsOf(graph, own, endA, endB);
    expect(rungs.map(({ n, pin, address }) => [n, pin?.label, address])).toEqual([
      [1, 'GND', 'RADIO1.1'],
      [2, 'RX', 'RADIO1.2'],
      [3, 'TX', 'RADIO1.3'],
      [4, 'V', 'RADIO1.4'],
    ]);
    expect(rungs[1]?.facing).toEqual(['FC1 S1 2 TX']);
    expect(rungs.every(({ crowdedBy, elsewhere }) => crowdedBy === undefined && elsewhere.length === 0)).toBe(true);
  });

  it('show a free end by its numbers, and where a contact leads besides', () => {
    const branched = made(demo, addBranch(cable, endA));
    const { graph, cable: loom, free } = loomOf(branched);
    if (free === undefined) throw new Error('There is no free end.');
    expect(rungsOf(graph, loom, free, endA).map(({ pin, address }) => [pin, address])).toContainEqual([undefined, 'free end.1']);
    const joined = loomOf(made(branched, joinContacts(graph, loom, { end: endA, n: 2 }, { end: free, n: 1 })));
    const rung = rungsOf(joined.graph, joined.cable, endA, endB)[1];
    expect(rung?.facing).toEqual(['FC1 S1 2 TX']);
    expect(rung?.elsewhere).toEqual(['free end 1']);
    expect(rung?.crowdedBy).toBeUndefined();
  });

  it('tell a contact that holds more wires than it takes', () => {
    const edit: Edit = {
      kind: 'add-conductor',
      cable: cable.id,
      conductor: {
        id: asId('?1'),
        leg: Object.values(cable.legs)[0]?.id ?? asId('none'),
        a: { node: endA.id, n: 1 },
        b: { node: endB.id, n: 3 },
        awg: 28,
        colour: 'pink',
      },
    };
    const { graph, cable: crowded } = loomOf(made(demo, edit));
    expect(rungsOf(graph, crowded, endA, endB).map(({ crowdedBy }) => crowdedBy)).toEqual([2, undefined, undefined, undefined]);
  });
});
