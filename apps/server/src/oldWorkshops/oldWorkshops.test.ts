import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import {
  applyEdit,
  asId,
  canonicalJson,
  dialectKeyOf,
  editKinds,
  sampleDialects,
  SCHEMA_VERSION,
  shipped,
  splitReference,
  withRevisions,
  type Aircraft,
  type AircraftId,
  type Edit,
} from '@wired-falcon/core';
import { routes, type ErrorResponse, type PositionResponse } from '@wired-falcon/contract';
import { submitted, TestServer } from '../test/testServer.ts';
import { kindsIn, makeWorkshop } from './makeWorkshop.ts';

/*
 * Workshops as the product of each schema wrote them, with edits of every kind that it knew, and their documents at some versions
 * as its server gave them: written by that product and by nobody since.
 */

const HERE = join(process.cwd(), 'apps/server/src/oldWorkshops');
const reedbed = asId<AircraftId>('reedbed');

if (process.env['WF_KEEP_SCHEMA'] === '1') {
  it('keeps a workshop of the present schema', () => makeWorkshop(HERE), 600_000);
}

const schemas = readdirSync(HERE)
  .map((name) => Number(/^schema-(\d+)\.workshop\.gz$/.exec(name)?.[1]))
  .filter((schema) => schema > 0)
  .sort((a, b) => a - b);

type Json = Readonly<Record<string, unknown>>;

function documentsOf(schema: number): (readonly [version: number, document: Json])[] {
  const text = gunzipSync(readFileSync(join(HERE, `schema-${schema}.documents.json.gz`))).toString();
  return Object.entries(JSON.parse(text) as Record<string, Json>).map(([version, document]) => [Number(version), document] as const);
}

/** A document of an older schema as it has to be today, known without the migrations. */
function asOfToday(document: Json, schema: number): string {
  return withoutIssued({
    ...document,
    schema: SCHEMA_VERSION,
    ...(schema < 2 ? { needs: {}, outputs: {} } : {}),
    ...(schema < 9 ? { mates: {} } : {}),
    ...(schema < 15 ? { banks: {}, mixing: {} } : {}),
    ...(schema < 16 ? { linkages: {} } : {}),
    ...(schema < 17 ? { firmware: { facts: {}, kept: {}, read: {} } } : {}),
    ...(schema < 12 ? { bonds: {}, links: {}, wishes: {} } : {}),
    ...(schema < 14
      ? { rc: { channels: {}, switches: {}, ranges: {}, takeOvers: {}, osd: {}, radioFields: {}, seen: {}, figures: {}, choices: {} } }
      : {}),
    ...(schema < 10 ? { dialect: dialectKeyNow(String(document['dialect'])) } : {}),
  });
}

/** Up to schema 9 a dialect was named by its id alone: that of a sample means the sample, any other a dialect that nobody has. */
function dialectKeyNow(id: string): string {
  const sample = sampleDialects.find((dialect) => dialect.id === id);
  return sample === undefined ? `${id}@0000000000000000` : dialectKeyOf(sample);
}

function withoutIssued({ issued: _issued, ...rest }: Json): string {
  return canonicalJson(rest);
}

it('there is a workshop of every schema', () => {
  expect(schemas).toEqual(Array.from({ length: SCHEMA_VERSION }, (_, i) => i + 1));
});

