import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Edges } from '../codecs/edges.ts';
import { vcdOf } from './vcd.ts';

const COMMAND = '/usr/bin/sigrok-cli';

/** True where Debian's package of the logic decoder is installed. */
export const hasSigrok = existsSync(COMMAND);

/**
 * What an independent logic decoder reads off a signal.
 * @param decoder with its options and its channel, `uart:rx=D0:baudrate=9600`
 * @param annotation which of its lines are wanted, `uart=rx-data`
 * @returns the lines without the name of the decoder
 */
export function decodedBySigrok(edges: Edges, endNs: number, decoder: string, annotation: string): readonly string[] {
  const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-logic-'));
  try {
    const file = join(folder, 'in.vcd');
    writeFileSync(file, vcdOf(edges, endNs));
    const { stdout, stderr, status } = spawnSync(COMMAND, ['-i', file, '-I', 'vcd', '-P', decoder, '-A', annotation], {
      encoding: 'utf8',
      timeout: 60_000,
      maxBuffer: 64 * 1024 * 1024,
    });
    if (status !== 0) throw new Error(`The logic decoder gave up: ${stderr}`);
    return stdout
      .split('\n')
      .filter((line) => line !== '')
      .map((line) => line.slice(line.indexOf(': ') + 2));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
