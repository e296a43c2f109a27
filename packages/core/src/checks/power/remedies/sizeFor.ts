import type { Connector } from '../../../model/connector.ts';
import { sizesBetween, wireAmps } from '../../../harness/wireLimits.ts';

/** The thinnest wire that carries a current for ever and that the contacts take; the thickest that they take where none does. */
export function sizeFor(amps: number, ...ends: readonly (Connector | undefined)[]): number | undefined {
  const sizes = sizesBetween(ends[0], ends[1]);
  return sizes.find((awg) => (wireAmps(awg, Infinity) ?? 0) >= amps) ?? sizes.at(-1);
}
