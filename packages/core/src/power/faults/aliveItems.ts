import type { ScenarioResult } from '../scenarios/solveScenario.ts';
import { leastVolts, voltsAcross } from '../scenarios/solveScenario.ts';
import type { DeviceElement } from '../network/devicesOf.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { Solved } from '../solve/circuit.ts';
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
    if (isBurnt(network, after, i, element)) alive[item] = 0;
    if (element.is !== 'load' && element.is !== 'drive') return;
    const volts = voltsAcross(network, after, i);
    const least = leastVolts(network, i) ?? element.minV * SERVO_SHARE;
    if (fallen.has(i) || volts < least || volts > element.maxV * 1.001) alive[item] = 0;
  });
  return alive;
}

/** True for a regulator or selector with more at an input than it stands. */
function isBurnt({ shape }: PowerNetwork, { volts }: Pick<Solved, 'volts'>, device: number, element: DeviceElement): boolean {
  const nodes = shape.devices[device]?.nodes ?? [];
  const above = (k: number, ground: number): number => (volts[nodes[k] ?? -1] ?? 0) - (volts[nodes[ground] ?? -1] ?? 0);
  if (element.is === 'regulator') return above(0, 2) > element.inputMaxV * 1.001;
  return element.is === 'selector' && element.inputs.some(({ absoluteMaxV }, k) => above(k, nodes.length - 1) > absoluteMaxV * 1.001);
}
