import { wrap } from 'comlink';
import { useSession } from '../session/SessionContext.tsx';
import type { PowerResult, PowerWorker } from './power.worker.ts';
import { useFollower, type Started } from './useFollower.ts';

function start(): Started<PowerResult> {
  const worker = new Worker(new URL('./power.worker.ts', import.meta.url), { type: 'module' });
  return { worker, port: wrap<PowerWorker>(worker) };
}

/** What every situation asks of the supplies, computed in a worker; undefined until it has answered. */
export function usePowerReport(): PowerResult | undefined {
  return useFollower<PowerResult>(useSession(), start);
}
