import { describe, expect, it } from '@jest/globals';
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { applyEdit, canonicalJson, shipped, newAircraft, type AircraftId, type Design } from '@wired-falcon/core';
import {
  EPOCH_HEADER,
  routes,
  type AircraftResponse,
  type CreatedResponse,
  type EditsResponse,
  type EditsSinceResponse,
} from '@wired-falcon/contract';
import { submitted } from './test/testServer.ts';

/*
 * The server process is killed (SIGKILL) amid a burst of edits and started again: no acknowledged edit is lost and none is
 * doubled. This proves the death of the process. It does not prove the loss of power: for that the disk has to keep its
 * word about `synchronous = FULL`, which no test in one machine can show.
 */

const MAIN = join(process.cwd(), 'apps/server/dist/main.js');
const rounds = Number(process.env['WF_KILL_ROUNDS'] ?? 3);
const EDITS = 500;

interface Killable {
  readonly child: ChildProcess;
  readonly url: string;
  readonly epoch: string;
}

function start(folder: string): Promise<Killable> {
  const child = spawn(process.execPath, [MAIN], {
    env: { ...process.env, WF_PORT: '0', WF_DATA: folder },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`The server ended with ${code ?? 'a signal'} before it listened.`)));
    createInterface({ input: child.stdout }).on('line', (line) => {
      const url = /"listening":"([^"]+)"/.exec(line)?.[1];
      if (url !== undefined) void epochOf(url).then((epoch) => resolve({ child, url, epoch }), reject);
    });
  });
}

async function epochOf(url: string): Promise<string> {
  const { headers } = await fetch(`${url}/api/health`);
  return headers.get(EPOCH_HEADER) ?? '';
}

function kill({ child }: Killable): Promise<void> {
  return new Promise((resolve) => {
    child.removeAllListeners('exit');
    child.once('exit', () => resolve());
    child.kill('SIGKILL');
  });
}

function pause(ms: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, ms));
}

async function ask<T>(url: string, body?: unknown): Promise<T> {
  const init = body === undefined ? {} : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
  return (await (await fetch(url, init)).json()) as T;
}

/** The edit number `n`: each rests on the one before, so that a loss or a double shows in the document itself. */
function edit(n: number) {
  return submitted(`edit${n}`, { kind: 'set-aircraft-note', note: `note ${n}`, was: n === 0 ? '' : `note ${n - 1}` });
}

/**
 * Sends edits one after the other; when some are acknowledged the server is killed, a moment later, while the next ones are on
 * their way. @returns how many were acknowledged in all
 */
async function burst(server: Killable, id: AircraftId, from: number, killAfter: number, momentMs: number): Promise<number> {
  let acknowledged = from;
  let killed: Promise<void> | undefined;
  while (acknowledged < EDITS) {
    if (acknowledged - from === killAfter) killed ??= pause(momentMs).then(() => kill(server));
    try {
      const answer = await ask<EditsResponse>(`${server.url}/api/aircraft/${id}/edits`, {
        epoch: server.epoch,
        baseVersion: acknowledged,
        edits: [edit(acknowledged)],
      });
      if (answer.is !== 'done') break;
      acknowledged = answer.version;
    } catch {
      break;
    }
  }
  await killed;
  return acknowledged;
}

async function replay(
  server: Killable,
  id: AircraftId,
  name: string,
): Promise<{ readonly design: Design; readonly ids: readonly string[] }> {
  const since = await ask<EditsSinceResponse>(`${server.url}${routes.editsSince(id, server.epoch, 0)}`);
  if (since.is !== 'since') throw new Error('The server has another document after it was killed.');
  const { edits } = since;
  let design: Design = { aircraft: newAircraft(id, name), ...shipped };
  for (const entry of edits) {
    const result = applyEdit(design, entry.edit);
    if ('refused' in result) throw new Error(`The journal does not replay: ${result.refused.sentence}`);
    design = result.design;
  }
  return { design, ids: edits.map((entry) => entry.editId) };
}

describe('a server that is killed amid a burst of edits', () => {
  it('is built', () => {
    expect(existsSync(MAIN)).toBe(true);
  });

  it.each(Array.from({ length: rounds }, (_, i) => i + 1))('loses no acknowledged edit and doubles none, round %i', async (round) => {
    const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-kill-'));
    let server = await start(folder);
    const { id, name } = await ask<CreatedResponse>(`${server.url}/api/aircraft`, { name: `Killed ${round}` });
    let sent = 0;
    for (let kills = 0; kills < 3; kills++) {
      const acknowledged = await burst(server, id, sent, 2 + ((round * 7 + kills * 5) % 12), (round * 3 + kills * 5) % 11);
      expect(acknowledged).toBeGreaterThan(sent + 1);
      server = await start(folder);
      const loaded = await ask<AircraftResponse>(`${server.url}/api/aircraft/${id}?author=tester`);
      const { design, ids } = await replay(server, id, name);
      expect(loaded.version).toBeGreaterThanOrEqual(acknowledged);
      expect(loaded.version).toBeLessThanOrEqual(acknowledged + 1);
      expect(ids).toEqual(Array.from({ length: loaded.version }, (_, n) => `edit${n}`));
      expect(canonicalJson(loaded.aircraft)).toBe(canonicalJson(design.aircraft));
      const again = await ask<EditsResponse>(`${server.url}/api/aircraft/${id}/edits`, {
        epoch: server.epoch,
        baseVersion: acknowledged,
        edits: [edit(acknowledged)],
      });
      expect(again).toMatchObject({ is: 'done', version: acknowledged + 1, outcomes: [{ is: 'accepted', version: acknowledged + 1 }] });
      sent = acknowledged + 1;
    }
    await kill(server);
    rmSync(folder, { recursive: true, force: true });
  });
});
