import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** True where Debian's package of the simulator is installed. */
export const hasNgspice = existsSync('/usr/bin/ngspice');

/**
 * The operating point that the independent simulator finds: what is asked for, such as `v(n1)` or `i(vd0)`, by its name. It ends with code 0 also where it found nothing;
 * then there is no answer file, and this is undefined.
 */
export function operatingPoint(netlist: string, wanted: readonly string[]): ReadonlyMap<string, number> | undefined {
  const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-spice-'));
  try {
    const answer = join(folder, 'answer');
    const control = ['.control', 'set numdgt=12', 'set wr_singlescale', 'op', `wrdata ${answer} ${wanted.join(' ')}`, '.endc'];
    writeFileSync(join(folder, 'in.cir'), netlist.replace(/\.op\n\.end\n$/, `${control.join('\n')}\n.end\n`));
    spawnSync('/usr/bin/ngspice', ['-b', join(folder, 'in.cir')], { encoding: 'utf8', timeout: 60_000 });
    if (!existsSync(`${answer}.data`) && !existsSync(answer)) return undefined;
    const text = readFileSync(existsSync(answer) ? answer : `${answer}.data`, 'utf8').trim();
    const values = text.split(/\s+/).map(Number).slice(1);
    return values.length === wanted.length && values.every(Number.isFinite)
      ? new Map(wanted.map((name, i) => [name, values[i] ?? NaN] as const))
      : undefined;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
