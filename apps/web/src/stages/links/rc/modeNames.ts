import { dialectOf, FLIGHT_MODES, type Design, type ModeRange } from '@wired-falcon/core';

/** A mode in a word or two, without what it does. */
export function modeName(gives: ModeRange['gives']): string {
  return gives === 'armed' ? 'armed' : FLIGHT_MODES[gives].title.replace(/:.*/, '');
}

/** As the firmware of the aircraft calls it; undefined where it has no such mode. */
export function firmwareName(design: Design, gives: ModeRange['gives']): string | undefined {
  const entry = gives === 'armed' ? undefined : dialectOf(design)?.modes[gives];
  return entry?.name ?? entry?.code;
}
