/** Chances from a seed: the same seed, the same world. */
export class Chance {
  #state: number;

  constructor(seed: number) {
    this.#state = Math.imul(seed, 0x9e3779b1) ^ 0x5bd1e995;
  }

  /** A number from 0 up to 1. The mixing of "mulberry32". */
  next(): number {
    this.#state = (this.#state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.#state ^ (this.#state >>> 15), 1 | this.#state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }

  /** A whole number from 0 up to `below`. */
  below(below: number): number {
    return Math.floor(this.next() * below);
  }

  is(probability: number): boolean {
    return this.next() < probability;
  }

  /** One of some; throws when there is none. */
  of<T>(list: readonly T[]): T {
    const found = list[this.below(list.length)];
    if (found === undefined) throw new Error('There is nothing to choose from.');
    return found;
  }

  /** One of some, each as likely as its weight says; undefined when all weights are 0. */
  weighted<T>(list: readonly (readonly [weight: number, value: T])[]): T | undefined {
    let left = this.next() * list.reduce((sum, [weight]) => sum + weight, 0);
    return list.find(([weight]) => (left -= weight) < 0)?.[1];
  }
}
