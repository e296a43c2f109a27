import type { RegulatorLaw } from './circuit.ts';

/** Conducting, and the device decides the voltage: what every device begins with. A selector's first input is 0. */
export const ON = 0;
/** A diode, selector or supply that would carry current backwards carries none. */
export const BLOCKED = 1;
/** A regulator below its setpoint for want of input voltage; it follows the input. */
export const FOLLOWS = 2;
/** At its current limit. */
export const LIMITED = 3;
/** Shut down for good: input too low, overload, trip. */
export const DOWN = 4;
/** A selector with none of its inputs inside its window. */
export const NO_INPUT = -1;

/** A selector's state: the input that it takes, and whether it conducts. */
export function selectorState(input: number, isBlocked: boolean): number {
  return 2 * input + (isBlocked ? BLOCKED : ON);
}

/** The input that a selector takes, or -1. */
export function inputOf(state: number): number {
  return state === NO_INPUT ? -1 : state >> 1;
}

/** The share of its current that a folding regulator still gives into a short. */
export const FOLDED_SHARE = 0.3;

/** What a regulator that is overloaded gives at an output voltage: its limit, or when it folds back less the lower the output is. */
export function overloadedA(law: RegulatorLaw, outV: number): number {
  if (law.onOverload !== 'foldback') return law.limitA;
  const share = Math.min(Math.max(outV / law.setV, 0), 1);
  return law.limitA * (FOLDED_SHARE + (1 - FOLDED_SHARE) * share);
}

/** The highest output that a regulator can give from an input. */
export function reachableV(law: RegulatorLaw, inV: number): number {
  return law.topology === 'buck-boost' ? law.setV : Math.min(law.setV, inV - law.dropoutV);
}

/** What a regulator takes at its input, beside its quiescent current, for each ampere that it gives. */
export function inputShare(law: RegulatorLaw, inV: number, outV: number): number {
  return law.topology === 'linear' ? 1 : outV / (law.efficiency * inV);
}
