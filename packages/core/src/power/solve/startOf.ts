import type { Circuit, Law } from './circuit.ts';
import { DOWN, inputOf, ON, reachableV } from './deviceStates.ts';
import { jointsOf } from './joints.ts';
import { firstInside } from './nextStates.ts';
import { stackedVolts, stackOf } from './packsInSeries.ts';

/** Where a solve begins: the voltage of every node, and every device's state. */
export interface Start {
  readonly volts: Float64Array;
  readonly states: Int8Array;
}

/**
 * The start of a running system: everything on and no current anywhere, so that every node stands as high as a supply can
 * bring it; grounds at 0 V, and where packs are in series the minus of each at the plus of the one below. Found by passing on what has risen until nothing rises any more; it ends because nothing on the way
 * brings more than its own setting or what came in.
 */
export function runningStart(circuit: Circuit): Start {
  return raise(circuit);
}

/** A running start, and 1 for each resistor by way of which some node has its voltage: the others may open and it stays. */
export interface RaisedStart extends Start {
  readonly isUsed: Uint8Array;
}

/** A running start with what it hangs on. */
export function raisedStart(circuit: Circuit): RaisedStart {
  const raisedBy = new Int32Array(circuit.shape.nodeCount).fill(-1);
  const start = raise(circuit, raisedBy);
  const isUsed = new Uint8Array(circuit.ohms.length);
  for (const joint of raisedBy) if (joint >= 0 && joint < isUsed.length) isUsed[joint] = 1;
  return { ...start, isUsed };
}

/** @param raisedBy takes the joint by which each node has its voltage */
function raise(circuit: Circuit, raisedBy?: Int32Array): Start {
  const { shape, laws, ohms } = circuit;
  const { devices, resistorA, resistorB } = shape;
  const grounds = groundsOf(circuit);
  const { starts, joints, deviceOf } = jointsOf(shape);
  const volts = new Float64Array(shape.nodeCount);
  const risen: number[] = [];
  for (let device = 0; device < laws.length; device++) {
    if (laws[device]?.is === 'supply') passOn(laws[device], devices[device]?.nodes ?? [], volts, risen, grounds?.[device]);
  }
  for (let node = risen.pop(); node !== undefined; node = risen.pop()) {
    for (let at = starts[node] ?? 0; at < (starts[node + 1] ?? 0); at++) {
      const joint = joints[at] ?? 0;
      const device = deviceOf[joint] ?? -1;
      const before = risen.length;
      if (device >= 0) passOn(laws[device], devices[device]?.nodes ?? [], volts, risen, grounds?.[device]);
      else if (ohms[joint] !== Infinity) evenUp(volts, resistorA[joint] ?? 0, resistorB[joint] ?? 0, risen);
      if (raisedBy !== undefined && risen.length > before) raisedBy[risen[before] ?? 0] = joint;
    }
  }
  const states = new Int8Array(laws.length);
  for (let device = 0; device < laws.length; device++) {
    const law = laws[device];
    const nodes = devices[device]?.nodes ?? [];
    const ground = grounds?.[device] ?? 0;
    if (law?.is === 'selector') states[device] = firstInside(law.windows, (k) => (volts[nodes[k] ?? 0] ?? 0) - ground);
    else if (law?.is === 'regulator') states[device] = (volts[nodes[0] ?? 0] ?? 0) - ground < law.inputMinV ? DOWN : ON;
  }
  return { volts, states };
}

/** What the minus of each supply and the ground of each regulator and selector stands at; undefined where no packs are in series. */
function groundsOf({ shape, laws }: Circuit): Float64Array | undefined {
  const stack = stackOf(shape);
  if (stack === undefined) return undefined;
  const voltsOf = stackedVolts(shape, stack, laws);
  return Float64Array.from(shape.devices, ({ kind, nodes }) => {
    const ground = kind === 'supply' ? nodes[1] : kind === 'regulator' || kind === 'selector' ? nodes.at(-1) : undefined;
    return ground === undefined ? 0 : voltsOf(ground);
  });
}

function lift(volts: Float64Array, node: number, value: number, risen: number[]): void {
  if (value <= (volts[node] ?? 0) + 1e-12) return;
  volts[node] = value;
  risen.push(node);
}

/** Raises the lower of two nodes to the higher. */
function evenUp(volts: Float64Array, a: number, b: number, risen: number[]): void {
  const aV = volts[a] ?? 0;
  const bV = volts[b] ?? 0;
  if (aV > bV) lift(volts, b, aV, risen);
  else lift(volts, a, bV, risen);
}

/** Passes what a device has on one side on to the other. @param ground what its minus or ground stands at */
function passOn(law: Law | undefined, nodes: readonly number[], volts: Float64Array, risen: number[], ground = 0): void {
  const a = nodes[0] ?? 0;
  const b = nodes[1] ?? 0;
  switch (law?.is) {
    case 'supply':
      return lift(volts, a, ground + law.emfV, risen);
    case 'sense':
    case 'limiter':
      return evenUp(volts, a, b, risen);
    case 'through':
      return lift(volts, b, volts[a] ?? 0, risen);
    case 'diode':
      return lift(volts, b, (volts[a] ?? 0) - law.dropV, risen);
    case 'regulator': {
      const inV = (volts[a] ?? 0) - ground;
      if (inV >= law.inputMinV) lift(volts, b, ground + reachableV(law, inV), risen);
      return;
    }
    case 'selector': {
      const input = inputOf(firstInside(law.windows, (k) => (volts[nodes[k] ?? 0] ?? 0) - ground));
      if (input >= 0) lift(volts, nodes[nodes.length - 2] ?? 0, (volts[nodes[input] ?? 0] ?? 0) - law.dropV, risen);
      return;
    }
    case 'open':
    case 'resistance':
    case 'constant-current':
    case 'constant-power':
    case 'square':
    case 'clamp':
    case undefined:
      return;
  }
}
