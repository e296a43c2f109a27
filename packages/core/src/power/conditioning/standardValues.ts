/** Preferred values of a decade (IEC 60063). */
const SERIES = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1],
} as const;
export type Series = keyof typeof SERIES;

/** All values of a series from `least` to `most`, rising. */
export function valuesBetween(series: Series, least: number, most: number): number[] {
  const values: number[] = [];
  if (!(least > 0) || !(most >= least)) return values;
  for (let decade = Math.floor(Math.log10(least)); 10 ** decade <= most; decade++) {
    for (const step of SERIES[series]) {
      const value = Number((step * 10 ** decade).toPrecision(3));
      if (value >= least * (1 - 1e-9) && value <= most * (1 + 1e-9)) values.push(value);
    }
  }
  return values;
}

/** The smallest value of a series that is not below `value`, which is above 0. */
export function nextUp(series: Series, value: number): number {
  const [first] = valuesBetween(series, value, value * 10);
  return first ?? value;
}
