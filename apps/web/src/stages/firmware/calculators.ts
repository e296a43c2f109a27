import {
  betweenDumps,
  companionSheets,
  configurationOf,
  driftOf,
  driftView,
  dumpReader,
  graphOf,
  nextOfSeries,
  planView,
  previewDialect,
  radioSheets,
  scopeOf,
  takeAircraft,
  toLoad,
  type Design,
  type Dialect,
  type DialectText,
  type DriftView,
  type DumpDifference,
  type ItemId,
  type NextOfSeries,
  type NoPlan,
  type PlanView,
  type ReadDump,
  type SetupSheet,
  type TakenSide,
  type TextContents,
} from '@wired-falcon/core';
import { inOneStep, type AnyCalculator, type Calculator, type Steps } from '../../workers/calculator.ts';

/** Which controller; the main one where none is named. */
export interface PlanAsk {
  readonly controller: ItemId | undefined;
}

/** What to load into a controller. */
export const plan: Calculator<'firmware.plan', PlanAsk, PlanView | NoPlan> = {
  id: 'firmware.plan',
  steps: inOneStep((design, { controller }) => planView(graphOf(design), controller)),
};

/** A dump to compare with the plan. */
export interface DriftAsk extends PlanAsk {
  readonly dump: string;
  /** What it holds, where a person says so. */
  readonly contents: TextContents | undefined;
}

/** So many lines are read between two looks at what else is asked. */
const LINES_A_STEP = 4000;

let last: { readonly text: DialectText; readonly dump: string; readonly read: ReadDump } | undefined;

/** Reads a dump in steps. The last one is kept, since the plan changes more often than the dump. */
function* readInSteps(text: DialectText, dump: string): Steps<ReadDump> {
  if (last?.text === text && last.dump === dump) return last.read;
  const reader = dumpReader(text, dump);
  for (let read = 0; read < reader.total;) {
    read = reader.read(LINES_A_STEP);
    yield read / reader.total;
  }
  last = { text, dump, read: reader.result() };
  return last.read;
}

/** What a dump has otherwise than the plan. */
export const drift: Calculator<'firmware.drift', DriftAsk, DriftView | NoPlan> = {
  id: 'firmware.drift',
  steps: function* (design, ask) {
    const scope = scopeOf(graphOf(design), ask.controller);
    if (typeof scope === 'string') return noPlan(design, ask);
    const read = yield* readInSteps(scope.text, ask.dump);
    const configuration = configurationOf(scope);
    return driftView(configuration, driftOf(configuration, read, ask.contents), read);
  },
};

function noPlan(design: Design, { controller }: PlanAsk): NoPlan {
  const view = planView(graphOf(design), controller);
  if (view.is === 'plan') throw new Error('There is a plan after all.');
  return view;
}

/** Some lines of a drift, by their keys. */
export interface LinesAsk extends DriftAsk {
  readonly keys: readonly string[];
}

/** The edits that make the aircraft's side of some lines the document's. */
export const take: Calculator<'firmware.take', LinesAsk, TakenSide | NoPlan> = {
  id: 'firmware.take',
  steps: function* (design, ask) {
    const scope = scopeOf(graphOf(design), ask.controller);
    if (typeof scope === 'string') return noPlan(design, ask);
    const read = yield* readInSteps(scope.text, ask.dump);
    const keys = new Set(ask.keys);
    return takeAircraft(configurationOf(scope), read, ask.contents, ({ section, name }) => keys.has(`${section}\n${name}`));
  },
};

/** The text that loads the plan's side of some lines. */
export const load: Calculator<'firmware.load', LinesAsk, ReturnType<typeof toLoad> | NoPlan> = {
  id: 'firmware.load',
  steps: function* (design, ask) {
    const scope = scopeOf(graphOf(design), ask.controller);
    if (typeof scope === 'string') return noPlan(design, ask);
    const read = yield* readInSteps(scope.text, ask.dump);
    const configuration = configurationOf(scope);
    const keys = new Set(ask.keys);
    return toLoad(configuration, driftOf(configuration, read, ask.contents), ({ section, name }) => keys.has(`${section}\n${name}`));
  },
};

/** Two dumps of one controller. */
export interface BetweenAsk extends PlanAsk {
  readonly first: string;
  readonly second: string;
}

/** What two dumps have otherwise. */
export const between: Calculator<'firmware.between', BetweenAsk, readonly DumpDifference[] | NoPlan> = {
  id: 'firmware.between',
  steps: function* (design, ask) {
    const scope = scopeOf(graphOf(design), ask.controller);
    if (typeof scope === 'string') return noPlan(design, ask);
    const first = yield* readInSteps(scope.text, ask.first);
    const second = yield* readInSteps(scope.text, ask.second);
    return betweenDumps(first, second);
  },
};

/** What the next aircraft of the series gets. */
export const series: Calculator<'firmware.series', DriftAsk, NextOfSeries | NoPlan> = {
  id: 'firmware.series',
  steps: function* (design, ask) {
    const scope = scopeOf(graphOf(design), ask.controller);
    if (typeof scope === 'string') return noPlan(design, ask);
    const read = yield* readInSteps(scope.text, ask.dump);
    return nextOfSeries(configurationOf(scope), read);
  },
};

/** Another dialect, or a draft of one. */
export interface PreviewAsk extends PlanAsk {
  readonly dialect: Dialect;
}

/** What another dialect would make of the aircraft. */
export const preview: Calculator<'firmware.preview', PreviewAsk, ReturnType<typeof previewDialect>> = {
  id: 'firmware.preview',
  steps: inOneStep((design, { dialect, controller }) => previewDialect(design, dialect, controller)),
};

/** What is set on computers and radios beside the controller, each step with where it is decided. */
export const setups: Calculator<'firmware.setups', 'setups', readonly SetupSheet[]> = {
  id: 'firmware.setups',
  steps: inOneStep((design) => {
    const graph = graphOf(design);
    return [...companionSheets(graph), ...radioSheets(graph)];
  }),
};

export const firmwareCalculators: readonly AnyCalculator[] = [plan, drift, take, load, between, series, preview, setups];
