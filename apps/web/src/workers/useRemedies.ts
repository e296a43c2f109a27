import { useEffect, useState } from 'react';
import type { Remedy } from '@wired-falcon/core';
import { useFindings } from './FollowerContext.tsx';

/** What mends a finding, and the number of the document that it is drafted for. */
export interface Drafted {
  readonly seq: number;
  readonly remedies: readonly Remedy[];
  /** Why there are none, where drafting them failed. */
  readonly failure?: string;
}

const NONE: Drafted = { seq: 0, remedies: [] };

/**
 * Drafts in the worker what mends a finding that is shown. In sight, what was drafted before stays until then.
 * @param isInSight whether somebody sees it now; undefined while that is not known, when it waits
 */
export function useRemedies(key: string, isInSight: boolean | undefined): Drafted {
  const { seq, askRemedies } = useFindings();
  const [{ of, drafted }, setState] = useState({ of: key, drafted: NONE });
  const isDone = of === key && drafted.seq === seq;
  useEffect(() => {
    if (isInSight === undefined || isDone) return;
    // Nobody sees it change, and nobody should find what was drafted for an older version there.
    if (!isInSight) setState({ of: key, drafted: NONE });
    let isWanted = true;
    void askRemedies(key, isInSight).then((answer) => {
      if (!isWanted || answer === undefined) return;
      setState({ of: key, drafted: 'failure' in answer ? { seq, remedies: [], failure: answer.failure } : { seq, remedies: answer } });
    });
    return () => {
      isWanted = false;
    };
  }, [key, seq, isInSight, isDone, askRemedies]);
  return of === key ? drafted : NONE;
}
