import { quantity, type BatteryReserve, type NoReserve } from '@wired-falcon/core';

/** Why there is no figure for the way home, and what to do. */
export const NO_RESERVE: Readonly<Record<NoReserve, string>> = {
  'no-way-home': 'Enter the maximum distance from home and the return speed to compute the reserve.',
  'no-pack': 'No pack supplies cruise, so there is no reserve to compute.',
  'too-far': 'The way home takes more than the usable share of the pack: the maximum distance is too far.',
};

/** When to turn back, in a sentence. */
export function reserveWords({ pack, atMah, atVolts, homeMinutes, homeMah, outMinutes }: BatteryReserve): string {
  return `Return at ${quantity(atVolts, 'V')} under load or ${quantity(atMah, 'mAh')} used of ${pack}, after ${quantity(outMinutes, 'min')} of cruise: the way home takes ${quantity(homeMinutes, 'min')} and ${quantity(homeMah, 'mAh')}.`;
}
