import {
  batteryReserve,
  GIVING_WAY,
  graphOf,
  portBoard,
  type BatteryReserve,
  pilotAlarms,
  type NoReserve,
  type PilotAlarms,
  type PortBoard,
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
    const until = performance.now() + PATIENCE_MS;
    return portBoard(graphOf(design), {
      giveWay: giveWay ? GIVING_WAY : [],
      patience: { isOver: () => performance.now() > until },
    });
  }),
};

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

export const linkCalculators: readonly AnyCalculator[] = [ports, batteryHome, alarms];
