import type { ScenarioResult } from '../scenarios/solveScenario.ts';
import { leastVolts, voltsAcross } from '../scenarios/solveScenario.ts';
import type { FaultResult } from './solveFault.ts';

/** A servo moves, weakly, down to this share of the least voltage in its data. */
const SERVO_SHARE = 0.7;

/** What works when all that falls has fallen: by item, 1 for alive. An item without loads of its own counts as alive. */
export function aliveItems({ network }: ScenarioResult, { after, falls }: Pick<FaultResult, 'after' | 'falls'>): Uint8Array {
  const alive = new Uint8Array(network.graph.items.length).fill(1);
  const fallen = new Set(falls.map(({ device }) => device));
  network.devices.forEach(({ device }, i) => {
    if (device.is !== 'element') return;
    const { element, item } = device;
    if (element.is !== 'load' && element.is !== 'drive') return;
    const volts = voltsAcross(network, after, i);
    const least = leastVolts(network, i) ?? element.minV * SERVO_SHARE;
    if (fallen.has(i) || volts < least || volts > element.maxV * 1.001) alive[item] = 0;
  });
  return alive;
}
