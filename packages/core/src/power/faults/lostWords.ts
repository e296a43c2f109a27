import { ABILITIES } from './abilities.ts';
import type { FaultLine } from './faultSweep.ts';

/** What a fault costs, in words, with control first where nobody can tell yet; empty where it costs nothing. */
export function lostWords({ class: kind, lost }: Pick<FaultLine, 'class' | 'lost'>): string {
  return [...(kind === 'unknown' ? ['control: unknown'] : []), ...lost.map((ability) => ABILITIES[ability])].join(', ');
}
