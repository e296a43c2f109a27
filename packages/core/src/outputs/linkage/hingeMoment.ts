/** A surface aft of its hinge. */
export interface Surface {
  readonly chordMm: number;
  readonly lengthMm: number;
}

/** The air at sea level, kg/m3. */
const AIR_KG_M3 = 1.225;
/** How far above stall speed full throw pulls the wing to its limit load, 3.8 g: the square root of it. */
const MANOEUVRE = Math.sqrt(3.8);
/** At never-exceed speed a third of the throw is as much as the airframe is built for. */
const SHARE_AT_NEVER_EXCEED = 1 / 3;

/** A case in which the servo has to hold its surface. */
export interface MomentCase {
  readonly name: 'full throw at manoeuvre speed' | 'a third of the throw at never-exceed speed';
  readonly speedMs: number;
  readonly share: number;
}

/** The cases for the speeds that are known: full throw at `Vs sqrt(3.8)`, one third of it at never-exceed speed. */
export function momentCases({
  stallMs,
  neverExceedMs,
}: {
  readonly stallMs?: number;
  readonly neverExceedMs?: number;
}): readonly MomentCase[] {
  return [
    ...(stallMs === undefined ? [] : [{ name: 'full throw at manoeuvre speed' as const, speedMs: stallMs * MANOEUVRE, share: 1 }]),
    ...(neverExceedMs === undefined
      ? []
      : [{ name: 'a third of the throw at never-exceed speed' as const, speedMs: neverExceedMs, share: SHARE_AT_NEVER_EXCEED }]),
  ];
}

/**
 * The moment of the air about a hinge, in newton centimetres: `M = rho/2 V^2 S c Ch`, with `Ch` in proportion to the deflection. An estimate:
 * gaps, balance ahead of the hinge and the flow over the wing are not in it.
 */
export function hingeMomentNcm({ chordMm, lengthMm }: Surface, momentPerRad: number, speedMs: number, deflectionDeg: number): number {
  const areaM2 = (chordMm * lengthMm) / 1e6;
  const coefficient = (momentPerRad * Math.abs(deflectionDeg) * Math.PI) / 180;
  return 0.5 * AIR_KG_M3 * speedMs ** 2 * areaM2 * (chordMm / 1000) * coefficient * 100;
}
