import { describe, expect, it } from '@jest/globals';
import { asId, type BayId, type FramePlan, type Place, type Spot } from '@wired-falcon/core';
import { snapped, stepped, turnedOnce } from './moving.ts';

/** One bay from station 100 to 300, 80 mm wide. */
const frame: FramePlan = {
  numbers: {},
  bays: { [asId<BayId>('nose')]: { title: 'nose', at: [200, 0, 0], sizeMm: [200, 80, 60], access: 'open' } },
  points: {},
  routes: {},
};
const half: Spot = [22, 13, 5];

describe('a part that is dragged', () => {
  it('goes by 5 mm, with the fine key by 1', () => {
    expect(snapped([201.4, 18.2, 7], false, half, frame)).toEqual([200, 20, 7]);
    expect(snapped([201.4, 18.2, 7], true, half, frame)).toEqual([201, 18, 7]);
  });

  it('is drawn onto the centre line, and against the walls of the bay that it is over', () => {
    expect(snapped([200, 4, 0], false, half, frame)).toEqual([200, 0, 0]);
    // Its edges: 122 - 22 is the front wall, 278 + 22 the rear one, 27 + 13 the right one.
    expect(snapped([125, 30, 0], false, half, frame)).toEqual([122, 27, 0]);
    expect(snapped([281, -31, 0], false, half, frame)).toEqual([278, -27, 0]);
    expect(snapped([125, 4, 0], true, half, frame)).toEqual([125, 4, 0]);
  });

  it('is not drawn by a bay that it is not over', () => {
    expect(snapped([92, 200, 0], false, half, frame)).toEqual([90, 200, 0]);
  });
});

describe('the keys', () => {
  it('step towards the nose, aft, to the left and to the right, finer with the fine key', () => {
    expect(['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'].map((key) => stepped([10, 20, 30], key, false))).toEqual([
      [5, 20, 30],
      [15, 20, 30],
      [10, 15, 30],
      [10, 25, 30],
    ]);
    expect(stepped([10, 20, 30], 'ArrowUp', true)).toEqual([9, 20, 30]);
    expect(stepped([10, 20, 30], 'x', false)).toBeUndefined();
  });

  it('turn by a quarter, four times round', () => {
    const start: Place = { at: [0, 0, 0], turn: [90, 0, 0], yawDeg: 5, below: false };
    const turns = [start, turnedOnce(start), turnedOnce(turnedOnce(start)), turnedOnce(turnedOnce(turnedOnce(start)))];
    expect(turns.map(({ turn }) => turn[2])).toEqual([0, 90, 180, 270]);
    expect(turns.reduce((place) => turnedOnce(place), start)).toEqual(start);
  });
});
