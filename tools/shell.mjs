import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, mkdirSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder of the repository. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Runs a command to its end with its output shown. @returns true when it ended well */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  return done.status === 0;
}

/** Runs a command beside others, its output kept. @returns whether it ended well, and all that it said */
export async function runQuietly(command, args) {
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.setEncoding('utf8').on('data', (text) => (said += text));
  const [status] = await once(child, 'close');
  return { isWell: status === 0, said };
}

/** Runs a command, and ends this program with a sentence when it fails. */
export function must(command, args, sentence) {
  if (run(command, args)) return;
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

/** Installs the packages of the lock file when they are not there, or when the lock has changed since. */
export function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const mark = join(root, 'node_modules', '.installed-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  process.stdout.write('Installing packages ...\n');
  must('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'], 'The packages could not be installed. Is the npm registry reachable?');
  mkdirSync(dirname(mark), { recursive: true });
  writeFileSync(mark, lock);
}

/** Installs from Debian's packages what the tests need beside npm's: a browser, and a circuit simulator and a logic decoder to be checked against. */
export function ensureDebianPackages() {
  const missing = ['chromium', 'ngspice', 'sigrok-cli'].filter((name) => !existsSync(`/usr/bin/${name}`));
  if (missing.length === 0) return;
  process.stdout.write(`Installing ${missing.join(', ')} from Debian's packages ...\n`);
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (args) => {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args];
    must(command, rest, `They could not be installed. Install them by hand: apt-get install ${missing.join(' ')}`);
  };
  apt(['update']);
  apt(['install', '-y', '--no-install-recommends', ...missing]);
}

/** Builds core, contract, server and web. */
export function build() {
  must('npx', ['tsc', '-b'], 'The sources do not compile; see above.');
  must('npm', ['run', 'build', '--workspace', '@wired-falcon/web', '--silent'], 'The web application does not build; see above.');
}

/** Starts the built server with the given environment, its output shown. */
export function startServer(environment) {
  return spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, WF_WEB: join(root, 'apps/web/dist'), ...environment },
  });
}
