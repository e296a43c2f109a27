import 'reflect-metadata';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EntityManager } from '@mikro-orm/core';
import type { INestApplicationContext } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import { EPOCH_HEADER, EditsRequestDto, ArrivedRequestDto, type EditsResponse, type ErrorResponse } from '@wired-falcon/contract';
import { asId, partKeyOf, type Aircraft, type AircraftId, type Design, type EditId, type Part } from '@wired-falcon/core';
import { AircraftController } from '../../apps/server/src/aircraft/aircraft.controller.ts';
import { AppModule } from '../../apps/server/src/app.module.ts';
import { JournalTable, type JournalRow } from '../../apps/server/src/database/tables.ts';
import { errorAnswer } from '../../apps/server/src/http/errorFilter.ts';
import { validationPipe } from '../../apps/server/src/http/validation.ts';
import { backUp, restore } from '../../apps/server/src/keeping/backup.ts';
import { openWorkshop } from '../../apps/server/src/startServer.ts';
import { AircraftStore } from '../../apps/server/src/workshop/aircraftStore.ts';
import { Epoch } from '../../apps/server/src/workshop/epoch.ts';
import { JournalReader } from '../../apps/server/src/workshop/journalReader.ts';
import { Library } from '../../apps/server/src/workshop/library.ts';

/** What was asked of a server: an address of its API, and the body that was sent. */
export interface Asked {
  readonly address: string;
  readonly body: string | undefined;
}

/** The server's own parts on a database file of its own, without a port: asked by calling its controller. */
export class RealWorkshop {
  /** Every edit that was ever acknowledged, and those of the workshop as it is since the last restore. */
  readonly accepted = new Set<EditId>();
  acceptedNow = new Set<EditId>();
  readonly #folder: string;
  #app: INestApplicationContext;

  private constructor(folder: string, app: INestApplicationContext) {
    this.#folder = folder;
    this.#app = app;
  }

  static async open(): Promise<RealWorkshop> {
    const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-worlds-'));
    return new RealWorkshop(folder, await started(folder));
  }

  async dispose(): Promise<void> {
    await this.#app.close();
    rmSync(this.#folder, { recursive: true, force: true });
  }

  /** Ends it and starts it again on the same file. */
  async restart(): Promise<void> {
    await this.#app.close();
    this.#app = await started(this.#folder);
  }

  /** Copies the workshop as it is now into a file of this name. */
  backUp(name: string): void {
    backUp(databaseIn(this.#folder), join(this.#folder, name));
  }

  /** Ends it, puts a backup in its place, and starts it. */
  async restore(name: string, id?: AircraftId): Promise<void> {
    await this.#app.close();
    restore(join(this.#folder, name), databaseIn(this.#folder), new Date(0));
    for (const end of ['', '-wal', '-shm']) rmSync(`${databaseIn(this.#folder)}.before-1970-01-01T00-00-00-000Z${end}`, { force: true });
    this.#app = await started(this.#folder);
    this.acceptedNow = new Set(id === undefined ? [] : (await this.rows(id)).map(({ editId }) => asId<EditId>(editId)));
  }

  get epoch(): string {
    return this.#app.get(Epoch).value;
  }

  create(design: Design): Promise<void> {
    return this.#app.get(AircraftStore).create(design, '2026-11-24T10:00:00.000Z');
  }

  /** Makes a part of the workshop's own known. */
  know(part: Part): void {
    this.#app.get(Library).parts.add(new Map([[partKeyOf(part), part]]));
  }

  /** The document as the journal holds it, read from the database. */
  async aircraft(id: AircraftId): Promise<{ readonly aircraft: Aircraft; readonly version: number }> {
    const { design, version } = await this.#app.get(AircraftStore).current(id);
    return { aircraft: design.aircraft, version };
  }

  /** What a person can undo and redo, as the journal has it. */
  history(id: AircraftId, author: string) {
    return this.#app.get(JournalReader).historyOf(id, author);
  }

  /** All rows of an aircraft's journal, in order. */
  rows(id: AircraftId): Promise<JournalRow[]> {
    return this.#app
      .get(EntityManager)
      .fork()
      .find(JournalTable, { aircraft: id }, { orderBy: { version: 'asc' } });
  }

  /** Answers as the server does over HTTP, validation and errors included. */
  async answer(asked: Asked): Promise<Response> {
    try {
      return this.#marked(200, await this.#handle(asked));
    } catch (error) {
      const { status, body } = errorAnswer(error);
      return this.#marked(status, body);
    }
  }

  /** An error of this server's own, as one that stands before the controller would give it. */
  refusal(status: number, body: ErrorResponse): Response {
    return this.#marked(status, body);
  }

  async #handle({ address, body }: Asked): Promise<unknown> {
    const controller = this.#app.get(AircraftController);
    const url = new URL(address, 'http://workshop');
    const [, id, ...rest] = /^\/api\/aircraft\/([^/]+)(\/edits)?(\/arrived)?$/.exec(url.pathname) ?? [];
    if (id === undefined) throw new Error(`Nothing is asked for at ${address}.`);
    const params = { id: id as AircraftId };
    if (rest[1] !== undefined) return controller.arrived(params, await valid(ArrivedRequestDto, body));
    if (body !== undefined) return this.#noted(await controller.edit(params, await valid(EditsRequestDto, body)));
    if (rest[0] === undefined) return controller.one(params, { author: url.searchParams.get('author') ?? '' });
    return controller.since(params, { epoch: url.searchParams.get('epoch') ?? '', since: Number(url.searchParams.get('since')) });
  }

  #noted(answer: EditsResponse): EditsResponse {
    if (answer.is !== 'done') return answer;
    for (const outcome of answer.outcomes) {
      if (outcome.is !== 'accepted') continue;
      this.accepted.add(outcome.editId);
      this.acceptedNow.add(outcome.editId);
    }
    return answer;
  }

  #marked(status: number, body: unknown): Response {
    return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json', [EPOCH_HEADER]: this.epoch } });
  }
}

function databaseIn(folder: string): string {
  return join(folder, 'workshop.db');
}

async function started(folder: string): Promise<INestApplicationContext> {
  const config = {
    host: '127.0.0.1',
    names: [],
    accessKey: undefined,
    port: 0,
    databaseFile: databaseIn(folder),
    webRoot: undefined,
    demo: false,
    importWorker: '',
  };
  const app = await NestFactory.createApplicationContext(AppModule.with(config), { logger: ['error', 'warn'], abortOnError: false });
  await openWorkshop(app);
  return app;
}

async function valid<T>(dto: new () => T, body: string | undefined): Promise<T> {
  const value: unknown = JSON.parse(body ?? 'null');
  return (await validationPipe().transform(value, { type: 'body', metatype: dto })) as T;
}
