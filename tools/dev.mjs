import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, must, root } from './shell.mjs';

// Hot reload: the sources are compiled as they change, the server restarts, and the web application reloads by itself.
ensurePackages();
must('npx', ['tsc', '-b'], 'The sources do not compile; see above.');
const environment = { ...process.env, WF_DEMO: '1', WF_DATA: process.env.WF_DATA ?? join(root, 'data') };
const start = (command, args, cwd = root) => spawn(command, args, { cwd, stdio: 'inherit', env: environment });
const running = [
  start('npx', ['tsc', '-b', '--watch', '--preserveWatchOutput']),
  start(process.execPath, ['--watch', join(root, 'apps/server/dist/main.js')]),
  start('npx', ['vite'], join(root, 'apps/web')),
];
const stop = () => running.forEach((child) => child.kill('SIGTERM'));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
for (const child of running) child.on('exit', stop);
