/** A draw of numbers that a random edit is made from, whatever the document looks like at that moment. */
export interface Draw {
  readonly kind: number;
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly isStale: boolean;
}
