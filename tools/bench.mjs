import { build, ensurePackages, run } from './shell.mjs';

// Prints the figures with machine and versions. Nothing here passes or fails.
ensurePackages();
build();
process.exit(run(process.execPath, ['--expose-gc', 'bench/dist/main.js']) ? 0 : 1);
