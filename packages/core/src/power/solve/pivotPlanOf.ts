import type { CircuitShape, DeviceShape } from './circuit.ts';
import type { Leads } from './leadsOf.ts';
import type { PivotPlan } from './matrixPattern.ts';
import { minimumDegree } from './minimumDegree.ts';

/**
 * The equation from which each unknown is eliminated, by what it says, so that the pivots serve in every state of the devices and
 * with any wire open. A device that sets a voltage and a node that it sets belong together: while it gives current, the voltage comes
 * from its law and its current from the currents at the node; while it gives none, the other way round. Other voltages stand in the
 * equations of their own nodes. The order is the one that fills least.
 */
export function pivotPlanOf(
  shape: CircuitShape,
  columns: readonly ReadonlySet<number>[],
  branchOf: Int32Array,
  isReference: Uint8Array,
  { isEnd }: Leads,
): PivotPlan {
  const { length: size } = columns;
  const branchAt = new Int32Array(size).fill(-1);
  const nodeOf = new Int32Array(size).fill(-1);
  for (const [node, device] of nodesOfDevices(shape, branchOf, isReference)) {
    const branch = branchOf[device] ?? 0;
    branchAt[node] = branch;
    nodeOf[branch] = node;
  }
  // A device and its node are eliminated one after the other: they stand as one.
  const headOf = Int32Array.from({ length: size }, (_, unknown) => ((nodeOf[unknown] ?? -1) >= 0 ? (nodeOf[unknown] ?? 0) : unknown));
  const neighbours = columns.map(() => new Set<number>());
  columns.forEach((set, column) => {
    for (const row of set) {
      const [a, b] = [headOf[row] ?? 0, headOf[column] ?? 0];
      neighbours[a]?.add(b);
      neighbours[b]?.add(a);
    }
  });
  const heads = minimumDegree(neighbours).filter((unknown) => headOf[unknown] === unknown && isEnd[unknown] !== 1);
  // A device that found no node comes last, when all has been put in that stands beside it.
  const isLeftOver = (unknown: number): boolean => unknown >= shape.nodeCount;
  const order = [...heads.filter((head) => !isLeftOver(head)), ...heads.filter(isLeftOver)].flatMap((head) => {
    const branch = branchAt[head] ?? -1;
    return branch >= 0 ? [head, branch] : [head];
  });
  return {
    order: Int32Array.from(order),
    pivotRows: Int32Array.from({ length: size }, (_, unknown) => Math.max(branchAt[unknown] ?? -1, nodeOf[unknown] ?? -1, -1)).map(
      (row, unknown) => (row >= 0 ? row : unknown),
    ),
    isTwin: Uint8Array.from(branchAt, (branch) => (branch >= 0 ? 1 : 0)),
  };
}

/**
 * A node for every device that sets a voltage, each of another; with others making room (augmenting paths, H. W. Kuhn 1955). Where
 * devices side by side set one voltage, one is left without.
 * @returns the device of each node
 */
function nodesOfDevices(
  { nodeCount, resistorA, resistorB, devices }: CircuitShape,
  branchOf: Int32Array,
  isReference: Uint8Array,
): ReadonlyMap<number, number> {
  const wires = new Int32Array(nodeCount);
  for (const ends of [resistorA, resistorB]) for (const node of ends) wires[node] = (wires[node] ?? 0) + 1;
  // The node with fewer wires first: when they open, nothing but the device says what it has.
  const wanted = devices.map((device) => [...nodesSetBy(device)].sort((a, b) => (wires[a] ?? 0) - (wires[b] ?? 0)));
  const deviceAt = new Map<number, number>();
  const settle = (device: number, tried: Set<number>): boolean => {
    for (const node of wanted[device] ?? []) {
      if (isReference[node] === 1 || tried.has(node)) continue;
      tried.add(node);
      const other = deviceAt.get(node);
      if (other !== undefined && !settle(other, tried)) continue;
      deviceAt.set(node, device);
      return true;
    }
    return false;
  };
  branchOf.forEach((branch, device) => {
    if (branch >= 0) settle(device, new Set());
  });
  return deviceAt;
}

/** The nodes whose voltage stands in the law of a device whatever its state, and that its current flows to. */
function nodesSetBy({ kind, nodes }: DeviceShape): readonly number[] {
  switch (kind) {
    case 'supply':
    case 'sense':
    case 'diode':
      return nodes[0] === nodes[1] ? [] : nodes.slice(0, 2);
    case 'regulator':
      return nodes[1] === nodes[2] || nodes[1] === nodes[0] ? [] : nodes.slice(1, 2);
    case 'selector':
      return nodes.slice(0, -2).includes(nodes.at(-2) ?? -1) ? [] : nodes.slice(-2, -1);
    case 'draw':
    case 'limiter':
      return [];
  }
}
