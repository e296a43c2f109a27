import type { JudgedFinding, Slot } from '@wired-falcon/core';

/** True for a finding of the outputs that names this pin. */
export function isAbout(finding: JudgedFinding['finding'], { output: { pin } }: Slot): boolean {
  const dot = pin.lastIndexOf('.');
  const [port, n] = [pin.slice(0, dot), Number(pin.slice(dot + 1))];
  return finding.stage === 'outputs' && finding.where.some((subject) => subject.is === 'pin' && subject.port === port && subject.n === n);
}
