import type { Pin } from '../model/part.ts';

/** What a pin reads as a high, as a share of its own level, where its data does not say. */
export const USUAL_SHARE = 0.6;

type Logic = NonNullable<Pin['logic']>;

/** What a signal that is high at so many volts is to a pin that hears it. */
export function levelVerdict(highV: number, { inputMaxV, needsV, highV: own }: Logic): 'agree' | 'too-high' | 'too-low' {
  if (highV > inputMaxV) return 'too-high';
  return highV < (needsV ?? USUAL_SHARE * own) ? 'too-low' : 'agree';
}
