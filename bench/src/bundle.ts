import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

/** The script that the first page loads before anything is asked of it: what index.html names. */
export function benchBundle(root: string): void {
  const dist = join(root, 'apps/web/dist');
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const scripts = [...page.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((match) => match[1] ?? '');
  const bytes = scripts.reduce((sum, script) => sum + gzipSync(readFileSync(join(dist, script)), { level: 9 }).length, 0);
  process.stdout.write(`initial script, gzip: ${(bytes / 1000).toFixed(1)} kB in ${scripts.length} files  (goal 300 kB)\n`);
}
