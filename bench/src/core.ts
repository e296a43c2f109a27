import {
  asId,
  engineGraph,
  findingsOf,
  graphOf,
  reedbed,
  sheetModel,
  type AircraftId,
  type Design,
  type EngineAnswer,
} from '@wired-falcon/core';
import ELK from 'elkjs/lib/elk.bundled.js';
import { report, statsOf, timed } from './stats.ts';

let count = 0;
const demo = reedbed(asId<AircraftId>('reedbed'), () => `b${++count}`);

/** The same design as a new version, so that nothing is taken from a cache of the one before. */
function newVersion(): Design {
  return { aircraft: { ...demo.aircraft }, parts: demo.parts };
}

/** Graph and all checks, as after every edit. */
export async function benchChecks(): Promise<void> {
  const first = await timed(() => findingsOf(newVersion()));
  const times: number[] = [];
  for (let i = 0; i < 500; i++) {
    const design = newVersion();
    times.push(await timed(() => findingsOf(design)));
  }
  report('graph + checks of the demo aircraft, first run', statsOf([first]), 'ms', '-');
  report('graph + checks of the demo aircraft', statsOf(times), 'ms', '10 ms');
}

/** The layered-graph engine on the demo aircraft's sheet. Its engine is built once, as in the worker. */
export async function benchLayout(): Promise<void> {
  type Engine = { layout: (graph: object) => Promise<EngineAnswer> };
  const engine: Engine = new (ELK as unknown as new () => Engine)();
  const input = (): object => engineGraph(sheetModel(graphOf(newVersion())));
  const first = await timed(() => engine.layout(input()));
  const times: number[] = [];
  for (let i = 0; i < 20; i++) times.push(await timed(() => engine.layout(input())));
  report('sheet layout in Node, first run', statsOf([first]), 'ms', '1 s');
  report('sheet layout in Node', statsOf(times), 'ms', '1 s');
}
