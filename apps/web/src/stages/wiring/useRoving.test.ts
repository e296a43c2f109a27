import { describe, expect, it } from '@jest/globals';
import { neighbour, type Stop } from './useRoving.ts';

describe('arrow keys on the sheet', () => {
  const stop = (id: string, x: number, y: number): Stop => ({ id, x, y });
  const stops = [stop('a1', 0, 0), stop('a2', 0, 10), stop('b1', 50, 0), stop('b2', 50, 12), stop('c', 90, 40)];
  const from = (id: string): Stop => stops.find((candidate) => candidate.id === id) ?? stop('?', 0, 0);

  it.each([
    ['a1', 'ArrowDown', 'a2'],
    ['a2', 'ArrowUp', 'a1'],
    ['a2', 'ArrowRight', 'b2'],
    ['b1', 'ArrowLeft', 'a1'],
    ['b2', 'ArrowRight', 'c'],
    ['a2', 'ArrowDown', undefined],
    ['c', 'ArrowRight', undefined],
    ['a1', 'x', undefined],
  ])('from %s, %s leads to %s', (id, key, to) => {
    expect(neighbour(stops, from(id), key)?.id).toBe(to);
  });

  it('reach every stop from any other', () => {
    const reached = new Set(['a1']);
    for (let grown = true; grown;) {
      const before = reached.size;
      for (const id of [...reached]) {
        for (const key of ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight']) {
          const next = neighbour(stops, from(id), key);
          if (next !== undefined) reached.add(next.id);
        }
      }
      grown = reached.size > before;
    }
    expect(reached.size).toBe(stops.length);
  });
});
