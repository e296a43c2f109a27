import {
  asId,
  assignCase,
  boardFits,
  chainsOf,
  controllers,
  partKeyOf,
  planBoardMove,
  solveAssignment,
  portBoard,
  engineGraph,
  findingsOf,
  graphOf,
  joinVerdict,
  findPin,
  largeAircraft,
  modalCase,
  outputBoards,
  solveModal,
  multiplied,
  saltmarsh,
  sheetModel,
  type AircraftId,
  type Design,
  type EngineAnswer,
} from '@wired-falcon/core';
import ELK from 'elkjs/lib/elk.bundled.js';
import { report, statsOf, timed } from './stats.ts';

let count = 0;
const makeId = (): string => `b${++count}`;
const demo = saltmarsh(asId<AircraftId>('saltmarsh'), makeId);
const tenTimes = multiplied(demo, 10);
const large = largeAircraft(asId<AircraftId>('large'), makeId);

/** The same design as a new version in which something that is built may differ, so that nothing is kept from the one before. */
function newVersion(design: Design): Design {
  return { ...design, aircraft: { ...design.aircraft, items: { ...design.aircraft.items } } };
}

/** Graph and all checks, as after every edit. */
export async function benchChecks(): Promise<void> {
  report('graph + checks of Saltmarsh, first run', statsOf([await timed(() => findingsOf(newVersion(demo)))]), 'ms', '-');
  const measured = [
    ['Saltmarsh', demo, 500, '15 ms'],
    ['Saltmarsh ten times', tenTimes, 40, '200 ms'],
    ['400 items, 1,000 cables', large, 20, '-'],
    ['400 items, a link that leads nowhere', withoutCablesAt(large, 'GNSS1'), 20, '-'],
  ] as const;
  for (const [name, design, runs, goal] of measured) {
    const times: number[] = [];
    for (let i = 0; i < runs; i++) {
      const version = newVersion(design);
      times.push(await timed(() => findingsOf(version)));
    }
    report(`graph + checks of ${name}`, statsOf(times), 'ms', goal);
  }
  const rewired = eachWireTakenOut(demo);
  const times: number[] = [];
  for (let i = 0; i < 300; i++) {
    const version = newVersion(rewired[i % rewired.length] ?? demo);
    times.push(await timed(() => findingsOf(version)));
  }
  report('graph + checks of Saltmarsh, each time another wire out', statsOf(times), 'ms', '15 ms');
}

/** The design with nothing wired to one of its items. */
function withoutCablesAt(design: Design, ref: string): Design {
  const { aircraft } = design;
  const item = Object.values(aircraft.items).find((one) => one.ref === ref)?.id;
  const cables = Object.entries(aircraft.cables).filter(([, { nodes }]) =>
    Object.values(nodes).every((node) => node.is !== 'end' || node.at.is !== 'port' || node.at.item !== item),
  );
  return { ...design, aircraft: { ...aircraft, cables: Object.fromEntries(cables) } };
}

/** The design without one of its wires, for every wire: what is laid out for one wiring does not serve the next. */
function eachWireTakenOut(design: Design): readonly Design[] {
  const { aircraft } = design;
  return Object.values(aircraft.cables).flatMap((cable) =>
    Object.values(cable.conductors).map((out): Design => {
      const conductors = Object.fromEntries(Object.entries(cable.conductors).filter(([id]) => id !== out.id));
      return { ...design, aircraft: { ...aircraft, cables: { ...aircraft.cables, [cable.id]: { ...cable, conductors } } } };
    }),
  );
}

/** Every link from end to end, on a graph that is there. */
export async function benchChains(): Promise<void> {
  for (const [name, design, goal] of [
    ['Saltmarsh', demo, '-'],
    ['400 items, 1,000 cables', large, '50 ms'],
  ] as const) {
    const times: number[] = [];
    for (let i = 0; i < 30; i++) {
      const graph = graphOf(newVersion(design));
      times.push(await timed(() => chainsOf(graph)));
    }
    report(`chains of ${name}`, statsOf(times), 'ms', goal);
  }
}

