import { constants, setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { readImport } from './readImport.ts';

// Of this thread alone: whoever waits for an answer comes first.
setPriority(constants.priority.PRIORITY_LOW);

/** Reads aircraft files beside the thread that answers requests. */
parentPort?.on('message', ({ job, text }: { readonly job: number; readonly text: Uint8Array }) => {
  parentPort?.postMessage({ job, read: readImport(text) });
});
