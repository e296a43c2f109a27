/** Open-circuit voltage of one cell by charge, sample values of the chemistry: charge from empty to full, volts. */
const CURVES = {
  lipo: [
    [0, 3.27],
    [0.05, 3.45],
    [0.1, 3.6],
    [0.2, 3.7],
    [0.3, 3.76],
    [0.4, 3.79],
    [0.5, 3.82],
    [0.6, 3.87],
    [0.7, 3.92],
    [0.8, 3.98],
    [0.9, 4.06],
    [1, 4.2],
  ],
  'li-ion': [
    [0, 2.6],
    [0.05, 3],
    [0.1, 3.15],
    [0.2, 3.33],
    [0.3, 3.45],
    [0.4, 3.54],
    [0.5, 3.63],
    [0.6, 3.73],
    [0.7, 3.83],
    [0.8, 3.93],
    [0.9, 4.05],
    [1, 4.2],
  ],
} as const;

/** The open-circuit voltage of a cell at a charge from 0 to 1. */
export function cellVolts(chemistry: keyof typeof CURVES, charge: number): number {
  return interpolated(CURVES[chemistry], charge);
}

/** A value of a curve of rising points, straight between them and flat beyond its ends. */
export function interpolated(points: readonly (readonly [number, number])[], x: number): number {
  const [first, last] = [points[0], points.at(-1)];
  if (first === undefined || last === undefined) return 0;
  if (x <= first[0]) return first[1];
  for (let i = 1; i < points.length; i++) {
    const [from, to] = [points[i - 1], points[i]];
    if (from !== undefined && to !== undefined && x <= to[0]) {
      return from[1] + ((to[1] - from[1]) * (x - from[0])) / (to[0] - from[0]);
    }
  }
  return last[1];
}
