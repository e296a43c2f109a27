import type { StartedWorker } from '../workers/FollowerContext.tsx';

/** Starts the worker that follows a document and computes everything of it. */
export function startWorker(): StartedWorker {
  const endpoint = new Worker(new URL('./follower.worker.ts', import.meta.url), { type: 'module' });
  return { endpoint, end: () => endpoint.terminate() };
}
