/** So many digits that count, and no more than so many after the point. */
function significant(digits: number, mostPlaces: number): (value: number) => number {
  return (value) => {
    if (value === 0) return mostPlaces;
    const before = Math.floor(Math.log10(Math.abs(value))) + 1;
    return Math.min(Math.max(digits - before, 0), mostPlaces);
  };
}

const whole = (): number => 0;
const tenths = (): number => 1;
const hundredths = (): number => 2;

/**
 * The units that texts are made in, each with its rule: how many digits stand after the point of a value. `deg` and `min` are for
 * tables and evidence, `degrees` and `minutes` for sentences.
 */
export const UNITS = {
  A: hundredths,
  mA: whole,
  mAh: whole,
  V: hundredths,
  W: significant(3, 2),
  J: hundredths,
  ohm: whole,
  mohm: hundredths,
  pF: whole,
  uF: whole,
  uH: whole,
  dB: significant(2, 1),
  dBm: whole,
  Hz: whole,
  kHz: whole,
  MHz: whole,
  uT: significant(3, 2),
  Ncm: significant(3, 1),
  us: whole,
  ns: whole,
  ms: hundredths,
  s: significant(3, 2),
  min: tenths,
  minutes: whole,
  mm: whole,
  m: hundredths,
  km: significant(3, 1),
  cm2: whole,
  g: significant(3, 1),
  'kg m': significant(4, 4),
  'kg m2': significant(3, 3),
  'm/s': significant(3, 2),
  'B/s': whole,
  Pa: whole,
  deg: significant(2, 1),
  degrees: (value) => (Math.abs(value) < 2 ? 1 : 0),
  '%': whole,
} as const satisfies Record<string, (value: number) => number>;

/** A unit as it is written behind a number. */
export type Unit = keyof typeof UNITS;

/** What a reader may choose to read lengths, masses and speeds in. Texts are made in `metric`. */
export const UNIT_SYSTEMS = { metric: 'mm, m, g, m/s', imperial: 'in, ft, oz, kt' } as const;
export type UnitSystem = keyof typeof UNIT_SYSTEMS;

/** A unit that stands for a metric one. */
export interface OtherUnit {
  readonly unit: string;
  /** How much of it one of the metric unit is. */
  readonly per: number;
  readonly places: (value: number) => number;
}

const MM_PER_INCH = 25.4;
const M_PER_FOOT = 0.3048;
const KM_PER_NAUTICAL_MILE = 1.852;
const G_PER_OUNCE = 28.349523125;
const KG_PER_POUND = 16 * (G_PER_OUNCE / 1000);

/** What stands for a metric unit in inches, feet, ounces and knots. What is not here is written alike in both. */
export const IMPERIAL = {
  mm: { unit: 'in', per: 1 / MM_PER_INCH, places: hundredths },
  m: { unit: 'ft', per: 1 / M_PER_FOOT, places: significant(3, 1) },
  km: { unit: 'NM', per: 1 / KM_PER_NAUTICAL_MILE, places: significant(3, 1) },
  cm2: { unit: 'in2', per: 100 / MM_PER_INCH ** 2, places: whole },
  g: { unit: 'oz', per: 1 / G_PER_OUNCE, places: tenths },
  'kg m': { unit: 'lb in', per: 1000 / MM_PER_INCH / KG_PER_POUND, places: significant(4, 3) },
  'kg m2': { unit: 'lb ft2', per: 1 / M_PER_FOOT ** 2 / KG_PER_POUND, places: significant(3, 2) },
  'm/s': { unit: 'kt', per: 3.6 / KM_PER_NAUTICAL_MILE, places: significant(3, 1) },
} as const satisfies Partial<Record<Unit, OtherUnit>>;

/** Whether a unit is another one for who reads in inches. */
export function isConverted(unit: string): unit is keyof typeof IMPERIAL {
  return Object.hasOwn(IMPERIAL, unit);
}
