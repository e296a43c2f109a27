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

/** The wall of a silicone wire, and how much thicker its strands are than a solid wire. Round values: measure yours. */
const WALL_MM = 0.5;
const STRANDED = 1.15;

/** The outer diameter of a wire with its insulation, in mm. An estimate. */
export function outerDiameterMm(awg: number): number {
  return STRANDED * Math.sqrt((4 * areaMm2(awg)) / Math.PI) + 2 * WALL_MM;
}