describe.each(schemas)('a workshop of schema %i', (schema) => {
  const documents = documentsOf(schema);
  const last = documents.at(-1);
  if (last === undefined) throw new Error(`There are no documents of schema ${schema}.`);
  const [newest, lastDocument] = last;
  let server: TestServer;
  beforeEach(async () => {
    server = await TestServer.start();
    await server.pauseFor(() => {
      for (const end of ['', '-wal', '-shm']) rmSync(`${server.databaseFile}${end}`, { force: true });
      writeFileSync(server.databaseFile, gunzipSync(readFileSync(join(HERE, `schema-${schema}.workshop.gz`))));
    });
  });
  afterEach(() => server.stop());

  async function answerAt(version: number): Promise<PositionResponse> {
    const { body } = await server.ask<PositionResponse>('GET', routes.position(reedbed, version));
    return body;
  }

  async function positionAt(version: number): Promise<Aircraft> {
    const { aircraft } = await answerAt(version);
    return aircraft;
  }

  it('opens, and its document is what it was', async () => {
    const { aircraft, version } = await server.load(reedbed);
    expect(version).toBe(newest);
    expect(withoutIssued({ ...aircraft })).toBe(asOfToday(lastDocument, schema));
    expect(aircraft.issued).toEqual(lastDocument['issued']);
  });

  it('is rebuilt at each earlier version as it was then', async () => {
    await server.load(reedbed);
    for (const [version, document] of documents)
      expect([version, withoutIssued({ ...(await positionAt(version)) })]).toEqual([version, asOfToday(document, schema)]);
    const beyond = await server.ask<ErrorResponse>('GET', routes.position(reedbed, newest + 1));
    expect([beyond.status, beyond.body.message]).toEqual([404, expect.stringContaining(`its newest is ${newest}`)]);
  });

  it('has a journal of which every edit is understood, and makes the same document again', async () => {
    const { parts, dialects } = await server.load(reedbed);
    const { edits } = await server.since(reedbed, 0);
    expect(edits).toHaveLength(newest);
    const first = await positionAt(0);
    const start = { ...first, issued: issuedIn(first) };
    let design = { ...withRevisions(shipped, { parts, dialects }), aircraft: start };
    // An edit that names a sample by its id alone means the sample as it is when the edit is made: today another revision, which is
    // then what the next choice of a dialect finds.
    const idOf = (key: string): string => key.split('@')[0] ?? key;
    const asFoundToday = (edit: Edit): Edit =>
      edit.kind === 'set-dialect' && idOf(edit.was) === idOf(design.aircraft.dialect) ? { ...edit, was: design.aircraft.dialect } : edit;
    for (const { edit, undoes, title, version } of edits) {
      // What was added and taken out again is in the revisions of that time alone.
      design = { ...withRevisions(design, await answerAt(version)), aircraft: design.aircraft };
      const result = applyEdit(
        design,
        asFoundToday(edit),
        () => undoes ?? { refused: { code: 'unknown-edit', sentence: 'Unknown.', about: [] } },
      );
      if ('refused' in result) throw new Error(`${title}: ${result.refused.sentence}`);
      design = { ...design, aircraft: result.design.aircraft };
    }
    const byId = (text: string): string => text.replace(/"dialect":"([a-z-]+)@[0-9a-f]{16}"/, '"dialect":"$1"');
    expect(byId(withoutIssued({ ...design.aircraft }))).toBe(byId(asOfToday(lastDocument, schema)));
  });

  it('can be taken back edit by edit, to the document that it began with', async () => {
    const first = withoutIssued({ ...(await positionAt(0)) });
    const { history } = await server.load(reedbed);
    expect(history.undo.length).toBeGreaterThan(40);
    const edits = history.undo.map(({ editId }, i) => submitted(`back${i}`, { kind: 'undo', of: editId })).reverse();
    let version = newest;
    for (let at = 0; at < edits.length; at += 50) {
      const { body } = await server.edit(reedbed, version, edits.slice(at, at + 50));
      version += Math.min(50, edits.length - at);
      expect(body).toMatchObject({ is: 'done', version });
    }
    expect(withoutIssued({ ...(await server.load(reedbed)).aircraft })).toBe(first);
  });
});

it('edits of every kind that there is today are in the workshop of the present schema', async () => {
  const server = await TestServer.start();
  await server.pauseFor(() => {
    for (const end of ['', '-wal', '-shm']) rmSync(`${server.databaseFile}${end}`, { force: true });
    writeFileSync(server.databaseFile, gunzipSync(readFileSync(join(HERE, `schema-${SCHEMA_VERSION}.workshop.gz`))));
  });
  const { edits } = await server.since(reedbed, 0);
  const made = new Set(edits.flatMap(({ edit }) => kindsIn(edit)));
  expect([...editKinds.keys(), 'batch', 'undo'].filter((kind) => !made.has(kind))).toEqual([]);
  await server.stop();
});

/** The highest numbers that are in use. */
function issuedIn({ items, cables }: Aircraft): Aircraft['issued'] {
  const issued: Record<string, number> = {};
  for (const name of [...Object.values(items).map(({ ref }) => ref), ...Object.values(cables).map(({ tag }) => tag)]) {
    const { prefix, number } = splitReference(name);
    issued[prefix] = Math.max(number, issued[prefix] ?? 0);
  }
  return issued;
}
