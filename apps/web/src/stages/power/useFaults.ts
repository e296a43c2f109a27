import { useMemo, useState } from 'react';
import type { Design, FaultSweep, ScenarioReport } from '@wired-falcon/core';
import { useDesign } from '../../session/SessionContext.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { faulty, sweep } from './calculators.ts';

/** A sweep over all single faults: under way with its share, stopped, failed, or done. */
export type SweepState =
  | { readonly is: 'running'; readonly share: number }
  | { readonly is: 'stopped' }
  | { readonly is: 'failed'; readonly sentence: string }
  | { readonly is: 'done'; readonly seq: number; readonly sweep: FaultSweep };

interface Faults {
  readonly state: SweepState;
  readonly stop: () => void;
  readonly again: () => void;
}

/**
 * Looks at every single fault whenever the document has changed. What an older document gave stays until the newer is done. Stopped, it
 * begins again with the next change.
 */
export function useFaults(): Faults {
  const design = useDesign();
  const [stoppedAt, setStoppedAt] = useState<Design>();
  const isStopped = stoppedAt === design;
  const { shown, share, failure } = useCalculated<typeof sweep>('power.sweep', isStopped ? undefined : null);
  const state = useMemo((): SweepState => {
    if (isStopped) return { is: 'stopped' };
    if (failure !== undefined) return { is: 'failed', sentence: failure };
    return shown === undefined ? { is: 'running', share: share ?? 0 } : { is: 'done', seq: shown.seq, sweep: shown.answer };
  }, [isStopped, failure, shown, share]);
  return { state, stop: () => setStoppedAt(design), again: () => setStoppedAt(undefined) };
}

interface FaultyReport {
  /** Undefined without a fault, and until it is solved. */
  readonly report: ScenarioReport | undefined;
  /** Why there is none of the newest document. */
  readonly failure: string | undefined;
}

/** The river of a situation with a fault in it. */
export function useFaultyReport(situation: string, fault: string | undefined): FaultyReport {
  const ask = useMemo(() => (fault === undefined ? undefined : { situation, fault }), [situation, fault]);
  const { shown, failure } = useCalculated<typeof faulty>('power.faulty', ask);
  return { report: shown?.ask === ask ? shown?.answer : undefined, failure: ask === undefined ? undefined : failure };
}
