import { describe, expect, it } from '@jest/globals';
import { asId, findingsOf, judge, type Design, type ItemId } from '@wired-falcon/core';
import { marksOf } from './findingMarks.ts';
import { cableOf, demo } from './test/reedbedCables.ts';

/** The conductor of a cable at a contact of its A end. */
function conductorOf(design: Design, tag: string, n: number) {
  const found = Object.values(cableOf(design, tag).cable.conductors).find((conductor) => conductor.a.n === n);
  if (found === undefined) throw new Error(`${tag} has no conductor at ${n}.`);
  return `${cableOf(design, tag).cable.id}|${found.id}`;
}

describe('findings on the sheet', () => {
  const judged = judge(findingsOf(demo), demo.aircraft);
  const idOf = (ref: string) => Object.values(demo.aircraft.items).find((item) => item.ref === ref)?.id ?? asId<ItemId>('none');

  it('are marked with the worst, on item, cable and conductor, and notes are not', () => {
    const marks = marksOf(judged);
    expect(marks.items.get(idOf('BEC1'))).toBe('stop');
    expect(marks.cables.get(cableOf(demo, 'W04').cable.id)).toBe('mend');
    expect(marks.conductors.get(conductorOf(demo, 'W04', 2))).toBe('mend');
    expect(marks.items.has(idOf('BZ1'))).toBe(false);
  });
});
