import { partitionOf } from '../../graph/partition.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { Solved } from '../solve/circuit.ts';
import { inputOf } from '../solve/deviceStates.ts';

/** A device that takes its current from another one's output, or from a supply. */
export interface Feed {
  readonly from: number;
  readonly to: number;
  readonly amps: number;
}

interface Ways {
  /** The rails that a device takes from and gives to. */
  readonly takes: readonly { readonly rail: number; readonly amps: number }[];
  readonly gives: number | undefined;
}

/**
 * Who feeds whom, from the packs to the loads: a device is fed by the devices that give to the rail which it takes from. On a
 * rail with several givers the one that gives most is named, so that the picture is a tree.
 */
export function feedsOf(network: PowerNetwork, solved: Solved): Feed[] {
  const rails = railsOfCircuit(network);
  const ways = network.devices.map((_, i) => waysOf(network, solved, rails, i));
  const giver = new Map<number, number>();
  ways.forEach(({ gives }, i) => {
    if (gives === undefined) return;
    const before = giver.get(gives);
    if (before === undefined || (solved.amps[i] ?? 0) > (solved.amps[before] ?? 0) + 1e-9) giver.set(gives, i);
  });
  return ways.flatMap(({ takes }, to) =>
    takes.flatMap(({ rail, amps }) => {
      const from = giver.get(rail);
      return from === undefined || from === to ? [] : [{ from, to, amps }];
    }),
  );
}

/** The rail of each node of the circuit: what wires join. */
function railsOfCircuit({ shape }: PowerNetwork): Int32Array {
  const joints = Array.from(shape.resistorA, (a, i) => [a, shape.resistorB[i] ?? 0] as const);
  return partitionOf(shape.nodeCount, joints).groupOf;
}

function waysOf({ shape, devices }: PowerNetwork, { volts, amps, states }: Solved, rails: Int32Array, i: number): Ways {
  const nodes = shape.devices[i]?.nodes ?? [];
  const rail = (k: number): number => rails[nodes[k] ?? 0] ?? 0;
  const current = amps[i] ?? 0;
  const placed = devices[i]?.device;
  if (placed === undefined) return { takes: [], gives: undefined };
  if (placed.is === 'usb') return { takes: [], gives: rail(0) };
  switch (placed.element.is) {
    case 'battery':
    case 'source':
      return { takes: [], gives: rail(0) };
    case 'regulator': {
      const [inV, outV] = [
        (volts[nodes[0] ?? 0] ?? 0) - (volts[nodes[2] ?? 0] ?? 0),
        (volts[nodes[1] ?? 0] ?? 0) - (volts[nodes[2] ?? 0] ?? 0),
      ];
      const { element } = placed;
      const share = element.topology === 'linear' ? 1 : outV / (element.efficiency * Math.max(inV, 0.5));
      return { takes: [{ rail: rail(0), amps: current * share + (current > 1e-6 ? element.quiescentA : 0) }], gives: rail(1) };
    }
    case 'selector': {
      const input = inputOf(states[i] ?? 0);
      const takes = placed.element.inputs.map((_, k) => ({ rail: rail(k), amps: k === input ? current : 0 }));
      return { takes: takes.filter((take, k) => k === input || take.amps > 0), gives: rail(nodes.length - 2) };
    }
    case 'sense': {
      const isForward = current >= 0;
      return { takes: [{ rail: rail(isForward ? 0 : 1), amps: Math.abs(current) }], gives: rail(isForward ? 1 : 0) };
    }
    case 'diode':
    case 'limiter':
      return { takes: [{ rail: rail(0), amps: current }], gives: rail(1) };
    case 'load':
    case 'drive':
    case 'clamp':
      return { takes: [{ rail: rail(0), amps: current }], gives: undefined };
  }
}
