import type { Stick } from '@wired-falcon/core';

export interface StickAxes {
  readonly across: Stick;
  readonly along: Stick;
}

/** The two sticks of a radio. */
export interface StickLayout {
  readonly left: StickAxes;
  readonly right: StickAxes;
}

const USUAL: StickLayout = { left: { across: 'yaw', along: 'throttle' }, right: { across: 'roll', along: 'pitch' } };

const LAYOUTS: Readonly<Record<string, StickLayout>> = {
  '1': { left: { across: 'yaw', along: 'pitch' }, right: { across: 'roll', along: 'throttle' } },
  '2': USUAL,
  '3': { left: { across: 'roll', along: 'pitch' }, right: { across: 'yaw', along: 'throttle' } },
  '4': { left: { across: 'roll', along: 'throttle' }, right: { across: 'yaw', along: 'pitch' } },
};

/** Which stick is on which side and axis, by stick mode. */
export function stickLayout(mode: string | undefined): StickLayout {
  return LAYOUTS[mode ?? '2'] ?? USUAL;
}
