import { parentPort } from 'node:worker_threads';
import { readImport } from './readImport.ts';

/** Reads aircraft files beside the thread that answers requests. */
parentPort?.on('message', ({ job, text }: { readonly job: number; readonly text: Uint8Array }) => {
  parentPort?.postMessage({ job, read: readImport(text) });
});
