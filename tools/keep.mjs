import { join } from 'node:path';
import { ensurePackages, must, root, run } from './shell.mjs';

// Backup and restore of the workshop. Compiles first, so that it works on a fresh clone too.
ensurePackages();
must('npx', ['tsc', '-b'], 'The sources do not compile; see above.');
const data = process.env.WF_DATA ?? join(root, 'data');
const ended = run(process.execPath, [join(root, 'apps/server/dist/keeping/main.js'), ...process.argv.slice(2)], {
  env: { ...process.env, WF_DATA: data },
});
process.exit(ended ? 0 : 1);
