import type { Design } from '../../model/design.ts';
import { switchesOf } from '../switchPositions.ts';
import { combinationsOf, type Combination } from './combinations.ts';

/** The switches that choose flight modes, without those that only arm. */
export function flightSwitches(design: Design): readonly string[] {
  const { rc } = design.aircraft;
  const channels = Object.values(rc.ranges).flatMap(({ gives, channel, with: also }) =>
    gives === 'armed' ? [] : [channel, ...(also === undefined ? [] : [also.channel])],
  );
  return [...new Set([...new Set(channels)].flatMap((channel) => switchesOf(rc, channel)))];
}

/** One combination for each way in which those switches can be: what else is moved changes no mode. */
export function flightCombinations(design: Design): readonly Combination[] {
  const switches = new Set(flightSwitches(design));
  const seen = new Set<string>();
  return (combinationsOf(design) ?? []).flatMap((one) => {
    const positions = one.positions.filter(({ id }) => switches.has(id));
    const key = positions.map(({ id, at }) => `${id} ${at}`).join(' ');
    if (seen.has(key)) return [];
    seen.add(key);
    return [{ ...one, positions }];
  });
}
