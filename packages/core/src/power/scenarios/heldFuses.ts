import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { Law } from '../solve/circuit.ts';
import { runningStart } from '../solve/startOf.ts';

/** Where less than this comes to a fuse nothing trips it; its resistance is that of this voltage. */
const LEAST_V = 1;

/**
 * The laws of a situation, with each resettable fuse held, once it has tripped, by the voltage that comes to it in this situation: a
 * polymer fuse keeps itself hot with a constant power P, which at a short behind it is all of V^2 / R.
 * @param laws of every device of the network; of a fuse nothing is known yet of when it has tripped
 */
export function withHeldFuses({ shape, ohms, devices }: PowerNetwork, laws: readonly Law[]): Law[] {
  if (!laws.some((law) => law.is === 'limiter')) return [...laws];
  const { volts } = runningStart({ shape, ohms, laws });
  return laws.map((law, i) => {
    const device = devices[i]?.device;
    if (law.is !== 'limiter' || device?.is !== 'element' || device.element.is !== 'limiter') return law;
    const beforeV = Math.max(LEAST_V, volts[shape.devices[i]?.nodes[0] ?? -1] ?? 0);
    return { ...law, trippedOhm: (beforeV * beforeV) / device.element.trippedW };
  });
}
