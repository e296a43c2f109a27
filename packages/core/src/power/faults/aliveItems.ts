import { leastVolts, type ScenarioResult } from '../scenarios/solveScenario.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { FaultResult } from './solveFault.ts';

/** A servo moves, weakly, down to this share of the least voltage in its data. */
const SERVO_SHARE = 0.7;

/** What is above its limit by less than this share is at it. */
const AT_LIMIT = 1.001;

/** What items need in order to work, device by device. */
interface Needs {
  readonly loads: readonly Need[];
  /** Inputs of regulators and selectors: the most between two nodes of the circuit. */
  readonly inputs: readonly Omit<Need, 'leastV'>[];
}

/** The voltage that an item needs between two nodes of the circuit. */
interface Need {
  readonly item: number;
  readonly node: number;
  readonly ground: number;
  readonly leastV: number;
  readonly maxV: number;
}

const cache = new WeakMap<PowerNetwork, Needs>();

/**
 * What works when all that falls has fallen: by item, 1 for alive. What has no supply or no return is not, whatever stands at its
 * pins. An item without loads of its own counts as alive.
 */
export function aliveItems({ network }: ScenarioResult, { after, falls, dark }: Omit<FaultResult, 'before'>): Uint8Array {
  const alive = new Uint8Array(network.graph.items.length).fill(1);
  const needs = cache.get(network) ?? needsOf(network);
  cache.set(network, needs);
  for (const { item, node, ground, leastV, maxV } of needs.loads) {
    const volts = (after.volts[node] ?? 0) - (after.volts[ground] ?? 0);
    if (volts < leastV || volts > maxV) alive[item] = 0;
  }
  for (const { item, node, ground, maxV } of needs.inputs) {
    if ((after.volts[node] ?? 0) - (after.volts[ground] ?? 0) > maxV) alive[item] = 0;
  }
  for (const device of dark) alive[network.devices[device]?.device.item ?? -1] = 0;
  for (const { device } of falls) alive[network.devices[device]?.device.item ?? -1] = 0;
  return alive;
}

function needsOf(network: PowerNetwork): Needs {
  const needs = { loads: [] as Needs['loads'][number][], inputs: [] as Needs['inputs'][number][] };
  network.devices.forEach(({ device }, i) => {
    if (device.is !== 'element') return;
    const { element, item } = device;
    const nodes = network.shape.devices[i]?.nodes ?? [];
    const ground = nodes.at(-1) ?? 0;
    if (element.is === 'load' || element.is === 'drive') {
      const leastV = leastVolts(network, i) ?? element.minV * SERVO_SHARE;
      needs.loads.push({ item, node: nodes[0] ?? 0, ground, leastV, maxV: element.maxV * AT_LIMIT });
    } else if (element.is === 'regulator') {
      needs.inputs.push({ item, node: nodes[0] ?? 0, ground, maxV: element.inputMaxV * AT_LIMIT });
    } else if (element.is === 'selector') {
      element.inputs.forEach(({ absoluteMaxV }, k) =>
        needs.inputs.push({ item, node: nodes[k] ?? 0, ground, maxV: absoluteMaxV * AT_LIMIT }),
      );
    }
  });
  return needs;
}
