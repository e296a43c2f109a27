import { Worker } from 'node:worker_threads';
import { Inject, Injectable, Logger, type OnModuleDestroy } from '@nestjs/common';
import { asId, type AircraftId } from '@wired-falcon/core';
import type { CreatedResponse } from '@wired-falcon/contract';
import { CannotImport } from '../http/errors.ts';
import { AircraftStore } from '../workshop/aircraftStore.ts';
import { makeId } from '../workshop/makeId.ts';
import type { ImportResult } from './readImport.ts';

/** The token under which the file of the reading thread is given: the compiled `importWorker`. */
export const IMPORT_WORKER = Symbol('import worker');

/** More than the largest file takes to read; a file made to take more ends its reader and nothing else. */
const MEMORY_MB = 1024;

interface Waiting {
  readonly resolve: (result: ImportResult) => void;
  readonly reject: (error: Error) => void;
}

/** Takes aircraft files in. They are read in a thread of their own, so that a large one keeps nobody waiting. */
@Injectable()
export class AircraftImport implements OnModuleDestroy {
  readonly #log = new Logger('Import');
  readonly #waiting = new Map<number, Waiting>();
  #worker: Worker | undefined;
  #jobs = 0;

  constructor(
    @Inject(IMPORT_WORKER) private readonly workerFile: string,
    private readonly store: AircraftStore,
  ) {}

  /**
   * Stores the aircraft of a file, as a copy under an id of its own where its id is taken.
   * @throws CannotImport with a sentence that says what is wrong and where
   */
  async take(file: Uint8Array): Promise<CreatedResponse> {
    const read = await this.#read(file);
    if (read.is === 'refused') throw new CannotImport(read.sentence);
    const given = asId<AircraftId>(read.id);
    const id = (await this.store.exists(given)) ? asId<AircraftId>(makeId()) : given;
    await this.store.createFrom(id, read, new Date().toISOString());
    return { id, name: read.name };
  }

  /** Starts the reader before the first file comes: it takes as long to load as a small file takes to read. */
  warmUp(): void {
    this.#worker ??= this.#start();
  }

  onModuleDestroy(): void {
    void this.#worker?.terminate();
  }

  #read(text: Uint8Array): Promise<ImportResult> {
    const worker = (this.#worker ??= this.#start());
    const job = ++this.#jobs;
    return new Promise((resolve, reject) => {
      this.#waiting.set(job, { resolve, reject });
      worker.postMessage({ job, text });
    });
  }

  #start(): Worker {
    const worker = new Worker(this.workerFile, { resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB } });
    worker.on('message', ({ job, read }: { readonly job: number; readonly read: ImportResult }) => {
      this.#waiting.get(job)?.resolve(read);
      this.#waiting.delete(job);
    });
    worker.on('error', (error) => this.#log.error(`The reader of files ended: ${String(error)}`));
    worker.once('exit', () => {
      this.#worker = undefined;
      for (const { reject } of this.#waiting.values()) reject(new CannotImport('The file could not be read: it takes too much memory.'));
      this.#waiting.clear();
    });
    worker.unref();
    return worker;
  }
}
