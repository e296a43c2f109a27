import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asId, SCHEMA_VERSION, type Aircraft, type AircraftId, type Edit, type EditId } from '@wired-falcon/core';
import {
  EPOCH_HEADER,
  routes,
  type AircraftResponse,
  type CreatedResponse,
  type EditsResponse,
  type EditsSinceResponse,
  type ErrorResponse,
  type HangarEntry,
} from '@wired-falcon/contract';
import { startServer, type RunningServer } from '../startServer.ts';

/** A server of its own on a real database file in a folder of its own, spoken to over real HTTP. */
export class TestServer {
  private constructor(
    readonly folder: string,
    private running: RunningServer,
  ) {}

  static async start(demo = false): Promise<TestServer> {
    const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-'));
    return new TestServer(folder, await startServer(configFor(folder, demo)));
  }

  get url(): string {
    return this.running.url;
  }

  get databaseFile(): string {
    return configFor(this.folder, false).databaseFile;
  }

  async restart(): Promise<void> {
    await this.running.close();
    this.running = await startServer(configFor(this.folder, false));
  }

  /** Stops, does something to the file, and starts again. */
  async pauseFor(work: () => void): Promise<void> {
    await this.running.close();
    work();
    this.running = await startServer(configFor(this.folder, false));
  }

  async stop(): Promise<void> {
    await this.running.close();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /** Sends JSON, or a text as it is, and reads the answer. */
  async ask<T>(
    method: 'GET' | 'POST',
    path: string,
    body?: unknown,
    headers: Readonly<Record<string, string>> = {},
  ): Promise<{ status: number; body: T }> {
    const response = await fetch(`${this.url}${path}`, {
      method,
      headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    return { status: response.status, body: (await response.json()) as T };
  }

  async create(name: string): Promise<AircraftId> {
    const { body } = await this.ask<CreatedResponse>('POST', '/api/aircraft', { name });
    return body.id;
  }

  /** What the hangar shows when every aircraft is checked. */
  async hangar(): Promise<readonly HangarEntry[]> {
    for (;;) {
      const { body } = await this.ask<HangarEntry[]>('GET', routes.hangar());
      if (body.every(({ checked }) => checked.is !== 'checking')) return body;
    }
  }

  async load(id: AircraftId, author = 'tester'): Promise<AircraftResponse> {
    return (await this.ask<AircraftResponse>('GET', `/api/aircraft/${id}?author=${author}`)).body;
  }

  async edit(id: AircraftId, baseVersion: number, edits: readonly ReturnType<typeof submitted>[]) {
    const epoch = await this.epoch();
    return this.ask<EditsResponse & ErrorResponse>('POST', `/api/aircraft/${id}/edits`, { epoch, baseVersion, edits });
  }

  /** What happened after a version of this epoch; throws when the server says that it is another document. */
  async since(id: AircraftId, version: number): Promise<Extract<EditsSinceResponse, { is: 'since' }>> {
    const { body } = await this.ask<EditsSinceResponse>('GET', routes.editsSince(id, await this.epoch(), version));
    if (body.is !== 'since') throw new Error('The server has another document.');
    return body;
  }

  /** The epoch that the server names in its answers. */
  async epoch(): Promise<string> {
    const { headers } = await fetch(`${this.url}/api/health`);
    return headers.get(EPOCH_HEADER) ?? '';
  }
}

/** The server of a folder, on any free port. */
export function configFor(folder: string, demo: boolean) {
  return {
    host: '127.0.0.1',
    names: [],
    accessKey: undefined,
    port: 0,
    databaseFile: join(folder, 'workshop.db'),
    webRoot: undefined,
    demo,
    importWorker: join(process.cwd(), 'apps/server/dist/importing/importWorker.js'),
  };
}

/** An edit as it is sent. */
export function submitted(editId: string, edit: Edit, by = 'tester') {
  return { editId: asId<EditId>(editId), at: '2001-01-01T10:00:00.000Z', by, schema: SCHEMA_VERSION, edit };
}

/** An edit that always changes something: it sets the note of the aircraft. */
export function noteEdit(note: string, was: string): Edit {
  return { kind: 'set-aircraft-note', note, was };
}

export function noteOf(aircraft: Aircraft): string {
  return aircraft.note ?? '';
}
