import { wrap, type Remote } from 'comlink';
import { useMemo } from 'react';
import type { JudgedFinding, Remedy } from '@wired-falcon/core';
import type { EditSession } from '../session/editSession.ts';
import type { AnalysisResult, AnalysisWorker } from './analysis.worker.ts';
import { useFollower, type Started } from './useFollower.ts';

export interface Analysis {
  /** The number of the document that the findings are about; 0 before the first result. */
  readonly seq: number;
  readonly judged: readonly JudgedFinding[];
  /** What mends the finding with this key; undefined when the document has moved on. */
  readonly askRemedies: (key: string) => Promise<readonly Remedy[] | undefined>;
}

const nothingYet: Analysis = { seq: 0, judged: [], askRemedies: () => Promise.resolve(undefined) };

function start(): Started<Remote<AnalysisWorker>> {
  const worker = new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' });
  return { worker, port: wrap<AnalysisWorker>(worker) };
}

/** Keeps the findings of a session's document, computed in a worker. */
export function useAnalysis(session: EditSession): Analysis {
  const { result, port } = useFollower<AnalysisResult, Remote<AnalysisWorker>>(session, start);
  return useMemo(
    () => (result === undefined || port === undefined ? nothingYet : { ...result, askRemedies: (key) => port.remedies(result.seq, key) }),
    [result, port],
  );
}
