import { Injectable } from '@nestjs/common';

/** One queue per aircraft: what is asked of one aircraft happens one after the other, in the order of asking. */
@Injectable()
export class AircraftQueue {
  readonly #tails = new Map<string, Promise<unknown>>();

  /** Runs `task` when everything asked of this aircraft before is done. */
  async run<T>(aircraft: string, task: () => Promise<T>): Promise<T> {
    const before = this.#tails.get(aircraft) ?? Promise.resolve();
    const mine = before.then(task, task);
    const settled = mine.catch(() => undefined);
    this.#tails.set(aircraft, settled);
    try {
      return await mine;
    } finally {
      if (this.#tails.get(aircraft) === settled) this.#tails.delete(aircraft);
    }
  }
}
