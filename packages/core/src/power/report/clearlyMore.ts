/** Differences below this share are noise of the solver, which hangs on the order of the equations. */
const NOISE = 1e-6;

/** True where a number is greater than another by more than noise: of situations that are alike, the first is then the worst. */
export function isClearlyMore(value: number, than: number): boolean {
  return value - than > NOISE * Math.max(Math.abs(value), Math.abs(than));
}
