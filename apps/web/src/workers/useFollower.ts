import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { EditSession } from '../session/editSession.ts';
import { AnalysisFeed, type AnalysisPort, type Numbered } from './analysisFeed.ts';

/** A worker that follows a document, and what is asked of it. */
export interface Started<R extends Numbered> {
  readonly worker: Worker;
  readonly port: AnalysisPort<R>;
}

/**
 * Keeps what a worker computes of a session's document. One request runs at a time; of those that wait only the newest counts,
 * and a result that is older than the one shown is dropped. Undefined before the first result.
 * @param start makes the worker; it is ended with the component
 */
export function useFollower<R extends Numbered>(session: EditSession, start: () => Started<R>): R | undefined {
  const state = useSyncExternalStore(session.subscribe, session.getState);
  const [result, setResult] = useState<R>();
  const feed = useRef<AnalysisFeed<R>>(undefined);
  useEffect(() => {
    const { worker, port } = start();
    const made = new AnalysisFeed<R>(port, (fresh) => setResult((shown) => (shown === undefined || fresh.seq > shown.seq ? fresh : shown)));
    feed.current = made;
    setResult(undefined);
    made.offer(session.getState());
    return () => {
      feed.current = undefined;
      worker.terminate();
    };
  }, [session, start]);
  useEffect(() => feed.current?.offer(state), [state]);
  return result;
}
