import { describe, expect, it } from '@jest/globals';
import { asId } from '../model/ids.ts';
import type { Bay, BayId, FramePlan, Place, Spot } from '../model/frame.ts';
import { bayAt, inBayOfSpot } from './bayAt.ts';

const bay = (at: Spot, sizeMm: Spot): Bay => ({ title: 'bay', at, sizeMm, access: 'open' });
const frame: FramePlan = {
  numbers: {},
  bays: {
    [asId<BayId>('front')]: bay([100, 0, 0], [200, 100, 80]),
    [asId<BayId>('rear')]: bay([290, 0, 0], [200, 100, 80]),
  },
  points: {},
  routes: {},
};
const placed = (at: Spot, id?: string): Place => ({
  at,
  turn: [0, 0, 90],
  yawDeg: 3,
  below: true,
  ...(id === undefined ? {} : { bay: asId<BayId>(id) }),
});

describe('the bay of a spot', () => {
  it('is the one that it lies in, walls included, the nearer where two overlap', () => {
    expect([0, 150, 194, 196, 390].map((station) => bayAt(frame, [station, 0, 0]))).toEqual(['front', 'front', 'front', 'rear', 'rear']);
  });

  it('is none beside, above, before and behind them', () => {
    expect(
      (
        [
          [100, 51, 0],
          [100, 0, 41],
          [-1, 0, 0],
          [391, 0, 0],
        ] as const
      ).map((spot) => bayAt(frame, spot)),
    ).toEqual(Array(4).fill(undefined));
  });

  it('is taken by what is moved into it, and left by what is moved out; nothing else of the place changes', () => {
    expect(inBayOfSpot(frame, placed([300, 0, 0], 'front'))).toEqual(placed([300, 0, 0], 'rear'));
    expect(inBayOfSpot(frame, placed([300, 200, 0], 'rear'))).toEqual(placed([300, 200, 0]));
    expect(inBayOfSpot(frame, placed([50, 0, 0]))).toEqual(placed([50, 0, 0], 'front'));
  });
});
