import { describe, expect, it } from '@jest/globals';
import { roleTable } from '../dialects/roleTable.ts';
import type { Spot } from '../model/frame.ts';
import { MOUNTINGS, mountings } from '../model/mounting.ts';
import { angleBetween, mountingOf, turnedBack, turningOfMounting } from './mountingTurns.ts';
import { turned, turningOf } from './turning.ts';

/** Directions of the aircraft as words have them: aft, right, up are positive. */
const TO: Readonly<Record<string, Spot>> = {
  fore: [-1, 0, 0],
  aft: [1, 0, 0],
  right: [0, 1, 0],
  left: [0, -1, 0],
  up: [0, 0, 1],
  down: [0, 0, -1],
};

function cross([a, b, c]: Spot, [x, y, z]: Spot): Spot {
  return [b * z - c * y, c * x - a * z, a * y - b * x];
}

describe('the 24 ways to lie', () => {
  it('are as one of the dialects writes them: where its face looks, and where its nose', () => {
    const seen = new Set<string>();
    for (const mounting of mountings) {
      const [face = '', nose = ''] = (roleTable.orientations[mounting]?.code ?? '').split('/');
      const [top, ahead] = [TO[face], TO[nose]];
      if (top === undefined || ahead === undefined) throw new Error(`${mounting} has no code.`);
      const turning = turningOfMounting(mounting);
      // Made of no angle: the right of the board is square to its top and its nose.
      expect([mounting, turned([-1, 0, 0], turning)]).toEqual([mounting, ahead.map((value) => expect.closeTo(value, 9))]);
      expect([mounting, turned([0, 0, 1], turning)]).toEqual([mounting, top.map((value) => expect.closeTo(value, 9))]);
      expect([mounting, turned([0, 1, 0], turning)]).toEqual([mounting, cross(ahead, top).map((value) => expect.closeTo(value, 9))]);
      seen.add(JSON.stringify(turning.map((row) => row.map((value) => Math.round(value) + 0))));
    }
    expect(seen.size).toBe(24);
  });

  it('are found again in the layout, and what is askew is none of them', () => {
    for (const mounting of mountings) {
      const { roll, pitch, yaw } = MOUNTINGS[mounting];
      expect(mountingOf({ turn: [roll, pitch, yaw], yawDeg: 0, below: false })).toBe(mounting);
    }
    expect(mountingOf({ turn: [0, 0, 0], yawDeg: 45, below: false })).toBeUndefined();
    expect(mountingOf({ turn: [90, 0, 0], yawDeg: 12, below: true })).toBeUndefined();
  });

  it('swap left and right for a board that hangs from below', () => {
    const below = turningOf({ turn: [0, 0, 0], yawDeg: 0, below: true });
    expect(turned([0, 1, 0], below)).toEqual([0, -1, expect.closeTo(0, 9)]);
    expect(turned([-1, 0, 0], below)).toEqual([-1, 0, 0]);
    expect(mountingOf({ turn: [0, 0, 0], yawDeg: 0, below: true })).toBe('roll-180');
  });

  it('are turned back by the same angle', () => {
    for (const mounting of mountings) {
      const turning = turningOfMounting(mounting);
      expect(turnedBack(turned([1, 2, 3], turning), turning)).toEqual([expect.closeTo(1, 9), expect.closeTo(2, 9), expect.closeTo(3, 9)]);
      expect([0, 90, 120, 180]).toContain(Math.round(angleBetween(turning, turningOfMounting('level'))));
    }
  });
});
