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
  type Endurance,
  type FaultSweep,
  type Mission,
  type PowerReport,
  type ScenarioReport,
  type Sheet,
  type WireProposal,
} from '@wired-falcon/core';
import { inOneStep, type AnyCalculator, type Calculator } from '../../workers/calculator.ts';

/** The mission from full packs, and how long the aircraft stays up in one situation. */
export interface FlownMission {
  readonly mission: Mission;
  readonly endurance: Endurance | undefined;
}

/** What every situation asks of the supplies. */
export const report: Calculator<'power.report', null, PowerReport> = {
  id: 'power.report',
  steps: inOneStep((design) => powerReport(graphOf(design))),
};

/** Every single fault. */
export const sweep: Calculator<'power.sweep', null, FaultSweep> = {
  id: 'power.sweep',
  steps: (design) => faultSteps(graphOf(design)),
};

/** A situation with one fault in it. */
export const faulty: Calculator<'power.faulty', { readonly situation: string; readonly fault: string }, ScenarioReport | undefined> = {
  id: 'power.faulty',
  steps: inOneStep((design, { situation, fault }) => faultReport(graphOf(design), situation, fault)),
};

/** A situation for other simulators; undefined where there is no such situation. */
export const netlist: Calculator<'power.netlist', string, string | undefined> = {
  id: 'power.netlist',
  steps: inOneStep((design, situation) => scenarioNetlist(graphOf(design), situation)),
};

/** What every conductor carries in a situation; undefined where there is no such situation. */
export const currents: Calculator<'power.currents', string, Sheet | undefined> = {
  id: 'power.currents',
  steps: inOneStep((design, situation) => currentSheet(graphOf(design), situation)),
};

export const mission: Calculator<'power.mission', null, FlownMission> = {
  id: 'power.mission',
  steps: inOneStep((design) => ({ mission: flyMission(graphOf(design)), endurance: enduranceOf(graphOf(design)) })),
};

/** What every supply wire carries, and the size that it should have. */
export const wires: Calculator<'power.wires', null, readonly WireProposal[]> = {
  id: 'power.wires',
  steps: inOneStep((design) => wireProposals(graphOf(design))),
};

export const powerCalculators: readonly AnyCalculator[] = [report, sweep, faulty, netlist, currents, mission, wires];
