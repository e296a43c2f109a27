import { dialectOf, type Design, type RangeGives } from '@wired-falcon/core';

/** A mode as the firmware of the aircraft calls it; undefined where it has no such mode. */
export function firmwareName(design: Design, gives: RangeGives): string | undefined {
  const entry = gives === 'armed' ? undefined : dialectOf(design)?.modes[gives];
  return entry?.name ?? entry?.code;
}
