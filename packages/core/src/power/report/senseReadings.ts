import type { ScenarioResult } from '../scenarios/solveScenario.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import { DOWN, inputOf, inputShare } from '../solve/deviceStates.ts';
import { nameOf } from './nameOf.ts';

/** A device that takes current from a pack before any sensor. */
export interface Unseen {
  readonly device: number;
  /** True for what is inside the part that has the sensor, such as the regulator of a power module: no wiring changes it. */
  readonly isOwn: boolean;
  readonly name: string;
  readonly amps: number;
}

/** What of a pack's current the sensors see. */
export interface PackReading {
  readonly item: number;
  readonly ref: string;
  readonly amps: number;
  readonly unseenA: number;
  readonly unseen: readonly Unseen[];
  /** A sensor stands between this pack and at least some of what it feeds. */
  readonly hasSensor: boolean;
}

export interface SenseReading {
  readonly name: string;
  readonly amps: number;
  readonly fullScaleA: number;
}

/** What every sensor reads in a situation, and what of each pack's current none of them sees. */
export function senseReadings(result: ScenarioResult): {
  readonly sensors: readonly SenseReading[];
  readonly packs: readonly PackReading[];
} {
  const { network, before } = result;
  const sensors = network.devices.flatMap(({ device }, i): SenseReading[] =>
    device.is === 'element' && device.element.is === 'sense'
      ? [{ name: nameOf(network, i), amps: Math.abs(before.amps[i] ?? 0), fullScaleA: device.element.fullScaleA }]
      : [],
  );
  const near = copperNeighbours(network);
  const packs = network.devices.flatMap(({ device }, i): PackReading[] => {
    if (device.is !== 'element' || device.element.is !== 'battery') return [];
    const region = flood(near, network.shape.devices[i]?.nodes[0] ?? 0);
    const sensing = [...network.devices.keys()].filter(
      (one) => network.shape.devices[one]?.kind === 'sense' && network.shape.devices[one].nodes.some((node) => region.has(node)),
    );
    const unseen = network.devices.flatMap((_, other): Unseen[] => {
      const amps = takenFrom(result, other, region);
      const isOwn = sensing.some((one) => network.devices[one]?.device.item === network.devices[other]?.device.item);
      return amps > 1e-4 ? [{ device: other, isOwn, name: nameOf(network, other), amps }] : [];
    });
    unseen.sort((a, b) => b.amps - a.amps);
    const { ref } = network.graph.items[device.item]?.item ?? { ref: '?' };
    return [
      {
        item: device.item,
        ref,
        amps: before.amps[i] ?? 0,
        unseenA: unseen.reduce((sum, { amps }) => sum + amps, 0),
        unseen,
        hasSensor: sensing.length > 0,
      },
    ];
  });
  return { sensors, packs };
}

function copperNeighbours({ shape }: PowerNetwork): readonly (readonly number[])[] {
  const near: number[][] = Array.from({ length: shape.nodeCount }, () => []);
  shape.resistorA.forEach((a, i) => {
    const b = shape.resistorB[i] ?? 0;
    near[a]?.push(b);
    near[b]?.push(a);
  });
  return near;
}

function flood(near: readonly (readonly number[])[], from: number): ReadonlySet<number> {
  const region = new Set([from]);
  for (const node of region) for (const next of near[node] ?? []) region.add(next);
  return region;
}

/** What a device takes out of a region of copper, other than a pack or a sensor. */
function takenFrom({ network, before, circuit }: ScenarioResult, device: number, region: ReadonlySet<number>): number {
  const nodes = network.shape.devices[device]?.nodes ?? [];
  const amps = before.amps[device] ?? 0;
  const law = circuit.laws[device];
  const isIn = (k: number): boolean => region.has(nodes[k] ?? -1);
  switch (law?.is) {
    case 'regulator': {
      const volts = (k: number): number => (before.volts[nodes[k] ?? 0] ?? 0) - (before.volts[nodes[2] ?? 0] ?? 0);
      if (before.states[device] === DOWN) return 0;
      return isIn(0) ? law.quiescentA + inputShare(law, Math.max(volts(0), 0.5), volts(1)) * amps : 0;
    }
    case 'selector':
      return isIn(inputOf(before.states[device] ?? 0)) ? amps : 0;
    case 'supply':
    case 'sense':
    case 'open':
    case undefined:
      return 0;
    default:
      return isIn(0) && !isIn(1) ? amps : 0;
  }
}
