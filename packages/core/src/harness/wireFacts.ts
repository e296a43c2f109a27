import type { Cable, Conductor } from '../model/aircraft.ts';

/** Cross-section of an AWG size in mm2: 0.012668 * 92 ^ ((36 - n) / 19.5) (definition of the American wire gauge). */
export function areaMm2(awg: number): number {
  return 0.012_668 * 92 ** ((36 - awg) / 19.5);
}

const COPPER_G_PER_CM3 = 8.96;
/** Insulation and the air between strands, as a share of the copper; a round value for silicone wire. */
const WITH_INSULATION = 1.4;

/** Mass of a wire with its insulation in grams per metre. An estimate: weigh yours. */
export function wireGramsPerM(awg: number): number {
  return areaMm2(awg) * COPPER_G_PER_CM3 * WITH_INSULATION;
}

/** The length of a conductor as it is typed for its leg, in mm; undefined as long as nobody typed one. */
export function conductorLengthMm(cable: Cable, conductor: Conductor): number | undefined {
  return cable.legs[conductor.leg]?.typedLengthMm;
}
