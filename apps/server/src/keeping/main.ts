import { decimals } from '@wired-falcon/core';
import { configFrom } from '../config.ts';
import { backUp, CannotKeep, restore } from './backup.ts';

/** `node main.js backup FILE` and `node main.js restore FILE`, for the workshop in WF_DATA. */
function main([command, file]: readonly string[]): string {
  const { databaseFile } = configFrom(process.env);
  if (command === 'backup') {
    const stamp = new Date().toISOString().slice(0, 16).replaceAll(/[:T]/g, '-');
    const made = backUp(databaseFile, file ?? `wired-falcon-${stamp}.backup`);
    return `${made.aircraft} aircraft, ${decimals(made.bytes / 1e6, 1)} MB, are kept in ${made.file}.`;
  }
  if (command === 'restore' && file !== undefined) {
    const { aircraft, earlier } = restore(file, databaseFile, new Date());
    const before = earlier === undefined ? '' : ` The workshop that was there is kept as ${earlier}.`;
    return `${aircraft} aircraft are back in ${databaseFile}.${before}`;
  }
  throw new CannotKeep('Say which file to restore: npm run restore -- FILE');
}

try {
  process.stdout.write(`${main(process.argv.slice(2))}\n`);
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
