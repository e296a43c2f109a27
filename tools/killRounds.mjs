import { ensurePackages, must, run } from './shell.mjs';

// The kill test alone, as often as is asked for: npm run test:kill -- 20
ensurePackages();
must('npx', ['tsc', '-b'], 'The sources do not compile; see above.');
const rounds = process.argv[2] ?? '20';
const ended = run('npx', ['jest', 'killedServer', '--verbose'], { env: { ...process.env, WF_KILL_ROUNDS: rounds } });
process.exit(ended ? 0 : 1);
