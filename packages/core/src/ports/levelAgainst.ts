import type { GraphItem } from '../graph/graph.ts';
import { levelVerdict, USUAL_SHARE } from '../links/levels.ts';
import type { Pin } from '../model/part.ts';
import { stated } from '../text/numbers.ts';
import type { BoardPort } from './boardPorts.ts';
import type { LinkSeeker } from './linkSeekers.ts';

/**
 * Why a pin does not take what another one sends, where the data of both says.
 * @param counts what is looked for: all that is wrong, or only what does harm
 */
export function levelAgainst(
  talker: GraphItem,
  talks: string | undefined,
  listener: GraphItem,
  hears: string | undefined,
  counts: 'all' | 'too-high' = 'all',
): string | undefined {
  const [high, logic] = [pinAddressed(talker, talks)?.logic?.highV, pinAddressed(listener, hears)?.logic];
  if (high === undefined || logic === undefined) return undefined;
  const verdict = levelVerdict(high, logic);
  if (verdict === 'agree' || (verdict === 'too-low' && counts === 'too-high')) return undefined;
  const sends = `${talker.item.ref} outputs ${stated(high, 'V')}`;
  return verdict === 'too-high'
    ? `${sends}, and ${listener.item.ref} withstands ${stated(logic.inputMaxV, 'V')}`
    : `${sends}, and ${listener.item.ref} reads a high from ${stated(logic.needsV ?? USUAL_SHARE * logic.highV, 'V')} up`;
}

function pinAddressed({ part }: GraphItem, address: string | undefined): Pin | undefined {
  if (address === undefined) return undefined;
  const dot = address.lastIndexOf('.');
  return part?.ports.find(({ id }) => id === address.slice(0, dot))?.pins.find(({ n }) => n === Number(address.slice(dot + 1)));
}

/** True where a part in the wire makes up for what the two ends do not have in common. */
export function isConvertedThere({ now }: LinkSeeker, port: BoardPort): boolean {
  return now?.isConverted === true && now.item === port.item && port.endpoints.some(({ id }) => id === now.endpoint);
}
