import fc from 'fast-check';

/** A draw of numbers that a random edit is made from, whatever the document looks like at that moment. */
export interface Draw {
  readonly kind: number;
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly isStale: boolean;
}

export const draws: fc.Arbitrary<readonly Draw[]> = fc.array(
  fc.record({ kind: fc.nat(99), x: fc.nat(9999), y: fc.nat(9999), z: fc.nat(9999), isStale: fc.boolean() }),
  { minLength: 5, maxLength: 30, size: 'max' },
);

/** One of a list, by a number of a draw; undefined where the list is empty. */
export function pick<T>(list: readonly T[], n: number): T | undefined {
  return list[n % Math.max(1, list.length)];
}
