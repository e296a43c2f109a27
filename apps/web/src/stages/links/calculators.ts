import {
  batteryReserve,
  GIVING_WAY,
  graphOf,
  portBoard,
  type BatteryReserve,
  pilotAlarms,
  planPorts,
  relaxationSteps,
  type NoReserve,
  type Patience,
  type PilotAlarms,
  type PortBoard,
  type Relaxation,
} from '@wired-falcon/core';
import { inOneStep, type AnyCalculator, type Calculator } from '../../workers/calculator.ts';

/** What a person says of a plan before it is solved. */
export interface PortWish {
  readonly giveWay: boolean;
}

/** A search that takes longer than this says how far from the best it may be. */
const PATIENCE_MS = 450;

/** Which port each link takes. */
export const ports: Calculator<'links.ports', PortWish, PortBoard | undefined> = {
  id: 'links.ports',
  steps: inOneStep((design, { giveWay }) => {
    return portBoard(graphOf(design), { giveWay: giveWay ? GIVING_WAY : [], patience: patienceOf(PATIENCE_MS) });
  }),
};

/**
 * What can give way where links are left out. It plans once for each way, so that the plan itself does not wait for it. Every single way is
 * tried; the search for the fewest that are enough together has its own patience, since the thread does not listen while it lasts.
 */
export const givingWay: Calculator<'links.giving-way', 'giving-way', readonly Relaxation[]> = {
  id: 'links.giving-way',
  *steps(design) {
    const graph = graphOf(design);
    const plan = planPorts(graph, { patience: patienceOf(PATIENCE_MS) });
    return plan === undefined ? [] : yield* relaxationSteps(graph, plan, patienceFromFirstUse(PATIENCE_MS));
  },
};

/** The same, counted from when it is first asked: what is tried before takes none of it. */
function patienceFromFirstUse(ms: number): Patience {
  let patience: Patience | undefined;
  return { isOver: () => (patience ??= patienceOf(ms)).isOver() };
}

function patienceOf(ms: number): Patience {
  const until = performance.now() + ms;
  return { isOver: () => performance.now() > until };
}

/** When the pack has to send the aircraft home. It solves the circuit many times over, so that it is not for the page's own thread. */
export const batteryHome: Calculator<'links.battery-home', 'reserve', BatteryReserve | NoReserve> = {
  id: 'links.battery-home',
  steps: inOneStep((design) => batteryReserve(graphOf(design))),
};

/** The alarms that a pilot sets, from the power figures. */
export const alarms: Calculator<'links.alarms', 'alarms', PilotAlarms | NoReserve> = {
  id: 'links.alarms',
  steps: inOneStep((design) => pilotAlarms(graphOf(design))),
};

export const linkCalculators: readonly AnyCalculator[] = [ports, givingWay, batteryHome, alarms];
