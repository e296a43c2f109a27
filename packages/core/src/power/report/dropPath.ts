import { contactName, matedName, wireName } from '../network/edgeName.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { ScenarioResult } from '../scenarios/solveScenario.ts';
import { FOLLOWS, inputOf, LIMITED } from '../solve/deviceStates.ts';
import type { Solved } from '../solve/circuit.ts';

/** What lowers the voltage on the way to a load. */
export interface Drop {
  readonly is: 'wire' | 'contact' | 'copper' | 'limit' | 'input' | 'battery' | 'device';
  /** As a person names it: `W05 wire 1 (red)`, `BEC1 buck`. */
  readonly name: string;
  readonly volts: number;
  /** The edge of the graph, of a wire or contact. */
  readonly edge: number | undefined;
}

interface Step {
  readonly to: number;
  readonly amps: number;
  readonly drops: readonly Drop[];
  readonly isEnd: boolean;
}

/**
 * What lowers the voltage of a load, the largest first: from the load up to the regulator or pack that feeds it, and back on the
 * ground side; at each node the way that carries most.
 */
export function dropPath(result: ScenarioResult, device: number): readonly Drop[] {
  const [plus = 0, minus = 0] = result.network.shape.devices[device]?.nodes ?? [];
  const drops = [...walk(result, device, plus, 1), ...walk(result, device, minus, -1)];
  return drops.filter(({ volts }) => volts > 1e-4).sort((a, b) => b.volts - a.volts);
}

/** @param sense 1 up the supply side, -1 down the ground side */
function walk(result: ScenarioResult, load: number, from: number, sense: 1 | -1): Drop[] {
  const { network } = result;
  const drops: Drop[] = [];
  const seen = new Set<number>();
  for (let node = from; !seen.has(node);) {
    seen.add(node);
    const steps = [...copperInto(network, result, node, sense), ...devicesInto(result, load, node, sense)].filter(
      ({ amps }) => amps > 1e-6,
    );
    const [largest] = steps.sort((a, b) => b.amps - a.amps);
    if (largest === undefined) break;
    drops.push(...largest.drops);
    if (largest.isEnd) break;
    node = largest.to;
  }
  return drops;
}

function copperInto(network: PowerNetwork, { before, circuit }: ScenarioResult, node: number, sense: 1 | -1): Step[] {
  return network.copper.branches.flatMap(({ a, b, edges }, i): Step[] => {
    if (a !== node && b !== node) return [];
    const other = a === node ? b : a;
    const amps = (sense * ((before.volts[other] ?? 0) - (before.volts[node] ?? 0))) / (circuit.ohms[i] ?? Infinity);
    return [{ to: other, amps, isEnd: false, drops: edges.map(({ edge, ohm }) => ({ ...edgeName(network, edge), volts: amps * ohm })) }];
  });
}

function edgeName({ graph }: PowerNetwork, edge: number): Omit<Drop, 'volts'> {
  const at = graph.edges[edge];
  switch (at?.is) {
    case 'conductor':
      return { is: 'wire', name: wireName(graph, at), edge };
    case 'contact':
      return { is: 'contact', name: contactName(graph, at), edge };
    case 'mate':
      return { is: 'contact', name: matedName(graph, at), edge };
    case 'element':
      return { is: 'copper', name: `${graph.items[at.item]?.item.ref ?? '?'} ${at.element.id}`, edge };
    case undefined:
      return { is: 'copper', name: '?', edge };
  }
}

function devicesInto(result: ScenarioResult, load: number, node: number, sense: 1 | -1): Step[] {
  const { network, before } = result;
  return network.devices.flatMap(({ device }, i): Step[] => {
    if (i === load) return [];
    const nodes = network.shape.devices[i]?.nodes ?? [];
    const amps = before.amps[i] ?? 0;
    const ref = network.graph.items[device.item]?.item.ref ?? '?';
    const step = (to: number, volts: number, is: Drop['is'], isEnd: boolean): Step[] => [
      {
        to,
        amps,
        isEnd,
        drops: [{ is, name: device.is === 'usb' ? `USB at ${ref}` : `${ref} ${device.element.id}`, volts, edge: undefined }],
      },
    ];
    const at = (k: number): number => before.volts[nodes[k] ?? 0] ?? 0;
    const law = result.circuit.laws[i];
    switch (law?.is) {
      case 'supply':
        if (nodes[sense === 1 ? 0 : 1] !== node) return [];
        return step(node, sense === 1 ? law.emfV - (at(0) - at(1)) : 0, 'battery', true);
      case 'regulator': {
        if (nodes[sense === 1 ? 1 : 2] !== node) return [];
        const lost = sense === 1 ? law.setV - (at(1) - at(2)) : 0;
        return step(node, lost, lackOf(before, i), true);
      }
      case 'sense':
      case 'diode':
        return nodes[sense === 1 ? 1 : 0] === node ? step(nodes[sense === 1 ? 0 : 1] ?? 0, Math.abs(at(0) - at(1)), 'device', false) : [];
      case 'limiter':
        return nodes[1] === node && sense === 1 ? step(nodes[0] ?? 0, Math.abs(at(0) - at(1)), 'device', false) : [];
      case 'selector': {
        if (nodes[nodes.length - 2] !== node || sense !== 1) return [];
        const input = Math.max(inputOf(before.states[i] ?? 0), 0);
        return step(nodes[input] ?? 0, at(input) - at(nodes.length - 2), 'device', false);
      }
      default:
        return [];
    }
  });
}

function lackOf({ states }: Solved, i: number): Drop['is'] {
  return states[i] === LIMITED ? 'limit' : states[i] === FOLLOWS ? 'input' : 'device';
}
