import type { UartEndpoint } from '../model/part.ts';

/**
 * How far the baud that an endpoint really makes is off the one that is wanted, as a share of it: the best of `clock / (samples * n)`, where
 * n goes in the steps of its divider. Undefined where the part does not state its clock.
 */
export function clockErrorShare({ clock }: UartEndpoint, baud: number): number | undefined {
  if (clock === undefined) return undefined;
  const { mhz, samplesPerBit, dividerSteps = 1 } = clock;
  const errors = samplesPerBit.map((samples) => {
    const wanted = (mhz * 1e6) / (samples * baud);
    const divider = Math.max(1, Math.round(wanted * dividerSteps) / dividerSteps);
    return (mhz * 1e6) / (samples * divider) / baud - 1;
  });
  return errors.reduce((best, error) => (Math.abs(error) < Math.abs(best) ? error : best));
}
