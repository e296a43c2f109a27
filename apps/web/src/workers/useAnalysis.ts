import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { wrap } from 'comlink';
import type { JudgedFinding } from '@wired-falcon/core';
import type { EditSession } from '../session/editSession.ts';
import type { AnalysisWorker } from './analysis.worker.ts';
import { AnalysisFeed } from './analysisFeed.ts';

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
