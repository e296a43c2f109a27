import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { build, ensureDebianPackages, ensurePackages, root, run, runQuietly } from './shell.mjs';

// Everything that must hold, on a machine where nothing was installed by hand. Ends with one line over all suites.
ensurePackages();
ensureDebianPackages();
build();

let passed = 0;
let failed = 0;
const failures = [];

const seconds = [];

/** Runs a part of the test and notes how long it took. */
function timed(name, command, args) {
  process.stdout.write(`\n== ${name}\n`);
  const start = Date.now();
  const ended = run(command, args);
  seconds.push(`${name} ${Math.round((Date.now() - start) / 1000)} s`);
  return ended;
}

/** Runs parts one after another that only end well or not, and shows what each said when it has ended: two rows of them run beside one another. */
async function gates(...parts) {
  for (const [name, script] of parts) {
    const start = Date.now();
    const { isWell, said } = await runQuietly('npm', ['run', '--silent', script]);
    seconds.push(`${name} ${Math.round((Date.now() - start) / 1000)} s`);
    process.stdout.write(`\n== ${name}\n${said}`);
    if (isWell) passed += 1;
    else fail(name, 1);
  }
}

function fail(name, count) {
  failed += count;
  failures.push(name);
}

function suite(name, command, args, report, countOf) {
  const file = join(root, report);
  mkdirSync(dirname(file), { recursive: true });
  rmSync(file, { force: true });
  const ended = timed(name, command, args);
  const counts = existsSync(file) ? countOf(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counts.passed;
  if (counts.failed > 0) fail(name, counts.failed);
  else if (!ended || counts.passed === 0) fail(`${name} (did not run to its end)`, 1);
}

// Each of these uses one core.
await Promise.all([gates(['lint', 'lint']), gates(['format', 'format:check'], ['types', 'types'], ['architecture', 'arrows'])]);
suite('jest', 'npx', ['jest', '--maxWorkers=2', '--json', '--outputFile=test-results/jest.json'], 'test-results/jest.json', (report) => ({
  passed: report.numPassedTests,
  failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
}));
suite('playwright', 'npx', ['playwright', 'test'], 'test-results/playwright.json', (report) => ({
  passed: report.stats.expected,
  failed: report.stats.unexpected + report.stats.flaky,
}));

process.stdout.write(`\n${seconds.join(', ')}\n`);
if (failures.length > 0) process.stdout.write(`\nFailed: ${failures.join(', ')}\n`);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
