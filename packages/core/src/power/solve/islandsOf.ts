import type { Partition } from '../../graph/graph.ts';
import { Grouping } from '../../graph/partition.ts';
import type { CircuitShape } from './circuit.ts';
import { isStacked, stackOf } from './packsInSeries.ts';

interface Islands {
  readonly ofNodes: Partition;
  readonly ofDevices: Int32Array;
}

const islandCache = new WeakMap<CircuitShape, Islands>();

/** The island that each device of a circuit is on. */
export function deviceIslands(shape: CircuitShape): Int32Array {
  return islandsOf(shape).ofDevices;
}

/** The island that each node of a circuit is on. */
export function nodeIslands(shape: CircuitShape): Int32Array {
  return islandsOf(shape).ofNodes.groupOf;
}

/** The parts of a circuit that nothing joins. */
function islandsOf(shape: CircuitShape): Islands {
  const known = islandCache.get(shape);
  if (known !== undefined) return known;
  const ofNodes = partitionIslands(shape);
  const islands = { ofNodes, ofDevices: Int32Array.from(shape.devices, ({ nodes }) => ofNodes.groupOf[nodes[0] ?? 0] ?? 0) };
  islandCache.set(shape, islands);
  return islands;
}

function partitionIslands({ nodeCount, resistorA, resistorB, devices }: CircuitShape): Partition {
  const grouping = new Grouping(nodeCount);
  resistorA.forEach((a, i) => grouping.join(a, resistorB[i] ?? 0));
  for (const { nodes } of devices) for (const node of nodes) grouping.join(nodes[0] ?? node, node);
  return grouping.partition();
}

/**
 * One node of each island is at 0 V: the ground of its first selector, so that an input that nothing feeds is at 0 V for it even where a
 * fault has cut it off from the packs; else the minus of its first supply that is on top of no other one, else its first node. With
 * packs in series it is the minus of the lowest, from which their voltages are counted.
 */
export function referencesOf(shape: CircuitShape): Uint8Array {
  const { nodeCount, devices } = shape;
  const islands = islandsOf(shape).ofNodes;
  const isReference = new Uint8Array(nodeCount);
  const hasOne = new Uint8Array(islands.count);
  const refer = (node: number): void => {
    const island = islands.groupOf[node] ?? 0;
    if (hasOne[island] === 1) return;
    hasOne[island] = 1;
    isReference[node] = 1;
  };
  const stack = stackOf(shape);
  if (stack === undefined) for (const { kind, nodes } of devices) if (kind === 'selector') refer(nodes.at(-1) ?? 0);
  devices.forEach(({ kind, nodes }, device) => {
    if (kind === 'supply' && (stack === undefined || !isStacked(shape, stack, device))) refer(nodes[1] ?? 0);
  });
  for (let node = 0; node < nodeCount; node++) refer(node);
  return isReference;
}
