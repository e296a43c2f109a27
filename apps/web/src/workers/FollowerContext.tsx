import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Remedy } from '@wired-falcon/core';
import { useSession } from '../session/SessionContext.tsx';
import type { findings, Findings, remedies, remediesAhead } from './findings.ts';
import { Follower } from './follower.ts';
import type { Endpoint } from './messages.ts';
import { useKept } from './useKept.ts';

/** A worker that was started, and how it is ended. */
export interface StartedWorker {
  readonly endpoint: Endpoint;
  readonly end: () => void;
}

export interface Analysis extends Findings {
  /** The number of the document that the findings are about; 0 before the first result, while they say nothing. */
  readonly seq: number;
  /** Why there are none of the newest document, where computing them failed. */
  readonly failure: string | undefined;
  /**
   * What mends the finding with this key, or why that is not known; undefined when the document has moved on.
   * @param isInSight whether somebody waits for it
   */
  readonly askRemedies: (key: string, isInSight: boolean) => Promise<readonly Remedy[] | { readonly failure: string } | undefined>;
}

interface Current {
  readonly follower: Follower;
  readonly analysis: Analysis;
}

const FollowerContext = createContext<Current | undefined>(undefined);

/** Has a worker follow the document of the session around it, for everything inside. @param start makes the worker */
export function FollowerProvider({ start, children }: { readonly start: () => StartedWorker; readonly children: ReactNode }) {
  const session = useSession();
  const [follower, setFollower] = useState<Follower>();
  useEffect(() => {
    const { endpoint, end } = start();
    const made = new Follower(session, endpoint);
    setFollower(made);
    return () => {
      made.close();
      end();
    };
  }, [session, start]);
  return follower === undefined ? null : <WithFindings follower={follower}>{children}</WithFindings>;
}

const NOTHING: Findings = { judged: [], broken: [] };

function WithFindings({ follower, children }: { readonly follower: Follower; readonly children: ReactNode }) {
  const { shown, failure } = useKept<typeof findings>(follower, 'findings', null);
  const current = useMemo((): Current => {
    const askRemedies: Analysis['askRemedies'] = async (key, isInSight) => {
      const reply = await (isInSight
        ? follower.once<typeof remedies>('remedies', key)
        : follower.once<typeof remediesAhead>('remedies-ahead', key));
      switch (reply.is) {
        case 'answer':
          return reply.answer;
        case 'failed':
          return { failure: reply.sentence };
        case 'dropped':
          return undefined;
      }
    };
    return { follower, analysis: { ...(shown?.answer ?? NOTHING), seq: shown?.seq ?? 0, failure, askRemedies } };
  }, [follower, shown, failure]);
  return <FollowerContext value={current}>{children}</FollowerContext>;
}

function useCurrent(): Current {
  const current = useContext(FollowerContext);
  if (current === undefined) throw new Error('This needs a worker around it that follows the document.');
  return current;
}

/** What follows the document, to be asked once. */
export function useFollower(): Follower {
  return useCurrent().follower;
}

/** The newest findings that the worker gave, which may be those of a document a moment older. */
export function useFindings(): Analysis {
  return useCurrent().analysis;
}
