import type { Circuit, Solved, Tripping } from './circuit.ts';
import { DOWN, inputOf, ON } from './deviceStates.ts';
import { firstInside } from './nextStates.ts';

/** A device that would start again by itself, and the state in which. */
export interface Return {
  readonly device: number;
  readonly to: number;
}

/** True when a device that is down, or a selector on a later input, would not be so at this balance if it had just been started. */
export function comesBack(circuit: Circuit, solved: Pick<Solved, 'volts' | 'states'>): boolean {
  return circuit.laws.some((_, device) => startedState(circuit, solved, device) !== undefined);
}

/** What has tripped and stays so until somebody comes: fuses, which hold themselves, and regulators that latch off. */
export function cutOffs({ laws }: Circuit, trippings: readonly Tripping[]): readonly Tripping[] {
  return trippings.filter(({ device, what }) => {
    const law = laws[device];
    return what === 'trip' || (what === 'overload' && law?.is === 'regulator' && law.onOverload === 'latch-off');
  });
}

/**
 * What has tripped on the way to a balance and would start again at it: a regulator that shut down for want of input and has it again, a
 * selector with an earlier input inside its window. One that was overloaded would be so again.
 */
export function returnsOf(circuit: Circuit, solved: Pick<Solved, 'volts' | 'states'>, trippings: readonly Tripping[]): readonly Return[] {
  const last = new Map(trippings.map((tripping) => [tripping.device, tripping]));
  return [...last.values()].flatMap(({ device, what }): Return[] => {
    const to = what === 'input-low' || what === 'window' ? startedState(circuit, solved, device) : undefined;
    return to === undefined ? [] : [{ device, to }];
  });
}

/** Whether a return undoes a tripping: a selector that goes back to its second input still has left its first. */
export function isUndone({ device, what, input = 0 }: Tripping, back: Return): boolean {
  return device === back.device && (what !== 'window' || input >= inputOf(back.to));
}

/** The state in which a device that is down, or on a later input, would start now; undefined where it stays as it is. */
function startedState({ shape, laws }: Circuit, { volts, states }: Pick<Solved, 'volts' | 'states'>, device: number): number | undefined {
  const law = laws[device];
  const nodes = shape.devices[device]?.nodes ?? [];
  const state = states[device] ?? 0;
  const against = (k: number, ground: number): number => (volts[nodes[k] ?? 0] ?? 0) - (volts[nodes[ground] ?? 0] ?? 0);
  if (law?.is === 'regulator') return state === DOWN && against(0, 2) >= law.inputMinV ? ON : undefined;
  if (law?.is !== 'selector') return undefined;
  const first = firstInside(law.windows, (k) => against(k, nodes.length - 1));
  return inputOf(first) >= 0 && inputOf(first) !== inputOf(state) ? first : undefined;
}
