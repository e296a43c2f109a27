import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { EditSession } from '../session/editSession.ts';
import { AnalysisFeed, type AnalysisPort, type Numbered } from './analysisFeed.ts';

/** A worker that follows a document, and what is asked of it. */
export interface Started<P> {
  readonly worker: Worker;
  readonly port: P;
}

/** What a worker has computed of a document, and the worker for further questions; undefined before the first result. */
export interface Followed<R extends Numbered, P> {
  readonly result: R | undefined;
  readonly port: P | undefined;
}

/**
 * Keeps what a worker computes of a session's document. One request runs at a time; of those that wait only the newest counts,
 * and a result that is older than the one shown is dropped.
 * @param start makes the worker; it is ended with the component
 */
export function useFollower<R extends Numbered, P extends AnalysisPort<R>>(session: EditSession, start: () => Started<P>): Followed<R, P> {
  const state = useSyncExternalStore(session.subscribe, session.getState);
  const [followed, setFollowed] = useState<Followed<R, P>>({ result: undefined, port: undefined });
  const feed = useRef<AnalysisFeed<R>>(undefined);
  useEffect(() => {
    const { worker, port } = start();
    const made = new AnalysisFeed<R>(port, (fresh) =>
      setFollowed((shown) =>
        shown.port === port && shown.result !== undefined && fresh.seq <= shown.result.seq ? shown : { result: fresh, port },
      ),
    );
    feed.current = made;
    setFollowed({ result: undefined, port: undefined });
    made.offer(session.getState());
    return () => {
      feed.current = undefined;
      worker.terminate();
    };
  }, [session, start]);
  useEffect(() => feed.current?.offer(state), [state]);
  return followed;
}
