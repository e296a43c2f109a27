import {
  asId,
  largeAircraft,
  LIMITS,
  multiplied,
  SCHEMA_VERSION,
  writeAircraftFile,
  type AircraftId,
  type Design,
  type Edit,
} from '@wired-falcon/core';
import { routes, type AircraftResponse, type CreatedResponse, type EditsResponse } from '@wired-falcon/contract';
import { ask } from './lightClient.ts';
import { startServer } from './server.ts';
import { report, statsOf } from './stats.ts';

let made = 0;
const makeId = (): string => `l${++made}`;

/** Until then the server's code is not compiled yet. */
const FIRST = 80;
/** How long one server is asked for something else, again and again, while it is at work. */
const PROBE_PAUSE_MS = 2;

/** Undo on a large aircraft, and the import of the largest that there may be: by one client, over HTTP, on a real database file. */
export async function benchLarge(root: string): Promise<void> {
  const large = largeAircraft(asId<AircraftId>('large'), makeId);
  await benchUndo(root, large, '20 ms p95');
  await benchImport(root, largest(large));
}

/** Removes an item with all its cables' ends, and takes that back: what an undo touches most of. */
async function benchUndo(root: string, design: Design, goal: string): Promise<void> {
  const { url, stop } = await startServer(root);
  const { id } = await ask<CreatedResponse>(`${url}${routes.importFile()}`, writeAircraftFile(design));
  const loaded = await ask<AircraftResponse>(`${url}${routes.aircraft(id, 'bench')}`);
  let { version } = loaded;
  const send = async (edit: Edit): Promise<{ readonly editId: string; readonly ms: number }> => {
    const editId = makeId();
    const edits = [{ editId, at: new Date().toISOString(), by: 'bench', schema: SCHEMA_VERSION, edit }];
    const start = performance.now();
    const answer = await ask<EditsResponse>(
      `${url}${routes.edits(id)}`,
      JSON.stringify({ epoch: loaded.epoch, baseVersion: version, edits }),
    );
    const ms = performance.now() - start;
    if (answer.is !== 'done' || answer.outcomes[0]?.is !== 'accepted')
      throw new Error(`An edit was not taken: ${JSON.stringify(answer).slice(0, 200)}`);
    ({ version } = answer);
    return { editId, ms };
  };
  const undoEach = async (from: number, to: number): Promise<number[]> => {
    const times: number[] = [];
    for (const { id: item } of Object.values(loaded.aircraft.items).slice(from, to)) {
      const { editId } = await send({ kind: 'remove-item', item });
      times.push((await send({ kind: 'undo', of: asId(editId) })).ms);
    }
    return times;
  };
  const { items, cables } = design.aircraft;
  const what = `undo on ${Object.keys(items).length} items and ${Object.keys(cables).length} cables`;
  report(`${what}, first ${FIRST}`, statsOf(await undoEach(0, FIRST)), 'ms', `${goal}, code not compiled yet`);
  report(what, statsOf(await undoEach(FIRST, 400)), 'ms', goal);
  await stop();
}

async function benchImport(root: string, design: Design): Promise<void> {
  const { url, stop } = await startServer(root);
  const small = await ask<CreatedResponse>(`${url}${routes.hangar()}`, JSON.stringify({ name: 'Beside' }));
  const file = writeAircraftFile(design);
  const imports: number[] = [];
  const probes: number[] = [];
  for (let round = 0; round < 5; round++) {
    const state = { isDone: false };
    const start = performance.now();
    const importing = ask<CreatedResponse>(`${url}${routes.importFile()}`, file).then(({ id }) => {
      imports.push(performance.now() - start);
      state.isDone = true;
      if (typeof id !== 'string') throw new Error('The largest aircraft was not taken.');
    });
    while (!state.isDone) {
      const asked = performance.now();
      await ask<AircraftResponse>(`${url}${routes.aircraft(small.id, 'bench')}`);
      probes.push(performance.now() - asked);
      await new Promise((resolve) => setTimeout(resolve, PROBE_PAUSE_MS));
    }
    await importing;
  }
  const { items, cables } = design.aircraft;
  const what = `import of ${Object.keys(items).length} items and ${Object.keys(cables).length} cables, ${(file.length / 1e6).toFixed(1)} MB`;
  report(`${what}, first`, statsOf(imports.slice(0, 1)), 'ms', '2 s');
  report(what, statsOf(imports.slice(1)), 'ms', '2 s');
  const slowest = Math.max(...probes);
  process.stdout.write(`  meanwhile ${probes.length} other requests: ${slowest.toFixed(0)} ms the slowest (goal 100)\n`);
  await stop();
}

/** As many times over as an aircraft may be, and its last cables as often again as there may be cables. */
function largest(design: Design): Design {
  const { aircraft } = multiplied(design, Math.floor(LIMITS.itemsPerAircraft / Object.keys(design.aircraft.items).length));
  const items = Object.keys(aircraft.items).length;
  if (items > LIMITS.itemsPerAircraft) throw new Error('The aircraft has more items than it may have.');
  const cables = Object.entries(aircraft.cables).slice(0, LIMITS.cablesPerAircraft);
  return { ...design, aircraft: { ...aircraft, cables: Object.fromEntries(cables) } };
}
