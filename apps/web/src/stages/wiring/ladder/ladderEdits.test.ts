import { describe, expect, it } from '@jest/globals';
import { applyEdit, graphOf, withFreshIds, type Design, type Edit } from '@wired-falcon/core';
import { joinEdit, partEdit, swapWithNext, toggleContact } from './ladderEdits.ts';
import { cableOf, demo, testId } from '../test/reedbedCables.ts';

function pairsAfter(design: Design, edit: Edit | undefined, tag: string) {
  if (edit === undefined) throw new Error('There is no edit.');
  const result = applyEdit(design, withFreshIds(edit, testId));
  if ('refused' in result) throw new Error(result.refused.sentence);
  return cableOf(result.design, tag).conductors.map((conductor) => [conductor.a.n, conductor.b.n]);
}

describe('the pin ladder', () => {
  it('joins from either side, parts, and swaps neighbours', () => {
    const w10 = cableOf(demo, 'W10');
    const graph = graphOf(demo);
    expect(pairsAfter(demo, joinEdit(graph, w10, { side: 'a', n: 1 }, 1), 'W10')).toContainEqual([1, 1]);
    expect(pairsAfter(demo, joinEdit(graph, w10, { side: 'b', n: 1 }, 1), 'W10')).toContainEqual([1, 1]);
    expect(pairsAfter(demo, partEdit(w10, 'b', 4), 'W10')).toEqual([
      [2, 2],
      [3, 3],
      [4, 1],
    ]);
    expect(pairsAfter(demo, swapWithNext(w10, 'b', 2), 'W10')).toEqual([
      [1, 4],
      [2, 3],
      [3, 2],
      [4, 1],
    ]);
    expect(pairsAfter(demo, swapWithNext(w10, 'a', 1), 'W10')).toEqual([
      [1, 2],
      [2, 4],
      [3, 3],
      [4, 1],
    ]);
  });

  it('has nothing to part or swap where nothing is joined', () => {
    const w05 = cableOf(demo, 'W12');
    expect(partEdit(w05, 'b', 2)).toBeUndefined();
    expect(swapWithNext(w05, 'b', 4)).toBeUndefined();
  });

  it('pulls a contact and fits it again', () => {
    const w04 = cableOf(demo, 'W04');
    expect(toggleContact(w04, 'b', 2)).toMatchObject({ absent: [2], was: [] });
    const pulled = applyEdit(demo, toggleContact(w04, 'b', 2));
    if ('refused' in pulled) throw new Error(pulled.refused.sentence);
    expect(toggleContact(cableOf(pulled.design, 'W04'), 'b', 2)).toMatchObject({ absent: [], was: [2] });
  });
});
