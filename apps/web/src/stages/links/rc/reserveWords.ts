import { quantity, type BatteryReserve, type NoReserve } from '@wired-falcon/core';

/** Why there is no figure for the way home, and what to do. */
export const NO_RESERVE: Readonly<Record<NoReserve, string>> = {
  'no-way-home': 'Say how far from home it goes and how fast it comes back: then the reserve is computed.',
  'no-pack': 'No pack is drawn from in cruise, so there is no reserve to compute.',
  'too-far': 'The way home takes more than the usable share of the pack: the farthest place is too far.',
};

/** When to turn back, in a sentence. */
export function reserveWords({ pack, atMah, atVolts, homeMinutes, homeMah, outMinutes }: BatteryReserve): string {
  return `Turn back at ${quantity(atVolts, 'V')} under load or ${quantity(atMah, 'mAh')} used of ${pack}, after ${quantity(outMinutes, 'min')} of cruise: the way home takes ${quantity(homeMinutes, 'min')} and ${quantity(homeMah, 'mAh')}.`;
}
