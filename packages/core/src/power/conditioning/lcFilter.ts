/** A coil in series and a capacitor across the load. */
export interface LcFilter {
  readonly microhenry: number;
  readonly coilOhm: number;
  readonly microfarad: number;
  readonly esrOhm: number;
}

/** What it works between. */
export interface LcWish {
  readonly volts: number;
  readonly amps: number;
  /** The frequency at which the motor controllers chop. */
  readonly switchingHz: number;
  /** The lowest and highest frequency of the motor's own noise: its electrical revolutions. */
  readonly motorHz: readonly [number, number];
}

export interface LcAnswer {
  /** `1 / (2 pi sqrt(L C))`. */
  readonly resonanceHz: number;
  /** Positive: so much weaker behind the filter, in dB. */
  readonly attenuationDb: number;
  readonly dropV: number;
  /** How much stronger than before the filter its worst frequency is, in dB, and which that is. */
  readonly peakDb: number;
  readonly peakHz: number;
  readonly q: number;
  /** A peak above 3 dB that the motor excites. */
  readonly isHarmful: boolean;
}

const HARMFUL_DB = 3;

/** What a filter does, from the voltage divider of its impedances with the load across the capacitor. */
export function lcFilterAnswer(filter: LcFilter, { volts, amps, switchingHz, motorHz }: LcWish): LcAnswer {
  const henry = filter.microhenry * 1e-6;
  const farad = filter.microfarad * 1e-6;
  const loadOhm = volts / Math.max(amps, 1e-6);
  const resonanceHz = 1 / (2 * Math.PI * Math.sqrt(henry * farad));
  const gainDb = (hertz: number): number => 20 * Math.log10(gainAt(filter, loadOhm, hertz));
  let [peakDb, peakHz] = [gainDb(resonanceHz), resonanceHz];
  // The peak lies beside the resonance, the further the more damping there is.
  for (let k = -200; k <= 200; k++) {
    const hertz = resonanceHz * 2 ** (k / 100);
    const db = gainDb(hertz);
    if (db > peakDb) [peakDb, peakHz] = [db, hertz];
  }
  const isExcited = peakHz >= motorHz[0] && peakHz <= motorHz[1];
  // Series losses and the load both damp: 1/Q = R sqrt(C/L) + sqrt(L/C) / Rload.
  const impedance = Math.sqrt(henry / farad);
  return {
    resonanceHz,
    attenuationDb: -gainDb(switchingHz),
    dropV: amps * filter.coilOhm,
    peakDb,
    peakHz,
    q: 1 / ((filter.coilOhm + filter.esrOhm) / impedance + impedance / loadOhm),
    isHarmful: peakDb > HARMFUL_DB && isExcited,
  };
}

/** The share of a voltage that gets through at a frequency: `Zp / (Zs + Zp)`. */
function gainAt({ microhenry, coilOhm, microfarad, esrOhm }: LcFilter, loadOhm: number, hertz: number): number {
  const omega = 2 * Math.PI * hertz;
  const series = { re: coilOhm, im: omega * microhenry * 1e-6 };
  const capacitor = { re: esrOhm, im: -1 / (omega * microfarad * 1e-6) };
  const parallel = divided(times(capacitor, { re: loadOhm, im: 0 }), { re: capacitor.re + loadOhm, im: capacitor.im });
  const through = divided(parallel, { re: series.re + parallel.re, im: series.im + parallel.im });
  return Math.hypot(through.re, through.im);
}

interface Complex {
  readonly re: number;
  readonly im: number;
}

function times(a: Complex, b: Complex): Complex {
  return { re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re };
}

function divided(a: Complex, b: Complex): Complex {
  const square = b.re * b.re + b.im * b.im;
  return { re: (a.re * b.re + a.im * b.im) / square, im: (a.im * b.re - a.re * b.im) / square };
}
