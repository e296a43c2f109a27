import {
  asId,
  configText,
  configurationOf,
  driftOf,
  graphOf,
  readDump,
  saltmarsh,
  scopeOf,
  type AircraftId,
  type Configuration,
  type Design,
} from '@wired-falcon/core';
import { report, statsOf, timed } from './stats.ts';

let count = 0;
const demo = saltmarsh(asId<AircraftId>('saltmarsh'), () => `f${++count}`);

/** The configuration of a new version in which something that is built may differ, so that nothing is kept from the one before. */
function configured(design: Design): Configuration {
  const scope = scopeOf(graphOf({ ...design, aircraft: { ...design.aircraft, items: { ...design.aircraft.items } } }));
  if (typeof scope === 'string') throw new Error(scope);
  return configurationOf(scope);
}

/** A dump of so many lines: the plan's own, lines of the dialect that the plan does not have, and lines that nobody knows. */
export function dumpOf(text: string, lines: number): string {
  const own = text.split('\n');
  const more = Array.from({ length: lines - own.length }, (_, i) =>
    i % 3 === 0 ? `P${100 + i}.ROLE ${i % 50}` : i % 3 === 1 ? `GYRO.A${i}.ZERO ${i % 9}` : `TUNE.X${i} ${i % 77}`,
  );
  return [...own, ...more].join('\n');
}

/** Generating Saltmarsh, and reading a long dump and comparing it. */
export async function benchFirmware(): Promise<void> {
  const generated: number[] = [];
  for (let i = 0; i < 100; i += 1) {
    // The graph is there for everything else; what is measured is the configuration on it, with the links that it asks for.
    const version: Design = { ...demo, aircraft: { ...demo.aircraft, items: { ...demo.aircraft.items } } };
    const graph = graphOf(version);
    generated.push(
      await timed(() => {
        const scope = scopeOf(graph);
        return typeof scope === 'string' ? scope : configText(configurationOf(scope));
      }),
    );
  }
  report('firmware: Saltmarsh generated, links and all', statsOf(generated), 'ms', '20 ms');
  const configuration = configured(demo);
  const dump = dumpOf(configText(configuration), 10_000);
  const read: number[] = [];
  for (let i = 0; i < 40; i += 1) read.push(await timed(() => driftOf(configuration, readDump(configuration.scope.text, dump))));
  report('firmware: 10,000 lines read and compared', statsOf(read), 'ms', '300 ms');
}
