import { wrap, type Remote } from 'comlink';
import { useSession } from '../session/SessionContext.tsx';
import type { PowerResult, PowerWorker } from './power.worker.ts';
import { useFollower, type Followed, type Started } from './useFollower.ts';

function start(): Started<Remote<PowerWorker>> {
  const worker = new Worker(new URL('./power.worker.ts', import.meta.url), { type: 'module' });
  return { worker, port: wrap<PowerWorker>(worker) };
}

/** What every situation asks of the supplies, computed in a worker, and the worker, to be asked about faults. */
export function usePowerReport(): Followed<PowerResult, Remote<PowerWorker>> {
  return useFollower<PowerResult, Remote<PowerWorker>>(useSession(), start);
}
