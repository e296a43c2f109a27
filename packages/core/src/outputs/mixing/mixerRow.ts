import type { OutputFunction } from '../../model/outputFunctions.ts';

/**
 * What is asked of an aircraft, each from -1 to 1: right wing down, nose up, nose right are positive. Throttle and lift go from 0 to 1, and
 * what opens (flaps, brakes) too.
 */
export const COMMANDS = [
  'roll',
  'pitch',
  'yaw',
  'throttle',
  'lift',
  'flap',
  'brake',
  'gear',
  'pan',
  'tilt',
  'dropper',
  'camera-trigger',
  'light',
] as const;
export type Command = (typeof COMMANDS)[number];

/** Commands as they are at this moment; what is not named is 0. */
export type Commands = Readonly<Partial<Record<Command, number>>>;

/** One row of the mixer: how a function follows the commands. */
export interface MixerRow {
  readonly function: OutputFunction;
  /**
   * What its values mean. `surface`: -1 to 1, positive with the trailing edge down, of a rudder to the right. `opens`: 0 to 1.
   * `motor`: 0 for still to 1. `passed`: an RC channel as it comes in.
   */
  readonly scale: 'surface' | 'opens' | 'motor' | 'passed';
  readonly weights: Readonly<Partial<Record<Command, number>>>;
  /** Its value when nothing is asked. */
  readonly trim: number;
  /** The share of a deflection that is left of it where it goes down. */
  readonly downShare: number;
  readonly reason: string;
}
