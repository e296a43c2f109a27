import { useEffect, useState } from 'react';
import { proxy, type Remote } from 'comlink';
import type { FaultSweep, ScenarioReport } from '@wired-falcon/core';
import type { PowerResult, PowerWorker } from '../../workers/power.worker.ts';
import type { Followed } from '../../workers/useFollower.ts';

/** A sweep over all single faults: under way with its share, stopped, or done. */
export type SweepState =
  | { readonly is: 'running'; readonly share: number }
  | { readonly is: 'stopped' }
  | { readonly is: 'done'; readonly seq: number; readonly sweep: FaultSweep };

interface Faults {
  readonly state: SweepState;
  readonly stop: () => void;
  readonly again: () => void;
}

/** Looks at every single fault whenever the document has changed. What an older document gave stays until the newer is done. */
export function useFaults({ result, port }: Followed<PowerResult, Remote<PowerWorker>>): Faults {
  const [state, setState] = useState<SweepState>({ is: 'running', share: 0 });
  const [runs, setRuns] = useState(0);
  const seq = result?.seq;
  useEffect(() => {
    if (port === undefined || seq === undefined) return undefined;
    let isOver = false;
    const show = (next: SweepState): void => {
      if (!isOver) setState((now) => (next.is === 'running' && now.is === 'done' ? now : next));
    };
    show({ is: 'running', share: 0 });
    void port
      .sweep(
        seq,
        proxy((share: number) => show({ is: 'running', share })),
      )
      .then((sweep) => {
        if (sweep !== undefined) show({ is: 'done', seq, sweep });
      });
    return () => {
      isOver = true;
      void port.stop();
    };
  }, [port, seq, runs]);
  return {
    state,
    stop: () => {
      void port?.stop();
      setState({ is: 'stopped' });
    },
    again: () => {
      setState({ is: 'running', share: 0 });
      setRuns(runs + 1);
    },
  };
}

/** The river of a situation with a fault in it; undefined without a fault, and until it is solved. */
export function useFaultyReport(
  { result, port }: Followed<PowerResult, Remote<PowerWorker>>,
  scenario: string,
  fault: string | undefined,
): ScenarioReport | undefined {
  const [answer, setAnswer] = useState<{ readonly key: string; readonly report: ScenarioReport | undefined }>();
  const key = `${result?.seq ?? 0} ${scenario} ${fault ?? ''}`;
  useEffect(() => {
    if (port === undefined || fault === undefined) return;
    let isOver = false;
    void port.withFault(scenario, fault).then((report) => {
      if (!isOver) setAnswer({ key, report });
    });
    return () => {
      isOver = true;
    };
  }, [port, key, scenario, fault]);
  return fault !== undefined && answer?.key === key ? answer.report : undefined;
}
