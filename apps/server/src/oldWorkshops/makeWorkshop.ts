import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import Database from 'libsql';
import {
  applyEdit,
  asId,
  shipped,
  editKinds,
  nextReference,
  partKeyOf,
  sampleParts,
  SCHEMA_VERSION,
  withFreshIds,
  type AircraftId,
  type Design,
  type Edit,
} from '@wired-falcon/core';
import fc from 'fast-check';
import { draws, type Draw } from '../../../../packages/core/src/test/randomEdits/draw.ts';
import { editFrom } from '../../../../packages/core/src/test/randomEdits/editFrom.ts';
import { submitted, TestServer } from '../test/testServer.ts';

const reedbed = asId<AircraftId>('reedbed');
/** Of each kind, so many at the least. */
const ENOUGH = 2;

/**
 * A workshop of the present schema in which every kind of edit was made, some undone, and its documents at some versions as the
 * server gave them then. Kept when the schema is about to change (docs/contributing.md says how), for all schemas to come.
 * @param folder where `schema-N.workshop.gz` and `schema-N.documents.json.gz` go
 */
export async function makeWorkshop(folder: string): Promise<void> {
  const server = await TestServer.start(true);
  const { aircraft, version: begin } = await server.load(reedbed);
  let design: Design = { aircraft, ...shipped };
  let version = begin;
  let ids = 0;
  const makeId = (): string => `k${SCHEMA_VERSION}x${++ids}`;
  const made = new Map<string, number>();
  const documents: Record<number, unknown> = {};
  const post = async (edit: Edit, inverseOf?: Parameters<typeof applyEdit>[2]): Promise<void> => {
    const result = applyEdit(design, edit, inverseOf);
    if ('refused' in result) throw new Error(result.refused.sentence);
    const { body } = await server.edit(reedbed, version, [submitted(`k${SCHEMA_VERSION}e${version + 1}`, edit)]);
    if (body.is !== 'done' || body.outcomes[0]?.is !== 'accepted') throw new Error(JSON.stringify(body));
    ({ design } = result);
    ({ version } = body);
    for (const kind of kindsIn(edit)) made.set(kind, (made.get(kind) ?? 0) + 1);
  };
  // Few parts sit on one another without a cable: random ones would seldom do.
  for (const id of ['controller-f7-rows', 'output-board-stacked-6']) {
    const part = sampleParts.find((candidate) => candidate.id === id);
    if (part === undefined) throw new Error(`There is no part ${id}.`);
    const ref = nextReference(design.aircraft, part.kind);
    await post(filled({ kind: 'add-item', item: { id: asId('?1'), ref, part: partKeyOf(part), where: 'aircraft', settings: {} } }, makeId));
  }
  // Bays and cables rest on the frame's points: a random other frame is refused.
  for (const spanMm of [1_400, 1_500]) {
    const was = design.aircraft.airframe.frame;
    if (was === undefined) throw new Error('The aircraft has no frame.');
    await post({ kind: 'set-frame', frame: { ...was, numbers: { ...was.numbers, spanMm } }, was });
  }
  const lacks = (kind: string): boolean => (made.get(kind) ?? 0) < ENOUGH;
  for (const draw of manyDraws()) {
    if (![...editKinds.keys(), 'batch', 'undo'].some(lacks)) break;
    const edit = filled(editFrom(design, draw), makeId);
    const result = applyEdit(design, edit);
    if ('refused' in result || !kindsIn(edit).some(lacks)) continue;
    await post(edit);
    if (version % 8 === 0) await post({ kind: 'undo', of: asId(`k${SCHEMA_VERSION}e${version}`) }, () => result.inverse);
    if (version % 5 === 0) documents[version] = (await server.load(reedbed)).aircraft;
  }
  documents[version] = (await server.load(reedbed)).aircraft;
  await server.pauseFor(() =>
    writeFileSync(join(folder, `schema-${SCHEMA_VERSION}.workshop.gz`), gzipSync(onlyReedbed(server.databaseFile), { level: 9 })),
  );
  writeFileSync(join(folder, `schema-${SCHEMA_VERSION}.documents.json.gz`), gzipSync(JSON.stringify(documents), { level: 9 }));
  await server.stop();
}

export function kindsIn(edit: Edit): readonly string[] {
  return edit.kind === 'batch' ? [edit.kind, ...edit.edits.map(({ kind }) => kind)] : [edit.kind];
}

/** The bytes of a workshop without the other demo aircraft. */
function onlyReedbed(file: string): Buffer {
  const database = new Database(file);
  database.prepare('delete from aircraft where id <> ?').run(reedbed);
  database.prepare('VACUUM INTO ?').run(`${file}.small`);
  database.close();
  return readFileSync(`${file}.small`);
}

/** The same draws each time; more than are ever needed. */
function manyDraws(): readonly Draw[] {
  return fc
    .sample(draws, { numRuns: 600, seed: SCHEMA_VERSION })
    .flat()
    .map((draw) => ({ ...draw, isStale: false }));
}

function filled(edit: Edit, makeId: () => string): Edit {
  if (edit.kind !== 'batch') return withFreshIds(edit, makeId);
  const edits = edit.edits
    .map((one) => withFreshIds(one, makeId))
    .flatMap((one) => (one.kind === 'batch' || one.kind === 'undo' ? [] : [one]));
  return { ...edit, edits };
}
