import { wrap, type Remote } from 'comlink';
import type { JudgedFinding } from '@wired-falcon/core';
import type { EditSession } from '../session/editSession.ts';
import type { AnalysisResult, AnalysisWorker } from './analysis.worker.ts';
import { useFollower, type Started } from './useFollower.ts';

export interface Analysis {
  /** The number of the document that the findings are about; 0 before the first result. */
  readonly seq: number;
  readonly judged: readonly JudgedFinding[];
}

const nothingYet: Analysis = { seq: 0, judged: [] };
function start(): Started<Remote<AnalysisWorker>> {
  const worker = new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' });
  return { worker, port: wrap<AnalysisWorker>(worker) };
}

/** Keeps the findings of a session's document, computed in a worker. */
export function useAnalysis(session: EditSession): Analysis {
  return useFollower<AnalysisResult, Remote<AnalysisWorker>>(session, start).result ?? nothingYet;
}
