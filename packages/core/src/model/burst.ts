/** What contacts, packs and motor controllers stand for a short while, where their data give no figure of their own: an assumption. */
export const BURST_S = 10;
const BURST_FACTOR = 1.5;

/** What may be carried for a time, in amperes, of what carries so much for ever. */
export function burstAmps(continuousA: number, durationS: number): number {
  return continuousA * (durationS <= BURST_S ? BURST_FACTOR : 1);
}
