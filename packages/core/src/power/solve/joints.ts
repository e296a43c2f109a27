import type { CircuitShape } from './circuit.ts';

/** The wiring of a circuit as a graph, for walks through it. */
export interface Joints {
  /** Nodes of the circuit, then one for each device: a device with more than two nodes stands as a star around its own. */
  readonly size: number;
  /** Both ends of each joint, two after two: first the resistors, then what belongs to devices. */
  readonly ends: Int32Array;
  /** The device of each joint; -1 for a resistor. */
  readonly deviceOf: Int32Array;
  /** The joints at each node: `joints[starts[node]] .. joints[starts[node + 1] - 1]`. */
  readonly starts: Int32Array;
  readonly joints: Int32Array;
  /** Room for a walk in depth: a walk writes it anew. */
  readonly walk: Walk;
}

/** By node: when it was found, the earliest node that it reaches back to, the joint it was found by, where it goes on; and the path. */
export interface Walk {
  readonly found: Int32Array;
  readonly lowest: Int32Array;
  readonly cameBy: Int32Array;
  readonly next: Int32Array;
  readonly path: Int32Array;
}

const cache = new WeakMap<CircuitShape, Joints>();

/** The joints of a wiring, laid out once. */
export function jointsOf(shape: CircuitShape): Joints {
  const known = cache.get(shape);
  if (known !== undefined) return known;
  const made = layOut(shape);
  cache.set(shape, made);
  return made;
}

function layOut({ nodeCount, resistorA, resistorB, devices }: CircuitShape): Joints {
  const ends: number[] = [];
  const deviceOf: number[] = [];
  const join = (a: number, b: number, device: number): void => {
    ends.push(a, b);
    deviceOf.push(device);
  };
  resistorA.forEach((a, i) => join(a, resistorB[i] ?? 0, -1));
  devices.forEach(({ nodes }, i) => {
    if (nodes.length === 2) join(nodes[0] ?? 0, nodes[1] ?? 0, i);
    else for (const node of nodes) join(node, nodeCount + i, i);
  });
  const size = nodeCount + devices.length;
  const starts = new Int32Array(size + 1);
  for (const node of ends) starts[node + 1] = (starts[node + 1] ?? 0) + 1;
  for (let node = 0; node < size; node++) starts[node + 1] = (starts[node + 1] ?? 0) + (starts[node] ?? 0);
  const joints = new Int32Array(ends.length);
  const place = starts.slice(0, size);
  ends.forEach((node, i) => {
    const at = place[node] ?? 0;
    joints[at] = i >> 1;
    place[node] = at + 1;
  });
  const perNode = (): Int32Array => new Int32Array(size);
  const walk = { found: perNode(), lowest: perNode(), cameBy: perNode(), next: place, path: perNode() };
  return { size, ends: Int32Array.from(ends), deviceOf: Int32Array.from(deviceOf), starts, joints, walk };
}

/** The other end of a joint. */
export function otherEnd(ends: Int32Array, joint: number, node: number): number {
  const a = ends[2 * joint] ?? 0;
  return a === node ? (ends[2 * joint + 1] ?? 0) : a;
}
