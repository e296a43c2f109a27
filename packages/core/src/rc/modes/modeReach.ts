import { hovers, type AirframeKind } from '../../model/airframes.ts';
import type { Design } from '../../model/design.ts';
import { FLIGHT_MODES, type FlightMode } from '../../model/flightModes.ts';
import { combinationsOf, isOneMovement, type Combination } from './combinations.ts';

/** What the switches reach of the planned ranges, and what they do not. */
export interface ModeReach {
  /** Ranges that no combination of switches puts in force. */
  readonly unreached: readonly string[];
  /** Combinations in which ranges of different modes hold at once. */
  readonly overlaps: readonly Combination[];
  /** Combinations whose values lie in nobody's range. */
  readonly gaps: readonly Combination[];
  readonly hasReturn: boolean;
  /** Combinations from which the mode that saves the day is more than one movement away: manual with wings, one that levels by itself for what hovers. */
  readonly farFromSafe: readonly Combination[];
  /** Channels or switches by which modes are chosen and the motors armed alike. */
  readonly sharedWithArming: readonly string[];
}

/** True for the modes that have to be within one movement: manual for what only glides, one that levels by itself for what hovers. */
export function isSafeMode(kind: AirframeKind, mode: FlightMode | undefined): boolean {
  if (mode === undefined) return false;
  return hovers(kind) ? FLIGHT_MODES[mode].levels : mode === 'manual';
}

/** What the switches make of the ranges; undefined where there are too many combinations to go through. */
export function modeReachOf(design: Design): ModeReach | undefined {
  const combinations = combinationsOf(design);
  if (combinations === undefined) return undefined;
  const { rc, airframe } = design.aircraft;
  const reached = new Set(combinations.flatMap(({ ranges, armedBy }) => [...ranges, ...armedBy]));
  const isSafe = ({ mode, isOverlap }: Combination): boolean => !isOverlap && isSafeMode(airframe.kind, mode);
  const safe = combinations.filter(isSafe);
  return {
    unreached: Object.keys(rc.ranges).filter((id) => !reached.has(id)),
    overlaps: combinations.filter(({ isOverlap }) => isOverlap),
    gaps: combinations.filter(({ mode }) => mode === undefined),
    hasReturn: combinations.some(({ mode, isOverlap }) => mode === 'return' && !isOverlap),
    farFromSafe: combinations.filter((one) => !safe.some((other) => isOneMovement(one, other))),
    sharedWithArming: sharedWithArming(design),
  };
}

function sharedWithArming({ aircraft: { rc } }: Design): readonly string[] {
  const used = (isArming: boolean): ReadonlySet<string> => {
    const channels = Object.values(rc.ranges).flatMap(({ gives, channel, with: also }) =>
      (gives === 'armed') === isArming ? [channel, ...(also === undefined ? [] : [also.channel])] : [],
    );
    const switches = channels.flatMap((channel) => {
      const from = rc.channels[channel]?.from;
      return from?.is === 'switches' ? from.switches.map((id) => rc.switches[id]?.title ?? id) : [];
    });
    return new Set([...channels.map((channel) => `channel ${channel}`), ...switches]);
  };
  const modes = used(false);
  return [...used(true)].filter((name) => modes.has(name));
}
