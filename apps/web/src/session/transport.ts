import {
  routes,
  type AircraftResponse,
  type CreatedResponse,
  type EditsResponse,
  type EditsSinceResponse,
  type ErrorResponse,
  type HangarEntry,
  type PartRevision,
} from '@wired-falcon/contract';
import type { AircraftId, Edit, EditId, Part, PartId } from '@wired-falcon/core';

/** An edit on its way to the server. */
export interface SubmittedEdit {
  readonly editId: EditId;
  readonly at: string;
  readonly by: string;
  readonly edit: Edit;
}

/** What an edit session needs of the server. A test gives its own. */
export interface Transport {
  readonly load: (id: AircraftId, author: string) => Promise<AircraftResponse>;
  readonly submit: (id: AircraftId, baseVersion: number, edits: readonly SubmittedEdit[]) => Promise<EditsResponse>;
  readonly since: (id: AircraftId, version: number) => Promise<EditsSinceResponse>;
}

/** The server answered, and its answer is an error with a sentence. */
export class ServerRefusal extends Error {
  constructor(
    readonly status: number,
    readonly answer: ErrorResponse,
  ) {
    super([answer.message, ...answer.details].join(' '));
  }
}

async function ask<T>(address: string, init?: RequestInit): Promise<T> {
  const response = await fetch(address, init);
  if (!response.ok) throw new ServerRefusal(response.status, await errorIn(response));
  return (await response.json()) as T;
}

async function errorIn(response: Response): Promise<ErrorResponse> {
  try {
    return (await response.json()) as ErrorResponse;
  } catch {
    return { code: 'server-error', message: `The server answered ${response.status} without a reason.`, details: [] };
  }
}

function post(body: string): RequestInit {
  return { method: 'POST', headers: { 'content-type': 'application/json' }, body };
}

export const transport: Transport = {
  load: (id, author) => ask<AircraftResponse>(routes.aircraft(id, author)),
  submit: (id, baseVersion, edits) => ask<EditsResponse>(routes.edits(id), post(JSON.stringify({ baseVersion, edits }))),
  since: (id, version) => ask<EditsSinceResponse>(routes.editsSince(id, version)),
};

/** The hangar's requests. */
export const hangarApi = {
  list: () => ask<HangarEntry[]>(routes.hangar()),
  create: (name: string) => ask<CreatedResponse>(routes.hangar(), post(JSON.stringify({ name }))),
  importFile: (text: string) => ask<CreatedResponse>(routes.importFile(), post(text)),
};

/** The requests about parts of the workshop's own. */
export const partsApi = {
  list: () => ask<PartRevision[]>(routes.parts()),
  revisions: (id: PartId) => ask<PartRevision[]>(routes.partRevisions(id)),
  save: (part: Part, base: number, by: string) => ask<PartRevision>(routes.parts(), post(JSON.stringify({ part, base, by }))),
};
