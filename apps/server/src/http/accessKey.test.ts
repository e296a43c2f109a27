import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EPOCH_HEADER } from '@wired-falcon/contract';
import { startServer, type RunningServer } from '../startServer.ts';

const KEY = 'reed warbler at low tide';
let folder: string;
let server: RunningServer;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'wired-falcon-'));
  server = await startServer({
    host: '127.0.0.1',
    names: [],
    accessKey: KEY,
    port: 0,
    databaseFile: join(folder, 'workshop.db'),
    webRoot: undefined,
    demo: false,
    importWorker: '',
  });
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

function handIn(key: string): Promise<Response> {
  return fetch(`${server.url}/access`, {
    method: 'POST',
    redirect: 'manual',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams({ key }).toString(),
  });
}

describe('a workshop with an access key', () => {
  it('gives nothing without it, and says what to do', async () => {
    const api = await fetch(`${server.url}/api/aircraft`);
    expect([api.status, await api.json()]).toEqual([
      401,
      { code: 'no-access', message: expect.stringContaining('access key'), details: [] },
    ]);
    const first = await fetch(`${server.url}/`);
    expect([first.status, await first.text()]).toEqual([401, expect.stringContaining('<form method="post" action="/access">')]);
    expect((await fetch(`${server.url}/api/aircraft`, { headers: { cookie: 'wired-falcon-access=guess' } })).status).toBe(401);
    expect((await fetch(`${server.url}/api/aircraft`, { headers: { authorization: 'Bearer guess' } })).status).toBe(401);
  });

  it('lets in who hands the key in, by a cookie that scripts cannot read and other sites cannot send', async () => {
    const answer = await handIn(KEY);
    expect(answer.status).toBe(303);
    const cookie = answer.headers.get('set-cookie') ?? '';
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    expect(cookie).not.toContain(KEY);
    const list = await fetch(`${server.url}/api/aircraft`, { headers: { cookie: cookie.split(';')[0] ?? '' } });
    expect([list.status, await list.json()]).toEqual([200, []]);
    expect((await fetch(`${server.url}/api/aircraft`, { headers: { authorization: `Bearer ${KEY}` } })).status).toBe(200);
  });

  it('answers a page that asks by script in the one shape of errors, and lets it in likewise', async () => {
    const asJson = (key: string): Promise<Response> =>
      fetch(`${server.url}/access`, {
        method: 'POST',
        headers: { 'content-type': 'application/x-www-form-urlencoded', accept: 'application/json' },
        body: new URLSearchParams({ key }).toString(),
      });
    const wrong = await asJson('guess');
    expect([wrong.status, await wrong.json()]).toEqual([
      401,
      { code: 'no-access', message: 'That is not the access key of this workshop.', details: [] },
    ]);
    const right = await asJson(KEY);
    expect([right.status, right.headers.get('set-cookie')]).toEqual([204, expect.stringContaining('HttpOnly')]);
    expect(right.headers.get(EPOCH_HEADER)).not.toBeNull();
  });

  it('makes who guesses wait', async () => {
    for (let i = 0; i < 10; i++) expect((await handIn(`guess ${i}`)).status).toBe(401);
    const last = await handIn(KEY);
    expect([last.status, await last.text()]).toEqual([429, expect.stringContaining('Wait a minute')]);
  });
});
