import { nextUp } from './standardValues.ts';

/** What a motor controller needs for each 100 mm that its battery lead was made longer (a rule of the trade for 3 to 8 cells). */
const MICROFARAD_PER_100_MM = 220;

/** The capacitance, in microfarad, to add at a motor controller for a battery lead that is so much longer than delivered. */
export function leadCapacitance(addedMm: number): { readonly microfarad: number; readonly pieces: number } {
  const wanted = (Math.max(addedMm, 0) / 100) * MICROFARAD_PER_100_MM;
  if (wanted === 0) return { microfarad: 0, pieces: 0 };
  const pieces = Math.ceil(wanted / 1000);
  return { microfarad: pieces * nextUp('E6', wanted / pieces), pieces };
}
