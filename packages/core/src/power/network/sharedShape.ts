import type { CircuitShape } from '../solve/circuit.ts';

/** So many wirings are remembered: what is edited now, what an undo or a tried remedy goes back to. */
const REMEMBERED = 8;

let remembered: readonly CircuitShape[] = [];

/**
 * The same wiring as before, where only lengths, loads or places have changed since, so that what is laid out for a shape (equations,
 * order of pivots, joints) is laid out once and not with every edit.
 * @returns a shape equal to the one given
 */
export function sharedShape(shape: CircuitShape): CircuitShape {
  const shared = remembered.find((known) => isSame(known, shape)) ?? shape;
  if (remembered[0] !== shared) remembered = [shared, ...remembered.filter((known) => known !== shared)].slice(0, REMEMBERED);
  return shared;
}

function isSame(a: CircuitShape, b: CircuitShape): boolean {
  return (
    a.nodeCount === b.nodeCount &&
    isSameList(a.resistorA, b.resistorA) &&
    isSameList(a.resistorB, b.resistorB) &&
    a.devices.length === b.devices.length &&
    a.devices.every((device, i) => device.kind === b.devices[i]?.kind && isSameList(device.nodes, b.devices[i].nodes))
  );
}

function isSameList(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
