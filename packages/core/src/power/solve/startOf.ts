import type { Circuit } from './circuit.ts';
import { DOWN, inputOf, ON, reachableV } from './deviceStates.ts';
import { firstInside } from './nextStates.ts';

/** Where a solve begins: the voltage of every node, and every device's state. */
export interface Start {
  readonly volts: Float64Array;
  readonly states: Int8Array;
}

/**
 * The start of a running system: everything on and no current anywhere, so that every node stands as high as a supply can
 * bring it; grounds at 0 V. Found by passing voltages on until nothing rises any more.
 */
export function runningStart(circuit: Circuit): Start {
  const { shape, laws, ohms } = circuit;
  const volts = new Float64Array(shape.nodeCount);
  const states = new Int8Array(laws.length);
  let risen = true;
  const raise = (node: number, value: number): void => {
    if (value <= (volts[node] ?? 0) + 1e-12) return;
    volts[node] = value;
    risen = true;
  };
  for (let rounds = 0; risen && rounds <= shape.nodeCount + laws.length; rounds++) {
    risen = false;
    for (let i = 0; i < ohms.length; i++) {
      if (ohms[i] === Infinity) continue;
      const a = shape.resistorA[i] ?? 0;
      const b = shape.resistorB[i] ?? 0;
      raise(a, volts[b] ?? 0);
      raise(b, volts[a] ?? 0);
    }
    for (let device = 0; device < laws.length; device++) passOn(circuit, device, volts, raise);
  }
  laws.forEach((law, device) => {
    const nodes = shape.devices[device]?.nodes ?? [];
    if (law.is === 'selector') states[device] = firstInside(law.windows, (k) => volts[nodes[k] ?? 0] ?? 0);
    else if (law.is === 'regulator') states[device] = (volts[nodes[0] ?? 0] ?? 0) < law.inputMinV ? DOWN : ON;
  });
  return { volts, states };
}

function passOn({ shape, laws }: Circuit, device: number, volts: Float64Array, raise: (node: number, value: number) => void): void {
  const law = laws[device];
  const nodes = shape.devices[device]?.nodes ?? [];
  const a = nodes[0] ?? 0;
  const b = nodes[1] ?? 0;
  switch (law?.is) {
    case 'supply':
      return raise(a, law.emfV);
    case 'sense':
    case 'limiter':
      raise(a, volts[b] ?? 0);
      return raise(b, volts[a] ?? 0);
    case 'through':
      return raise(b, volts[a] ?? 0);
    case 'diode':
      return raise(b, (volts[a] ?? 0) - law.dropV);
    case 'regulator': {
      const inV = volts[a] ?? 0;
      if (inV >= law.inputMinV) raise(b, reachableV(law, inV));
      return;
    }
    case 'selector': {
      const input = inputOf(firstInside(law.windows, (k) => volts[nodes[k] ?? 0] ?? 0));
      if (input >= 0) raise(nodes[nodes.length - 2] ?? 0, (volts[nodes[input] ?? 0] ?? 0) - law.dropV);
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
