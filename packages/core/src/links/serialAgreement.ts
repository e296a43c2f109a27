import type { ProtocolId } from '../model/protocolIds.ts';
import type { SerialEnd } from './serialHops.ts';
import { offersInForce, serialSetup } from './serialSetup.ts';

/** The protocols that are in force at an end: the chosen one, or all while none is chosen. */
export function spokenAt({ entry, endpoint }: SerialEnd): readonly ProtocolId[] {
  return offersInForce(entry.item, endpoint).map((offer) => offer.protocol);
}

/** No protocol is in force at both ends, and at least one end has chosen. */
export function protocolsDiffer(a: SerialEnd, b: SerialEnd): boolean {
  const [inA, inB] = [spokenAt(a), spokenAt(b)];
  if ([...inA, ...inB].includes('transparent') || inA.some((protocol) => inB.includes(protocol))) return false;
  return [a, b].some(({ entry, endpoint }) => serialSetup(entry.item, endpoint).protocol !== undefined);
}
