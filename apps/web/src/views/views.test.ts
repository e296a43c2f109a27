import { describe, expect, it } from '@jest/globals';
import {
  applyEdit,
  asId,
  findingsOf,
  graphOf,
  judge,
  plainCable,
  reedbed,
  withFreshIds,
  type AircraftId,
  type Design,
  type Edit,
  type ItemId,
} from '@wired-falcon/core';
import { findingsAbout } from '../selection/findingsAbout.ts';
import { joinEdit, partEdit, swapWithNext, toggleContact } from './ladder/ladderEdits.ts';
import { marksOf } from './wiring/findingMarks.ts';
import { neighbour, type Stop } from './wiring/useRoving.ts';

let count = 0;
const demo = reedbed(asId<AircraftId>('reedbed'), () => `t${++count}`);

function cableOf(design: Design, tag: string) {
  const cable = Object.values(design.aircraft.cables).find((candidate) => candidate.tag === tag);
  const plain = cable === undefined ? undefined : plainCable(graphOf(design), cable);
  if (plain === undefined) throw new Error(`There is no plain ${tag}.`);
  return plain;
}

function pairsAfter(design: Design, edit: Edit | undefined, tag: string) {
  if (edit === undefined) throw new Error('There is no edit.');
  const result = applyEdit(
    design,
    withFreshIds(edit, () => `n${++count}`),
  );
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

describe('arrow keys on the sheet', () => {
  const stop = (id: string, x: number, y: number): Stop => ({ id, x, y });
  const stops = [stop('a1', 0, 0), stop('a2', 0, 10), stop('b1', 50, 0), stop('b2', 50, 12), stop('c', 90, 40)];
  const from = (id: string): Stop => stops.find((candidate) => candidate.id === id) ?? stop('?', 0, 0);

  it.each([
    ['a1', 'ArrowDown', 'a2'],
    ['a2', 'ArrowUp', 'a1'],
    ['a2', 'ArrowRight', 'b2'],
    ['b1', 'ArrowLeft', 'a1'],
    ['b2', 'ArrowRight', 'c'],
    ['a2', 'ArrowDown', undefined],
    ['c', 'ArrowRight', undefined],
    ['a1', 'x', undefined],
  ])('from %s, %s leads to %s', (id, key, to) => {
    expect(neighbour(stops, from(id), key)?.id).toBe(to);
  });

  it('reach every stop from any other', () => {
    const reached = new Set(['a1']);
    for (let grown = true; grown;) {
      const before = reached.size;
      for (const id of [...reached]) {
        for (const key of ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight']) {
          const next = neighbour(stops, from(id), key);
          if (next !== undefined) reached.add(next.id);
        }
      }
      grown = reached.size > before;
    }
    expect(reached.size).toBe(stops.length);
  });
});

/** The conductor of a cable at a contact of its A end. */
function conductorOf(design: Design, tag: string, n: number) {
  const found = Object.values(cableOf(design, tag).cable.conductors).find((conductor) => conductor.a.n === n);
  if (found === undefined) throw new Error(`${tag} has no conductor at ${n}.`);
  return `${cableOf(design, tag).cable.id}|${found.id}`;
}

describe('findings on the screens', () => {
  const judged = judge(findingsOf(demo), demo.aircraft);
  const idOf = (ref: string) => Object.values(demo.aircraft.items).find((item) => item.ref === ref)?.id ?? asId<ItemId>('none');

  it('are those about what is selected', () => {
    expect(findingsAbout(judged, { is: 'nothing' })).toHaveLength(judged.length);
    expect(findingsAbout(judged, { is: 'item', item: idOf('RADIO1') }).map(({ finding }) => finding.check)).toEqual([
      'link.baud-mismatch',
      'power.no-supply',
      'wire.back-powered',
    ]);
    expect(findingsAbout(judged, { is: 'cable', cable: cableOf(demo, 'W08').cable.id }).map(({ finding }) => finding.check)).toEqual([
      'wire.servo-lead',
    ]);
  });

  it('are marked with the worst, on item, cable and conductor, and notes are not', () => {
    const marks = marksOf(judged);
    expect(marks.items.get(idOf('BEC1'))).toBe('stop');
    expect(marks.cables.get(cableOf(demo, 'W04').cable.id)).toBe('mend');
    expect(marks.conductors.get(conductorOf(demo, 'W04', 2))).toBe('mend');
    expect(marks.items.has(idOf('BZ1'))).toBe(false);
  });
});
