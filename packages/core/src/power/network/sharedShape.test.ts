import { describe, expect, it } from '@jest/globals';
import type { CircuitShape } from '../solve/circuit.ts';
import { sharedShape } from './sharedShape.ts';

function shapeOf(resistorB: readonly number[], kind: 'draw' | 'supply' = 'supply'): CircuitShape {
  return {
    nodeCount: 3,
    resistorA: Int32Array.of(0, 1),
    resistorB: Int32Array.from(resistorB),
    devices: [{ kind, nodes: [0, 2] }],
  };
}

describe('the shape of a wiring', () => {
  it('is the one before where the wiring is the same, and another where a wire or a device differs', () => {
    const first = sharedShape(shapeOf([1, 2]));
    expect(sharedShape(shapeOf([1, 2]))).toBe(first);
    for (const other of [shapeOf([2, 2]), shapeOf([1, 2], 'draw'), { ...shapeOf([1, 2]), nodeCount: 4 }]) {
      expect(sharedShape(other)).toBe(other);
    }
    expect(sharedShape(shapeOf([1, 2]))).toBe(first);
  });

  it('is forgotten after some others', () => {
    const first = sharedShape(shapeOf([1, 2]));
    for (let n = 10; n < 30; n++) sharedShape({ ...shapeOf([1, 2]), nodeCount: n });
    expect(sharedShape(shapeOf([1, 2]))).not.toBe(first);
  });
});
