import { useEffect, useState } from 'react';
import type { Remote } from 'comlink';
import type { PowerResult, PowerWorker } from '../../workers/power.worker.ts';
import type { Followed } from '../../workers/useFollower.ts';

/** An answer of the power worker with the number of the document that it is about. */
export interface Asked<T> {
  readonly seq: number;
  readonly answer: T;
}

/** Asks the power worker again whenever the document has changed; what an older one gave stays until then. */
export function useAsked<T>(
  { result, port }: Followed<PowerResult, Remote<PowerWorker>>,
  ask: (port: Remote<PowerWorker>) => Promise<T>,
): Asked<T> | undefined {
  const [asked, setAsked] = useState<Asked<T>>();
  const seq = result?.seq;
  useEffect(() => {
    if (port === undefined || seq === undefined) return undefined;
    let isOver = false;
    void ask(port).then((answer) => {
      if (!isOver) setAsked({ seq, answer });
    });
    return () => {
      isOver = true;
    };
  }, [port, seq, ask]);
  return asked;
}
