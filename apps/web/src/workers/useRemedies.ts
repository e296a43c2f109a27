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

/** Drafts in the worker what mends a finding that is shown. What was drafted before stands until then. */
export function useRemedies(key: string): Drafted {
  const { seq, askRemedies } = useFindings();
  const [drafted, setDrafted] = useState(NONE);
  useEffect(() => {
    let isWanted = true;
    void askRemedies(key).then((answer) => {
      if (!isWanted || answer === undefined) return;
      setDrafted('failure' in answer ? { seq, remedies: [], failure: answer.failure } : { seq, remedies: answer });
    });
    return () => {
      isWanted = false;
    };
  }, [key, seq, askRemedies]);
  return drafted;
}
