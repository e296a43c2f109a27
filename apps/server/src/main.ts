import 'reflect-metadata';
import { fileURLToPath } from 'node:url';
import { configFrom } from './config.ts';
import { startServer } from './startServer.ts';

/** Starts the server and says on one line of JSON where it is, or says in a sentence why it could not. */
async function main(): Promise<void> {
  const config = { ...configFrom(process.env), importWorker: fileURLToPath(new URL('importing/importWorker.js', import.meta.url)) };
  const server = await startServer(config);
  process.stdout.write(`${JSON.stringify({ listening: server.url, database: config.databaseFile })}\n`);
  server.warmUp();
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.once(signal, () => {
      void server.close().then(() => process.exit(0));
    });
  }
}

main().catch((error: unknown) => {
  const code = error instanceof Error && 'code' in error ? error.code : undefined;
  const sentence =
    code === 'EADDRINUSE'
      ? 'The port is already in use by another program. Choose another one, for example: WF_PORT=4790 npm run demo'
      : error instanceof Error
        ? error.message
        : String(error);
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
});