/** The port board of an aircraft, with the plan and the edit that makes it real. */
export async function benchPorts(): Promise<void> {
  const times: number[] = [];
  for (let i = 0; i < 30; i++) {
    const graph = graphOf(newVersion(demo));
    chainsOf(graph);
    times.push(await timed(() => portBoard(graph)));
  }
  report('port board of Saltmarsh', statsOf(times), 'ms', '50 ms');
  const searched: number[] = [];
  for (let seed = 1; seed <= 300; seed++) {
    const problem = assignCase(seed, { links: 20, ports: 24 });
    searched.push(await timed(() => solveAssignment(problem)));
  }
  report('20 links on 24 ports, 300 cases', statsOf(searched), 'ms', '50 ms');
  report('20 links on 24 ports, worst of 300', statsOf([Math.max(...searched)]), 'ms', '500 ms');
}

/** Which output each function takes: the search by itself, and a whole plan. */
export async function benchOutputs(): Promise<void> {
  const times: number[] = [];
  for (let seed = 1; seed <= 200; seed++) {
    const problem = modalCase(seed, { seekers: 14, places: 16, groups: 6 });
    times.push(await timed(() => solveModal(problem)));
  }
  report('outputs assigned, 14 functions, 16 outputs, 6 banks', statsOf(times), 'ms', '100 ms');
  const whole: number[] = [];
  for (let i = 0; i < 60; i++) {
    const graph = graphOf(newVersion(demo));
    whole.push(await timed(() => outputBoards(graph)));
  }
  report('outputs of Saltmarsh planned, with the edit that makes it real', statsOf(whole), 'ms', '100 ms');
}

/** Every controller of the catalogue for Saltmarsh, and the change to each. */
export async function benchMoves(): Promise<void> {
  const boards = controllers.map(partKeyOf);
  const item = graphOf(demo).items.find(({ part }) => part?.kind === 'controller')?.item.id;
  const whole = (steps: Generator<unknown, unknown>): void => {
    while (steps.next().done !== true);
  };
  const fits = await timed(() => whole(boardFits(graphOf(newVersion(demo)), item, boards)));
  report(`${boards.length} controllers compared for Saltmarsh`, statsOf([fits]), 'ms', '-');
  const moves: number[] = [];
  for (const part of boards) moves.push(await timed(() => whole(planBoardMove(graphOf(newVersion(demo)), item, part))));
  report('change of the controller of Saltmarsh, each board', statsOf(moves), 'ms', '-');
}

/** Whether a chosen pin goes with each other pin of the sheet: what a person waits for when a pin is chosen. */
export async function benchPinChoice(): Promise<void> {
  const graph = graphOf(demo);
  const pins = graph.items.flatMap(({ item, part }) =>
    (part?.ports ?? []).flatMap((port) => port.pins.map((pin) => ({ item: item.id, port: port.id, n: pin.n }))),
  );
  const times: number[] = [];
  for (let i = 0; i < 100; i++) {
    const version = graphOf(newVersion(demo));
    const from = pins[(i * 37) % pins.length];
    times.push(
      await timed(() => {
        const chosen = from === undefined ? undefined : findPin(version, from);
        for (const address of pins) {
          const other = findPin(version, address);
          if (chosen !== undefined && other !== undefined) joinVerdict(version, chosen, other);
        }
      }),
    );
  }
  report(`a pin choice against all ${pins.length} pins of Saltmarsh`, statsOf(times), 'ms', '50 ms');
}

/** The layered-graph engine on the sheet of Saltmarsh. Its engine is built once, as in the worker. */
export async function benchLayout(): Promise<void> {
  type Engine = { layout: (graph: object) => Promise<EngineAnswer> };
  const engine: Engine = new (ELK as unknown as new () => Engine)();
  const input = (): object => engineGraph(sheetModel(graphOf(newVersion(demo))));
  const first = await timed(() => engine.layout(input()));
  const times: number[] = [];
  for (let i = 0; i < 20; i++) times.push(await timed(() => engine.layout(input())));
  report('sheet layout of Saltmarsh in Node, first run', statsOf([first]), 'ms', '1 s');
  report('sheet layout of Saltmarsh in Node', statsOf(times), 'ms', '1 s');
}
