import type { Design } from '../model/design.ts';
import type { RcPlan } from '../model/rcPlan.ts';
import { plannedEnds } from './channelScale.ts';

/** A position of a switch: its id, and which of its positions, from 0. */
export interface SwitchPosition {
  readonly id: string;
  readonly at: number;
}

/** What a channel is with its switches in some positions. */
export interface PositionValue {
  readonly positions: readonly SwitchPosition[];
  readonly us: number;
}

const NAMES: Readonly<Record<number, readonly string[]>> = { 2: ['up', 'down'], 3: ['up', 'middle', 'down'] };

/** A position as people name it: `up`, `middle`, `down`, or its number. */
export function positionName(positions: number, at: number): string {
  return NAMES[positions]?.[at] ?? String(at + 1);
}

/** Positions with their switches: `switch 2 middle, switch 1 up`. */
export function positionWords({ switches }: RcPlan, positions: readonly SwitchPosition[]): string {
  return positions
    .map(({ id, at }) => {
      const one = switches[id];
      return one === undefined ? id : `${one.title} ${positionName(one.positions, at)}`;
    })
    .join(', ');
}

/** The switches that a channel comes from and that there are. */
export function switchesOf(rc: RcPlan, channel: string): readonly string[] {
  const from = rc.channels[channel]?.from;
  return from?.is === 'switches' ? from.switches.filter((id) => rc.switches[id] !== undefined) : [];
}

/**
 * Every position of the switches of a channel with its value: in even steps from end to end, the steps of a second switch between those of
 * the first. Of one switch that was measured, as measured. None for a channel that comes from no switch.
 */
export function positionValues(design: Design, channel: string): readonly PositionValue[] {
  const { rc } = design.aircraft;
  const [first, second] = switchesOf(rc, channel);
  const plan = rc.channels[channel];
  if (first === undefined || plan === undefined) return [];
  const firstCount = rc.switches[first]?.positions ?? 0;
  const secondCount = second === undefined ? 1 : (rc.switches[second]?.positions ?? 1);
  const { leastUs, mostUs } = plannedEnds(design, plan);
  const [from, to] = plan.reversed === true ? [mostUs, leastUs] : [leastUs, mostUs];
  const steps = firstCount * secondCount;
  const measured = second === undefined ? measuredValues(plan.measured, firstCount) : undefined;
  return Array.from({ length: steps }, (_, i): PositionValue => {
    const positions = [
      { id: first, at: Math.floor(i / secondCount) },
      ...(second === undefined ? [] : [{ id: second, at: i % secondCount }]),
    ];
    return { positions, us: measured?.[i] ?? from + ((to - from) * i) / (steps - 1) };
  });
}

/** Of a switch with two or three positions, what was measured says all. */
function measuredValues(measured: RcPlan['channels'][string]['measured'], count: number): readonly number[] | undefined {
  if (measured === undefined) return undefined;
  const { firstUs, centreUs, lastUs } = measured;
  if (count === 2) return [firstUs, lastUs];
  return count === 3 && centreUs !== undefined ? [firstUs, centreUs, lastUs] : undefined;
}
