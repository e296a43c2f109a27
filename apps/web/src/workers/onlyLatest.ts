/** Long work in steps, of which only what was asked for last is finished. */
export class OnlyLatest {
  readonly #sliceMs: number;
  #asked = 0;

  /** @param sliceMs for so long it does not listen while it works */
  constructor(sliceMs: number) {
    this.#sliceMs = sliceMs;
  }

  /** What the steps come to; undefined when others were asked for meanwhile, and then the rest of these is not done. */
  async finish<T>(steps: Generator<unknown, T, void>): Promise<T | undefined> {
    const own = ++this.#asked;
    for (let from = performance.now(), step = steps.next(); ; step = steps.next()) {
      if (step.done === true) return step.value;
      if (performance.now() - from < this.#sliceMs) continue;
      await new Promise((resolve) => setTimeout(resolve));
      if (own !== this.#asked) return undefined;
      from = performance.now();
    }
  }
}
