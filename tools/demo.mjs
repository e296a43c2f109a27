import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { build, ensurePackages, root, startServer } from './shell.mjs';

// Installs what is missing, builds, and serves the product with the demo aircraft. With --fresh it starts over.
ensurePackages();
build();
const data = process.env.WF_DATA ?? join(root, 'data');
if (process.argv.includes('--fresh')) {
  for (const end of ['', '-wal', '-shm']) rmSync(join(data, `workshop.db${end}`), { force: true });
}
const server = startServer({ WF_DATA: data, WF_DEMO: '1' });
createInterface({ input: server.stdout }).on('line', (line) => {
  const address = /"listening":"([^"]+)"/.exec(line)?.[1];
  process.stdout.write(
    address === undefined
      ? `${line}\n`
      : `\nWired Falcon is ready at ${address}\nIts data is kept in ${data}. Start over with: npm run demo -- --fresh\nStop it with Ctrl C.\n`,
  );
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill('SIGTERM'));
server.on('exit', (code) => process.exit(code ?? 0));
