import { spawn } from 'node:child_process';
import { cpus } from 'node:os';
import { ensurePackages, root } from './shell.mjs';

// Worlds from seeds, as many as one likes, on all processors: npm run worlds -- 5000. One alone: npm run worlds -- 1 SEED.
ensurePackages();
const wanted = Number(process.argv[2] ?? 1000);
const first = Number(process.argv[3] ?? 1);
const lanes = Math.min(wanted, cpus().length);
const start = Date.now();

/** Every lane takes each so-manieth seed. */
function lane(n) {
  const own = Math.floor((wanted - n - 1) / lanes) + 1;
  const environment = {
    ...process.env,
    WF_WORLDS: String(own),
    WF_FIRST_WORLD: String(first + n),
    WF_EVERY_WORLD: String(lanes),
  };
  const child = spawn('npx', ['jest', '-c', 'jest.config.mjs', '--testTimeout=36000000', 'worlds/src/worlds.test'], {
    cwd: root,
    env: environment,
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  return new Promise((resolve) => child.once('exit', (code) => resolve(code === 0)));
}

const ended = await Promise.all(Array.from({ length: lanes }, (_, n) => lane(n)));
const isWell = ended.every(Boolean);
process.stdout.write(
  `${wanted} worlds from ${first} on in ${Math.round((Date.now() - start) / 1000)} s: ${isWell ? 'nothing found' : 'see above'}\n`,
);
process.exit(isWell ? 0 : 1);
