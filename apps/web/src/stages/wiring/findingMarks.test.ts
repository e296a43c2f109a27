import { describe, expect, it } from '@jest/globals';
import { asId, findingsOf, graphOf, judge, plainCable, reedbed, type AircraftId, type Design, type ItemId } from '@wired-falcon/core';
import { marksOf } from './findingMarks.ts';

let count = 0;
const demo = reedbed(asId<AircraftId>('reedbed'), () => `t${++count}`);

function cableOf(design: Design, tag: string) {
  const cable = Object.values(design.aircraft.cables).find((candidate) => candidate.tag === tag);
  const plain = cable === undefined ? undefined : plainCable(graphOf(design), cable);
  if (plain === undefined) throw new Error(`There is no plain ${tag}.`);
  return plain;
}

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
