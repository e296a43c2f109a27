/** A unit as it is written behind a number. */
export type Unit =
  | 'A'
  | 'cm2'
  | 'dB'
  | 'dBm'
  | 'deg'
  | 'degrees'
  | 'g'
  | 'km'
  | 'm'
  | 'm/s'
  | 'mA'
  | 'min'
  | 'minutes'
  | 'MHz'
  | 'mm'
  | 'ns'
  | 'ohm'
  | 'Pa'
  | 'pF'
  | 'uT'
  | 'V'
  | 'W'
  | '%';

/** A number with so many digits after the point. What rounds to nought has no sign. */
export function decimals(value: number, digits: number): string {
  const text = value.toFixed(digits);
  return Number(text) === 0 ? (0).toFixed(digits) : text;
}

/** A number with its unit, a space between them: `5.02 V`. */
export function quantity(value: number, unit: Unit, digits: number): string {
  return `${decimals(value, digits)} ${unit}`;
}

/** A ratio as a percentage without digits after the point: `0.123` is `12 %`. */
export function percent(ratio: number): string {
  return quantity(ratio * 100, '%', 0);
}
