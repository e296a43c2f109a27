import type { Airframe, Ways } from './airframes/airframe.ts';
import { COPTERS } from './airframes/copters.ts';
import { PLANES } from './airframes/planes.ts';
import { LIFT_FUNCTIONS, type OutputFunction } from './outputFunctions.ts';

const KINDS = { ...PLANES, ...COPTERS };

export type AirframeKind = keyof typeof KINDS;

/** One entry a kind. */
export const AIRFRAME_KINDS: Readonly<Record<AirframeKind, Airframe>> = KINDS;

export function isAirframeKind(text: string): text is AirframeKind {
  return Object.hasOwn(KINDS, text);
}

/** All kinds, in the order of the table. */
export const airframeKinds: readonly AirframeKind[] = Object.keys(KINDS).filter(isAirframeKind);

/** The functions of its lift motors, by number. */
export function liftFunctions(kind: AirframeKind): readonly OutputFunction[] {
  return LIFT_FUNCTIONS.slice(0, AIRFRAME_KINDS[kind].rotors.length);
}

/** The functions that its outputs must have between them. */
export function requiredFunctions(kind: AirframeKind): readonly OutputFunction[] {
  const { surfaces, thrust } = AIRFRAME_KINDS[kind];
  return [...surfaces, ...thrust, ...liftFunctions(kind)];
}

/** True for an airframe that can stand in the air: one with lift motors. */
export function hovers(kind: AirframeKind): boolean {
  return AIRFRAME_KINDS[kind].rotors.length > 0;
}

/** True for one that hangs on its motors alone. */
export function isWingless(kind: AirframeKind): boolean {
  return AIRFRAME_KINDS[kind].body.is === 'copter';
}

/** The least set of surfaces or motors with which it can still be flown, on its wings or in the air: every row in one of its ways. */
export function survivingSets(kind: AirframeKind): { readonly cruise: readonly Ways[]; readonly hover: readonly Ways[] } {
  const { steering, sparesRotors, surfaces } = AIRFRAME_KINDS[kind];
  const motors = liftFunctions(kind);
  const tilt = surfaces.filter((name) => name === 'tail-tilt');
  const enough: Ways = sparesRotors === 0 ? [motors] : motors.map((lost) => motors.filter((motor) => motor !== lost));
  const hover = motors.length === 0 ? [] : [enough, ...tilt.map((name): Ways => [[name]])];
  return { cruise: isWingless(kind) ? hover : steering, hover };
}
