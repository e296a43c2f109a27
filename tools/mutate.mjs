import { spawnSync } from 'node:child_process';
import { dirname, resolve } from 'node:path';
import { ensurePackages, root } from './shell.mjs';

// Changes one file of core in every way that its tests should notice, and names the changes that none did. Not part of `npm test`.
//   npm run mutate -- packages/core/src/power/solve/nextStates.ts [a pattern of the tests to run; else those of its folder]
ensurePackages();
const [file, tests = dirname(file ?? '')] = process.argv.slice(2);
if (file === undefined) {
  process.stderr.write('Name a file: npm run mutate -- packages/core/src/power/solve/nextStates.ts\n');
  process.exit(2);
}
const { status } = spawnSync(
  process.execPath,
  [resolve(root, 'node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', 'stryker.config.mjs', '--mutate', file],
  { cwd: root, stdio: 'inherit', env: { ...process.env, WF_MUTATE_TESTS: tests, WF_MUTATE_NAME: file.replaceAll(/[^A-Za-z0-9]+/g, '-') } },
);
process.exit(status ?? 1);
