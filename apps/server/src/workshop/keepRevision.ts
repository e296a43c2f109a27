import type { RunStatement } from '../database/fastWriter.ts';
import type { KeptRow } from './shelf.ts';

/** Stores a revision that may be stored already. */
export function keepRevision(run: RunStatement, { table, key, content }: KeptRow): void {
  run(`insert into ${table} (key, content) values (?, ?) on conflict (key) do nothing`, key, content);
}
