import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import {
  asId,
  multiplied,
  saltmarsh,
  SCHEMA_VERSION,
  writeAircraftFile,
  type AircraftId,
  type Design,
  type Edit,
} from '@wired-falcon/core';
import type { AircraftResponse, CreatedResponse, EditsResponse, HangarEntry } from '@wired-falcon/contract';
import { ask } from './lightClient.ts';
import { report, statsOf } from './stats.ts';

const CLIENTS = 8;
const EDITS_EACH = 100;
/** How often the load is run before the warm figure is taken. */
const WARM_ROUNDS = 2;
/** The mean pause of the paced clients: faster than any person, and short of what the machine can do. */
const PAUSE_MS = 100;

/** One client: edits one after the other, with a pause before each. @returns the time of each, from the request to its acknowledgement */
async function client(url: string, id: string, name: string, pauseMs: number): Promise<number[]> {
  const loaded = await ask<AircraftResponse>(`${url}/api/aircraft/${id}?author=${name}`);
  const servo = Object.values(loaded.aircraft.items).find((item) => item.ref === 'SRV1');
  if (servo === undefined) throw new Error('The demo aircraft has no SRV1.');
  const times: number[] = [];
  let { version } = loaded;
  let was = servo.label ?? '';
  for (let n = 0; n < EDITS_EACH; n++) {
    const label = `${name} ${n}`;
    const edit: Edit = { kind: 'label-item', item: servo.id, label, was };
    if (pauseMs > 0) await new Promise((resolve) => setTimeout(resolve, pauseMs * (0.5 + ((n * 7919) % 100) / 100)));
    const start = performance.now();
    const edits = [{ editId: `${name}n${n}`, at: new Date().toISOString(), by: name, schema: SCHEMA_VERSION, edit }];
    const answer = await ask<EditsResponse>(
      `${url}/api/aircraft/${id}/edits`,
      JSON.stringify({ epoch: loaded.epoch, baseVersion: version, edits }),
    );
    times.push(performance.now() - start);
    if (answer.is !== 'done' || answer.outcomes[0]?.is !== 'accepted')
      throw new Error(`An edit was not taken: ${JSON.stringify(answer).slice(0, 200)}`);
    version = answer.version;
    was = label;
  }
  return times;
}

export interface BenchServer {
  readonly url: string;
  readonly stop: () => Promise<void>;
}

/** A server of its own on a database file of its own. */
export async function startServer(root: string, more: Readonly<Record<string, string>> = {}): Promise<BenchServer> {
  const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-bench-'));
  const child = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
    env: { ...process.env, WF_PORT: '0', WF_DATA: folder, WF_DEMO: '0', ...more },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve) => {
    createInterface({ input: child.stdout }).on('line', (line) => {
      const found = /"listening":"([^"]+)"/.exec(line)?.[1];
      if (found !== undefined) resolve(found);
    });
  });
  const stop = async (): Promise<void> => {
    child.kill('SIGTERM');
    await new Promise((resolve) => child.once('exit', resolve));
    rmSync(folder, { recursive: true, force: true });
  };
  return { url, stop };
}

let made = 0;
const makeId = (): string => `b${++made}`;

/**
 * Eight clients at once, each on an aircraft of its own, on a real database file with full sync. First as fast as they can on a
 * server that has just been started, then the same again when its code is warm, then at a pace. The clients run in this
 * process, on the same processors as the server that they load; what they take themselves is printed.
 */
export async function benchEdits(root: string): Promise<void> {
  const one = saltmarsh(asId<AircraftId>('saltmarsh'), makeId);
  await benchEditsOf(root, 'Saltmarsh', one, '20 ms');
  await benchEditsOf(root, 'Saltmarsh ten times', multiplied(one, 10), '60 ms');
}

async function benchEditsOf(root: string, name: string, design: Design, goal: string): Promise<void> {
  const { url, stop } = await startServer(root);
  const file = writeAircraftFile(design);
  const ids: string[] = [];
  for (let i = 0; i < CLIENTS; i++) ids.push((await ask<CreatedResponse>(`${url}/api/aircraft/import`, file)).id);
  const all = async (round: string, pauseMs: number): Promise<number[]> =>
    (await Promise.all(ids.map((id, i) => client(url, id, `${round}${i}`, pauseMs)))).flat();
  const what = `edit of ${name}, ${CLIENTS} clients`;
  report(`${what}, no pause, first ${CLIENTS * EDITS_EACH}`, statsOf(await all('first', 0)), 'ms', `p95 ${goal}, code not compiled yet`);
  for (let n = 0; n < WARM_ROUNDS; n++) await all(`warm${n}x`, 0);
  const before = process.cpuUsage();
  const warm = statsOf(await all('flood', 0));
  const own = process.cpuUsage(before);
  report(`${what}, no pause`, warm, 'ms', `p95 ${goal}`);
  process.stdout.write(
    `  of this the clients took ${((own.user + own.system) / 1000 / (CLIENTS * EDITS_EACH)).toFixed(2)} ms of a processor an edit\n`,
  );
  report(`${what}, 10 edits a second each`, statsOf(await all('paced', PAUSE_MS)), 'ms', `p95 ${goal}`);
  await stop();
}

const MANY = 2000;

/** The list of a workshop of very many aircraft, summaries made before and not. */
export async function benchHangar(root: string): Promise<void> {
  const { url, stop } = await startServer(root);
  const file = writeAircraftFile(saltmarsh(asId<AircraftId>('saltmarsh'), makeId));
  for (let i = 0; i < MANY; i++) {
    if (i % 20 === 0) await ask(`${url}/api/aircraft/import`, file);
    else await ask(`${url}/api/aircraft`, JSON.stringify({ name: `Aircraft ${i}` }));
  }
  const first = performance.now();
  await ask(`${url}/api/aircraft`);
  const answered = performance.now() - first;
  for (let entries = await ask<HangarEntry[]>(`${url}/api/aircraft`); entries.some(({ checked }) => checked.is === 'checking');)
    entries = await ask<HangarEntry[]>(`${url}/api/aircraft`);
  const made = performance.now() - first;
  const times: number[] = [];
  for (let i = 0; i < 20; i++) {
    const start = performance.now();
    await ask(`${url}/api/aircraft`);
    times.push(performance.now() - start);
  }
  const what = `hangar with ${MANY} aircraft, ${MANY / 20} of them Saltmarsh`;
  report(`${what}, first answer`, statsOf([answered]), 'ms', '200 ms');
  report(`${what}, until all are checked`, statsOf([made]), 'ms', '-');
  report(`hangar with ${MANY} aircraft`, statsOf(times), 'ms', '200 ms');
  await stop();
}
