import type { Commands } from './mixerRow.ts';

/** How an airframe lies: right wing down and nose up are positive, in degrees. */
export interface Attitude {
  readonly bankDeg: number;
  readonly pitchDeg: number;
}

/** How the controller helps: not at all, or by levelling. */
export const HELPS = { manual: 'manual', level: 'self-levelling' } as const;
export type Help = keyof typeof HELPS;
export const helps = ['manual', 'level'] as const satisfies readonly Help[];

/** At a full stick a levelled aircraft lies so far over; so far from where it should be, the surfaces are at their ends. */
const FULL_DEG = 45;

/**
 * What the controller asks for, of what the sticks say and how the aircraft lies. By hand the sticks go through. Levelled they say an
 * attitude, and what is missing to it is asked for as long as it is missing. Yaw answers turning only, and stands still here.
 */
export function stabilised(sticks: Commands, { bankDeg, pitchDeg }: Attitude, help: Help): Commands {
  if (help === 'manual') return sticks;
  const towards = (stick = 0, deg: number): number => Math.min(Math.max(stick - deg / FULL_DEG, -1), 1);
  return { ...sticks, roll: towards(sticks.roll, bankDeg), pitch: towards(sticks.pitch, pitchDeg) };
}
