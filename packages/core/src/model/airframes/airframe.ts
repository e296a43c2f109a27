import type { OutputFunction } from '../outputFunctions.ts';
import type { Rotor } from './rotor.ts';

/** A movable surface along a wing, from the root out. */
export type WingSurface = 'flap' | 'spoiler' | 'aileron' | 'elevon' | 'rudder';

/** What an airframe is built like, for its usual numbers and its drawing. */
export type Body =
  | {
      readonly is: 'plane';
      /** Where it is pushed: at the nose, behind the fuselage, or by two motors on the wing. */
      readonly propeller: 'nose' | 'rear' | 'wing';
      readonly tail: 'plain' | 'v' | 'a';
      readonly alongWing: readonly WingSurface[];
    }
  | { readonly is: 'wing'; readonly alongWing: readonly WingSurface[] }
  | { readonly is: 'copter' };

/** Sets of functions of which one at least must be whole. */
export type Ways = readonly (readonly OutputFunction[])[];

/** A kind of airframe. Everything that hangs on the kind is derived from its entry. */
export interface Airframe {
  readonly title: string;
  readonly body: Body;
  /** What its servos move, in the order of the outputs that people use. */
  readonly surfaces: readonly OutputFunction[];
  /** The motors that push it ahead. */
  readonly thrust: readonly OutputFunction[];
  /** The motors that lift it, in our own order: the firmware's may be another. */
  readonly rotors: readonly Rotor[];
  /** How many lift motors it can lose, whichever, and still be landed. */
  readonly sparesRotors: 0 | 1;
  /** The least with which it is still steered on its wings: each row in one of its ways. */
  readonly steering: readonly Ways[];
}
