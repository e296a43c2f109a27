import {
  EPOCH_HEADER,
  routes,
  type AircraftResponse,
  type ArrivedResponse,
  type CreatedResponse,
  type EditsResponse,
  type EditsSinceResponse,
  type HangarEntry,
  type DialectRevision,
  type DumpEntry,
  type DumpResponse,
  type PartRevision,
} from '@wired-falcon/contract';
import type { AircraftId, Dialect, DialectId, Edit, EditId, ItemId, Part, PartId } from '@wired-falcon/core';
import { NoAnswer, ServerRefusal, isErrorResponse } from './failure.ts';

/** An edit on its way to the server. */
export interface SubmittedEdit {
  readonly editId: EditId;
  readonly at: string;
  readonly by: string;
  /** The version of the document's shape that this product had when the edit was made. */
  readonly schema: number;
  readonly edit: Edit;
}

/** The state of a document that a window has seen. */
export interface Seen {
  readonly epoch: string;
  readonly version: number;
}

/**
 * What an edit session needs of the server.
 * Each throws `ServerRefusal` when this server said no, and `NoAnswer` when nobody answered, or something else did.
 */
export interface Transport {
  readonly load: (id: AircraftId, author: string) => Promise<AircraftResponse>;
  readonly submit: (id: AircraftId, seen: Seen, edits: readonly SubmittedEdit[]) => Promise<EditsResponse>;
  readonly since: (id: AircraftId, seen: Seen) => Promise<EditsSinceResponse>;
  /** Which of some edits are in the journal; at most as many as fit into a request. */
  readonly arrived: (id: AircraftId, editIds: readonly EditId[]) => Promise<ArrivedResponse>;
}

type Fetch = (address: string, init?: RequestInit) => Promise<Response>;

/**
 * Asks the server, and takes only an answer of this product for one: another program may have come to listen where it was.
 */
async function ask<T>(fetching: Fetch, address: string, init?: RequestInit): Promise<T> {
  const response = await answerTo(fetching, address, init);
  if (!response.headers.has(EPOCH_HEADER)) throw new NoAnswer();
  const body = await bodyOf(response);
  if (response.ok) return body as T;
  if (!isErrorResponse(body)) throw new NoAnswer();
  throw new ServerRefusal(response.status, body);
}

async function answerTo(fetching: Fetch, address: string, init?: RequestInit): Promise<Response> {
  try {
    return await fetching(address, init);
  } catch {
    throw new NoAnswer();
  }
}

/** What was cut off on the way, or is of another form, is no answer. */
async function bodyOf(response: Response): Promise<unknown> {
  try {
    return await response.json();
  } catch {
    throw new NoAnswer();
  }
}

function post(body: string): RequestInit {
  return { method: 'POST', headers: { 'content-type': 'application/json' }, body };
}

/** The requests of edit sessions, over whatever carries them. */
export function transportOver(fetching: Fetch): Transport {
  return {
    load: (id, author) => ask<AircraftResponse>(fetching, routes.aircraft(id, author)),
    submit: (id, { epoch, version }, edits) =>
      ask<EditsResponse>(fetching, routes.edits(id), post(JSON.stringify({ epoch, baseVersion: version, edits }))),
    since: (id, { epoch, version }) => ask<EditsSinceResponse>(fetching, routes.editsSince(id, epoch, version)),
    arrived: (id, editIds) => ask<ArrivedResponse>(fetching, routes.arrived(id), post(JSON.stringify({ editIds }))),
  };
}

const browserFetch: Fetch = (address, init) => fetch(address, init);

export const transport: Transport = transportOver(browserFetch);

/** The hangar's requests. */
export const hangarApi = {
  list: () => ask<HangarEntry[]>(browserFetch, routes.hangar()),
  create: (name: string) => ask<CreatedResponse>(browserFetch, routes.hangar(), post(JSON.stringify({ name }))),
  importFile: (text: string) => ask<CreatedResponse>(browserFetch, routes.importFile(), post(text)),
};

/** The requests about dialects of the workshop's own. */
export const dialectsApi = {
  list: () => ask<DialectRevision[]>(browserFetch, routes.dialects()),
  revisions: (id: DialectId) => ask<DialectRevision[]>(browserFetch, routes.dialectRevisions(id)),
  save: (dialect: Dialect, base: number, by: string) =>
    ask<DialectRevision>(browserFetch, routes.dialects(), post(JSON.stringify({ dialect, base, by }))),
};

/** The requests about dumps of an aircraft. */
export const dumpsApi = {
  list: (id: AircraftId) => ask<DumpEntry[]>(browserFetch, routes.dumps(id)),
  one: (id: AircraftId, dump: string) => ask<DumpResponse>(browserFetch, routes.dump(id, dump)),
  keep: (id: AircraftId, dump: KeptDump) => ask<DumpEntry>(browserFetch, routes.dumps(id), post(JSON.stringify(dump))),
  setRemoved: (id: AircraftId, dump: string, removed: boolean) =>
    ask<{ readonly removed: boolean }>(browserFetch, routes.dumpRemoved(id, dump), post(JSON.stringify({ removed }))),
};

/** A dump to keep. */
export interface KeptDump {
  readonly id: string;
  readonly controller: ItemId;
  readonly by: string;
  readonly note: string;
  readonly text: string;
}

/** The requests about parts of the workshop's own. */
export const partsApi = {
  list: () => ask<PartRevision[]>(browserFetch, routes.parts()),
  revisions: (id: PartId) => ask<PartRevision[]>(browserFetch, routes.partRevisions(id)),
  save: (part: Part, base: number, by: string) => ask<PartRevision>(browserFetch, routes.parts(), post(JSON.stringify({ part, base, by }))),
};

/**
 * Hands the workshop's access key in, for this browser.
 * @returns undefined when it was taken, else why not
 */
export async function handInKey(key: string): Promise<string | undefined> {
  const init = { method: 'POST', headers: { accept: 'application/json' }, body: new URLSearchParams({ key }) };
  try {
    const response = await answerTo(browserFetch, routes.access(), init);
    if (response.ok) return undefined;
    const body = await bodyOf(response);
    return isErrorResponse(body) ? body.message : 'The reply is not from the workshop. Try again.';
  } catch {
    return 'The server does not answer. Try again when it is back.';
  }
}
