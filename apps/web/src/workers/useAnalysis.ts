import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { wrap, type Remote } from 'comlink';
import type { JudgedFinding } from '@wired-falcon/core';
import type { EditSession, SessionState } from '../session/editSession.ts';
import type { AnalysisResult, AnalysisWorker } from './analysis.worker.ts';

export interface Analysis {
  /** The number of the document that the findings are about; 0 before the first result. */
  readonly seq: number;
  readonly judged: readonly JudgedFinding[];
}

const nothingYet: Analysis = { seq: 0, judged: [] };

/**
 * Keeps the findings of a session's document, computed in a worker. One request runs at a time; of those that wait only
 * the newest counts, and a result that is older than the one shown is dropped.
 */
export function useAnalysis(session: EditSession): Analysis {
  const state = useSyncExternalStore(session.subscribe, session.getState);
  const [analysis, setAnalysis] = useState<Analysis>(nothingYet);
  const feed = useRef<AnalysisFeed>(undefined);
  useEffect(() => {
    const worker = new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' });
    const made = new AnalysisFeed(wrap<AnalysisWorker>(worker), (result) =>
      setAnalysis((shown) => (result.seq > shown.seq ? result : shown)),
    );
    feed.current = made;
    setAnalysis(nothingYet);
    made.offer(session.getState());
    return () => {
      feed.current = undefined;
      worker.terminate();
    };
  }, [session]);
  useEffect(() => feed.current?.offer(state), [state]);
  return analysis;
}

class AnalysisFeed {
  #waiting: SessionState | undefined;
  #isBusy = false;
  #offered = 0;
  #done = 0;

  constructor(
    private readonly worker: Remote<AnalysisWorker>,
    private readonly show: (result: AnalysisResult) => void,
  ) {}

  offer(state: SessionState): void {
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

  async #ask({ seq, last, design }: SessionState): Promise<AnalysisResult> {
    if (last.is === 'edit' && this.#done === seq - 1) {
      const followed = await this.worker.follow(seq, last.edit, last.undoes);
      if (followed !== undefined) return followed;
    }
    const used = new Set(Object.values(design.aircraft.items).map((item) => item.part));
    const parts = [...used].map((key) => design.parts.get(key)).filter((part) => part !== undefined);
    return this.worker.load(seq, design.aircraft, parts);
  }
}
