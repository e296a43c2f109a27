import {
  asId,
  faultSweep,
  graphOf,
  multiplied,
  saltmarsh,
  scenariosOf,
  solveScenario,
  type AircraftId,
  type Design,
  type Graph,
} from '@wired-falcon/core';
import { report, statsOf, timed } from './stats.ts';

let count = 0;
const demo = saltmarsh(asId<AircraftId>('saltmarsh'), () => `p${++count}`);

function newVersion({ aircraft, parts }: Design): Graph {
  return graphOf({ aircraft: { ...aircraft }, parts });
}

/** The solver: each situation of a fresh version, and every single fault; with counts and the memory that it took. */
export async function benchPower(): Promise<void> {
  await benchOf('Saltmarsh', demo, 100, '2 ms', 20, '400 ms');
  await benchOf('Saltmarsh ten times', multiplied(demo, 10), 10, '15 times that', 1, '150 times that');
  process.stdout.write(`peak memory of this process: ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MB\n`);
}

async function benchOf(name: string, design: Design, runs: number, goal: string, sweeps: number, sweepGoal: string): Promise<void> {
  const one: number[] = [];
  for (let i = 0; i < runs; i++) {
    const graph = newVersion(design);
    // The first solve of a version also lays out its network.
    for (const scenario of scenariosOf(design.aircraft).filter(({ isJammed }) => isJammed !== true)) {
      one.push(await timed(() => solveScenario(graph, scenario)));
    }
  }
  report(`one situation of ${name}`, statsOf(one), 'ms', goal);
  const times: number[] = [];
  let [faults, names, solves] = [0, 0, 0];
  for (let i = 0; i < sweeps; i++) {
    const graph = newVersion(design);
    times.push(
      await timed(() => {
        const sweep = faultSweep(graph);
        faults = sweep.lines.length;
        names = sweep.lines.reduce((sum, line) => sum + line.names.length, 0);
        ({ solves } = sweep);
      }),
    );
  }
  const stats = statsOf(times);
  report(`fault sweep of ${name}`, stats, 'ms', sweepGoal);
  process.stdout.write(
    `  ${names} faults, ${faults} that differ, ${solves} solves, ${(stats.median / solves).toFixed(3)} ms a fault and situation (goal 0.1 ms)\n`,
  );
}
