import type { PinMap } from './fitPinMap.ts';
import { isSignal, isSupply } from './joinVerdict.ts';

/**
 * How much sense it makes to lead a cable from one port to another, for a list of which the first is taken: numbers to compare one after
 * the other, the smaller the better. A map of grounds alone comes last, and so does one that feeds a USB port from
 * elsewhere; then a signal comes before a supply, a supply that flows the way
 * that was typed before one that flows back (never a regulator's input for its output), more conductors before fewer, and fewer pins
 * left out before more.
 */
export function joinRank({ a, b, pairs, leftOut }: Omit<PinMap, 'straight'>): readonly number[] {
  const roles = pairs.flatMap((pair) => a.port.pins[pair.a - 1]?.role ?? []);
  const hasSignal = roles.some(isSignal);
  const flowsBack = !hasSignal && roles.includes('supply-in');
  const isGroundAlone = !roles.some((role) => isSignal(role) || isSupply(role));
  const isBesideUsb = !roles.includes('usb') && [a, b].some(({ port }) => port.pins.some(({ role }) => role === 'usb'));
  return [isGroundAlone || isBesideUsb ? 1 : 0, hasSignal ? 0 : 1, flowsBack ? 1 : 0, -pairs.length, leftOut.length];
}

/** Compares two ranks, as `sort` wants it. */
export function byRank(x: readonly number[], y: readonly number[]): number {
  const at = x.findIndex((value, i) => value !== y[i]);
  return at < 0 ? 0 : (x[at] ?? 0) - (y[at] ?? 0);
}
