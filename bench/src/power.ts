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
import { paceNow } from './pace.ts';
import { report, statsOf, timed } from './stats.ts';

let count = 0;
const demo = saltmarsh(asId<AircraftId>('saltmarsh'), () => `p${++count}`);

function newVersion(design: Design): Graph {
  return graphOf({ ...design, aircraft: { ...design.aircraft, items: { ...design.aircraft.items } } });
}

/** The solver: each situation of a fresh version, and every single fault; with counts and the memory that it took. */
export async function benchPower(): Promise<void> {
  await benchOf('Saltmarsh', demo, 100, '2 ms', 200, '400 ms', '0.1 ms');
  await benchOf('Saltmarsh ten times', multiplied(demo, 10), 10, '15 times that', 5, '150 times that', '-');
  process.stdout.write(`peak memory of this process: ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MB\n`);
}

async function benchOf(
  name: string,
  design: Design,
  runs: number,
  goal: string,
  sweeps: number,
  sweepGoal: string,
  eachGoal: string,
): Promise<void> {
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
  const paces: number[] = [];
  let [faults, names, judged, solves] = [0, 0, 0, 0];
  for (let i = 0; i < sweeps; i++) {
    const graph = newVersion(design);
    const before = paceNow();
    times.push(
      await timed(() => {
        const sweep = faultSweep(graph);
        faults = sweep.lines.length;
        names = sweep.lines.reduce((sum, line) => sum + line.names.length, 0);
        ({ judged, solves } = sweep);
      }),
    );
    paces.push((before + paceNow()) / 2);
  }
  const [first = 0, ...others] = times;
  report(`fault sweep of ${name}, first run`, statsOf([first]), 'ms', sweepGoal);
  const stats = statsOf(others);
  report(`fault sweep of ${name}`, stats, 'ms', sweepGoal);
  const best = Math.min(...paces);
  const undisturbed = statsOf(others.map((time, i) => (time * best) / (paces[i + 1] ?? best))).median;
  const each = (ms: number): string => (ms / judged).toFixed(3);
  process.stdout.write(
    `  ${names} faults, ${faults} that differ, ${judged} to judge in all situations, ${solves} solves, ${each(stats.median)} ms a fault and situation (goal ${eachGoal})\n` +
      `  ${each(undisturbed)} ms at the best speed of this machine: a fixed loop took ${best.toFixed(1)} ms at best, ${statsOf(paces).median.toFixed(1)} in the middle\n`,
  );
}
