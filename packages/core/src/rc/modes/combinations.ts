import type { Design } from '../../model/design.ts';
import { naturalOrder } from '../../model/naturalOrder.ts';
import { positionValues, switchesOf, type SwitchPosition } from '../switchPositions.ts';
import { modeAt, type ModeAt } from './modeAt.ts';

/** One way in which the switches that choose modes can be, and what the controller makes of it. */
export interface Combination extends ModeAt {
  readonly positions: readonly SwitchPosition[];
  /** By channel, in microseconds. */
  readonly values: ReadonlyMap<string, number>;
}

/** More combinations than this are not gone through: nobody flies with them. */
export const MOST_COMBINATIONS = 4000;

/** The channels that ranges name, in natural order. */
export function modeChannels({ aircraft: { rc } }: Design): readonly string[] {
  const named = Object.values(rc.ranges).flatMap((range) => [range.channel, ...(range.with === undefined ? [] : [range.with.channel])]);
  return [...new Set(named)].sort(naturalOrder);
}

/** The switches behind those channels, each once, in the order of their channels. */
export function modeSwitches(design: Design): readonly string[] {
  return [...new Set(modeChannels(design).flatMap((channel) => switchesOf(design.aircraft.rc, channel)))];
}

const cache = new WeakMap<Design, readonly Combination[] | undefined>();

/**
 * Every combination of the positions of the switches that choose modes or arm, in the order of switches and positions.
 * @returns none where no switch does; undefined where there are too many to go through
 */
export function combinationsOf(design: Design): readonly Combination[] | undefined {
  if (cache.has(design)) return cache.get(design);
  const found = combined(design);
  cache.set(design, found);
  return found;
}

function combined(design: Design): readonly Combination[] | undefined {
  const { rc } = design.aircraft;
  const switches = modeSwitches(design);
  if (switches.length === 0) return [];
  const counts = switches.map((id) => rc.switches[id]?.positions ?? 1);
  const total = counts.reduce<number>((product, count) => product * count, 1);
  if (total > MOST_COMBINATIONS) return undefined;
  const channels = modeChannels(design).map((channel) => ({ channel, values: positionValues(design, channel) }));
  return Array.from({ length: total }, (_, i): Combination => {
    const positions: SwitchPosition[] = [];
    let rest = i;
    for (let k = switches.length - 1; k >= 0; k--) {
      const [id = '', count = 1] = [switches[k], counts[k]];
      positions.unshift({ id, at: rest % count });
      rest = Math.floor(rest / count);
    }
    const values = new Map(
      channels.flatMap(({ channel, values: all }) => {
        const us = all.find((value) => value.positions.every(({ id, at }) => positions.some((one) => one.id === id && one.at === at)))?.us;
        return us === undefined ? [] : [[channel, us] as const];
      }),
    );
    return { positions, values, ...modeAt(rc, (channel) => values.get(channel)) };
  });
}

/** True where at most one switch has to be moved from one combination to the other. */
export function isOneMovement(a: Combination, b: Combination): boolean {
  return a.positions.filter(({ at }, i) => at !== b.positions[i]?.at).length <= 1;
}
