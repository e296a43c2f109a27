import type { CircuitShape } from './circuit.ts';
import { referencesOf } from './islandsOf.ts';

/**
 * The leads of two-terminal devices: the resistor between a node that nothing else is on and the rest. The current of the device is
 * that of its leads, so that their outer nodes need no equations: about a third of those of an aircraft.
 */
export interface Leads {
  /** For each device the resistor that leads to its first and to its second node, two after two; -1 for none. */
  readonly resistorOf: Int32Array;
  /** For each device the nodes from which its leads come; without a lead its own node. */
  readonly hubs: Int32Array;
  /** 1 for the nodes at the outer end of a lead. */
  readonly isEnd: Uint8Array;
  /** 1 for the resistors that are leads. */
  readonly isLead: Uint8Array;
  /** The devices that have a lead. */
  readonly devices: Int32Array;
}

const cache = new WeakMap<CircuitShape, Leads>();

/** The leads of a circuit's draws and limiters, in their order. A reference node is never the end of one. */
export function leadsOf(shape: CircuitShape): Leads {
  const known = cache.get(shape);
  if (known !== undefined) return known;
  const leads = findLeads(shape, referencesOf(shape));
  cache.set(shape, leads);
  return leads;
}

function findLeads({ nodeCount, resistorA, resistorB, devices }: CircuitShape, isReference: Uint8Array): Leads {
  const onNode = new Int32Array(nodeCount);
  const resistorsAt = new Int32Array(nodeCount);
  const lastResistor = new Int32Array(nodeCount);
  for (const { nodes } of devices) for (const node of nodes) onNode[node] = (onNode[node] ?? 0) + 1;
  resistorA.forEach((a, i) => {
    for (const node of [a, resistorB[i] ?? 0]) {
      resistorsAt[node] = (resistorsAt[node] ?? 0) + 1;
      lastResistor[node] = i;
    }
  });
  const resistorOf = new Int32Array(2 * devices.length).fill(-1);
  const hubs = new Int32Array(2 * devices.length);
  const isEnd = new Uint8Array(nodeCount);
  const isLead = new Uint8Array(resistorA.length);
  const withLeads: number[] = [];
  devices.forEach(({ kind, nodes }, device) => {
    for (const side of [0, 1]) {
      const node = nodes[side] ?? 0;
      hubs[2 * device + side] = node;
      if ((kind !== 'draw' && kind !== 'limiter') || isReference[node] === 1 || onNode[node] !== 1 || resistorsAt[node] !== 1) continue;
      const resistor = lastResistor[node] ?? 0;
      const hub = resistorA[resistor] === node ? (resistorB[resistor] ?? 0) : (resistorA[resistor] ?? 0);
      if (isEnd[hub] === 1) continue;
      resistorOf[2 * device + side] = resistor;
      hubs[2 * device + side] = hub;
      isEnd[node] = 1;
      isLead[resistor] = 1;
      if (withLeads.at(-1) !== device) withLeads.push(device);
    }
  });
  return { resistorOf, hubs, isEnd, isLead, devices: Int32Array.from(withLeads) };
}
