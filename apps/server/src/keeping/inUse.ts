import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';

/** Says beside the database file that this process works on it; gives what takes that back. */
export function holdWorkshop(databaseFile: string): () => void {
  const mark = markOf(databaseFile);
  writeFileSync(mark, String(process.pid));
  return () => rmSync(mark, { force: true });
}

/** True when a process that still lives works on the file. A mark that a killed server left behind does not count. */
export function isInUse(databaseFile: string): boolean {
  const mark = markOf(databaseFile);
  if (!existsSync(mark)) return false;
  const pid = Number(readFileSync(mark, 'utf8'));
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error instanceof Error && 'code' in error && error.code === 'EPERM';
  }
}

function markOf(databaseFile: string): string {
  return `${databaseFile}.pid`;
}
