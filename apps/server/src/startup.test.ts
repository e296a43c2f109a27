import { describe, expect, it } from '@jest/globals';
import { spawn } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { TestServer } from './test/testServer.ts';

const MAIN = join(process.cwd(), 'apps/server/dist/main.js');

/** Starts the built server, expecting that it cannot start. @returns its exit code and what it said */
function startInVain(environment: Readonly<Record<string, string>>): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, [MAIN], { env: { ...process.env, ...environment }, stdio: ['ignore', 'ignore', 'pipe'] });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((resolve) => child.once('exit', (code) => resolve({ code, said })));
}

describe('starting', () => {
  it('on an occupied port says so, and how to choose another', async () => {
    const holder = createServer();
    await new Promise<void>((resolve) => holder.listen(0, '127.0.0.1', resolve));
    const server = await TestServer.start();
    const { port } = holder.address() as AddressInfo;
    const { code, said } = await startInVain({ WF_PORT: String(port), WF_DATA: server.folder });
    expect(code).toBe(1);
    expect(said).toContain('The port is already in use by another program. Choose another one, for example: WF_PORT=');
    await server.stop();
    holder.close();
  });

  it('beyond this machine without a key is refused in a sentence', async () => {
    const { code, said } = await startInVain({ WF_HOST: '0.0.0.0' });
    expect([code, said.trim()]).toEqual([
      1,
      'WF_HOST is "0.0.0.0", which others can reach. Set WF_ACCESS_KEY too, to a key of at least 16 characters, or leave WF_HOST out to listen on this machine only.',
    ]);
  });

  it('without a built web application says what to do', async () => {
    const { code, said } = await startInVain({ WF_PORT: '0', WF_WEB: '/nowhere' });
    expect(code).toBe(1);
    expect(said).toContain('Run "npm run build" first.');
  });
});
