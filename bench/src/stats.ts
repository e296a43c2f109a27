/** The middle, the 95th percentile and the worst of some measured values. */
export interface Stats {
  readonly median: number;
  readonly p95: number;
  readonly worst: number;
  readonly count: number;
}

export function statsOf(values: readonly number[]): Stats {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] ?? Number.NaN;
  return { median: at(0.5), p95: at(0.95), worst: at(1), count: sorted.length };
}

/** One printed line: what was measured, its figures in a unit, and the goal. */
export function report(what: string, stats: Stats, unit: string, goal: string): void {
  const figure = (value: number): string => value.toFixed(value < 10 ? 2 : 1).padStart(8);
  const line = `${what.padEnd(58)} median ${figure(stats.median)}  p95 ${figure(stats.p95)}  worst ${figure(stats.worst)} ${unit}`;
  process.stdout.write(`${line}  (${stats.count} runs; goal ${goal})\n`);
}

/** Milliseconds that a task takes. */
export async function timed(task: () => unknown): Promise<number> {
  const start = performance.now();
  await task();
  return performance.now() - start;
}
