import { USUAL_ARM_HOLES, USUAL_HORN_HOLES, type Linkage } from '@wired-falcon/core';

/** The holes that there are, and the one in use among them; in mm. */
export function holesOf(linkage: Linkage, side: 'arm' | 'horn'): readonly number[] {
  const [own, usual, now] =
    side === 'arm' ? [linkage.armHoles, USUAL_ARM_HOLES, linkage.armMm] : [linkage.hornHoles, USUAL_HORN_HOLES, linkage.hornMm];
  return [...new Set([...(own ?? usual), now])].sort((a, b) => a - b);
}
