import { expose } from 'comlink';
import {
  currentSheet,
  enduranceOf,
  faultReport,
  faultSteps,
  flyMission,
  graphOf,
  powerReport,
  scenarioNetlist,
  wireProposals,
  type Aircraft,
  type Design,
  type Edit,
  type Endurance,
  type FaultSweep,
  type Graph,
  type Mission,
  type Part,
  type PowerReport,
  type PutBack,
  type ScenarioReport,
  type Sheet,
  type WireProposal,
} from '@wired-falcon/core';
import { FollowedDesign } from './followedDesign.ts';

/** What every situation asks of the supplies of the document with this number. */
export interface PowerResult {
  readonly seq: number;
  readonly report: PowerReport;
}

export interface MissionResult {
  readonly mission: Mission;
  readonly endurance: Endurance | undefined;
}

const followed = new FollowedDesign();
let sweeps = 0;

/** For so long the worker does not listen while it sweeps. */
const SLICE_MS = 40;

/** Solves the document in every situation, and with every single fault. */
const power = {
  load: (seq: number, aircraft: Aircraft, parts: readonly Part[]): PowerResult => resultOf(seq, followed.load(seq, aircraft, parts)),

  follow(seq: number, edit: Edit, undoes: PutBack | undefined): PowerResult | undefined {
    const now = followed.follow(seq, edit, undoes);
    return now === undefined ? undefined : resultOf(seq, now);
  },

  /** Every single fault. Undefined when it was stopped, or when another document or sweep came meanwhile. */
  async sweep(seq: number, onShare: (share: number) => void): Promise<FaultSweep | undefined> {
    const own = ++sweeps;
    const design = followed.at(seq);
    if (design === undefined) return undefined;
    const steps = faultSteps(graphOf(design));
    for (let from = performance.now(), step = steps.next(); ; step = steps.next()) {
      if (step.done === true) return step.value;
      if (performance.now() - from < SLICE_MS) continue;
      onShare(step.value);
      await new Promise((resolve) => setTimeout(resolve));
      if (own !== sweeps || followed.at(seq) === undefined) return undefined;
      from = performance.now();
    }
  },

  /** Ends a sweep that is under way. */
  stop(): void {
    sweeps += 1;
  },

  /** A situation for other simulators. */
  netlist: (scenario: string): string | undefined => withGraph((graph) => scenarioNetlist(graph, scenario)),

  /** What every conductor carries in a situation. */
  currents: (scenario: string): Sheet | undefined => withGraph((graph) => currentSheet(graph, scenario)),

  /** The mission from full packs, and how long the aircraft stays up in one situation. */
  mission: (): MissionResult | undefined => withGraph((graph) => ({ mission: flyMission(graph), endurance: enduranceOf(graph) })),

  /** What every supply wire carries, and the size that it should have. */
  wires: (): readonly WireProposal[] => withGraph(wireProposals) ?? [],

  /** A situation with one fault in it. */
  withFault: (scenario: string, fault: string): ScenarioReport | undefined => withGraph((graph) => faultReport(graph, scenario, fault)),
};

/** Asks the document as it stands; undefined before the first. */
function withGraph<T>(ask: (graph: Graph) => T): T | undefined {
  return followed.design === undefined ? undefined : ask(graphOf(followed.design));
}

function resultOf(seq: number, design: Design): PowerResult {
  return { seq, report: powerReport(graphOf(design)) };
}

export type PowerWorker = typeof power;
expose(power);
