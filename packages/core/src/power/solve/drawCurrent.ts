import type { DrawLaw } from './circuit.ts';

/** The current that a two-terminal device draws at a voltage. Below zero volts each behaves as its slope at zero does. */
export function drawnA(law: DrawLaw, volts: number): number {
  switch (law.is) {
    case 'open':
      return 0;
    case 'resistance':
      return volts / law.ohm;
    case 'constant-current':
      return volts >= law.kneeV ? law.amps : (law.amps * volts) / law.kneeV;
    case 'constant-power':
      return volts >= law.kneeV ? law.watts / volts : (law.watts * volts) / (law.kneeV * law.kneeV);
    case 'square':
      return volts > 0 ? law.ampsPerV2 * volts * volts : 0;
    case 'clamp':
      return volts > law.volts ? (volts - law.volts) / law.ohm : 0;
  }
}

/** The slope of `drawnA`, in siemens. */
export function drawnS(law: DrawLaw, volts: number): number {
  switch (law.is) {
    case 'open':
      return 0;
    case 'resistance':
      return 1 / law.ohm;
    case 'constant-current':
      return volts >= law.kneeV ? 0 : law.amps / law.kneeV;
    case 'constant-power':
      return volts >= law.kneeV ? -law.watts / (volts * volts) : law.watts / (law.kneeV * law.kneeV);
    case 'square':
      return volts > 0 ? 2 * law.ampsPerV2 * volts : 0;
    case 'clamp':
      return volts > law.volts ? 1 / law.ohm : 0;
  }
}
