import type { Aircraft, Edit, Part, PutBack } from '@wired-falcon/core';
import type { SessionState } from '../session/sessionState.ts';

/** A result that says which version of the document it is about. */
export interface Numbered {
  readonly seq: number;
}

/** The worker as the feed sees it: it holds a design, and follows edits or is given a new one. */
export interface AnalysisPort<R extends Numbered> {
  readonly load: (seq: number, aircraft: Aircraft, parts: readonly Part[]) => Promise<R>;
  /** Undefined when the worker's copy is not the document that the edit was made on. */
  readonly follow: (seq: number, edit: Edit, undoes: PutBack | undefined) => Promise<R | undefined>;
}

/** What the feed needs to know of a session's state. */
export type AnalysedState = Pick<SessionState, 'seq' | 'last' | 'design'>;

/**
 * Brings the versions of a document to the worker, one request at a time. Of the versions that come while it computes, only
 * the newest waits. An edit is sent as an edit when the worker holds the version before it, else the document is sent.
 */
export class AnalysisFeed<R extends Numbered> {
  #waiting: AnalysedState | undefined;
  #isBusy = false;
  #offered = 0;
  #done = 0;

  constructor(
    private readonly worker: AnalysisPort<R>,
    private readonly show: (result: R) => void,
  ) {}

  offer(state: AnalysedState): void {
    if (state.seq <= this.#offered) return;
    this.#offered = state.seq;
    this.#waiting = state;
    void this.#run();
  }

  async #run(): Promise<void> {
    if (this.#isBusy) return;
    this.#isBusy = true;
    for (let state = this.#waiting; state !== undefined; state = this.#waiting) {
      this.#waiting = undefined;
      this.show(await this.#ask(state));
      this.#done = state.seq;
    }
    this.#isBusy = false;
  }

  async #ask({ seq, last, design }: AnalysedState): Promise<R> {
    if (last.is === 'edit' && this.#done === seq - 1) {
      const followed = await this.worker.follow(seq, last.edit, last.undoes);
      if (followed !== undefined) return followed;
    }
    const used = new Set(Object.values(design.aircraft.items).map((item) => item.part));
    const parts = [...used].map((key) => design.parts.get(key)).filter((part) => part !== undefined);
    return this.worker.load(seq, design.aircraft, parts);
  }
}
