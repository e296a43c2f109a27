import type { Graph } from '../../graph/graph.ts';
import { GRAVITY } from '../../layout/air.ts';
import { flyingMassG } from './flyingMass.ts';

/** Estimates for an aircraft of which nothing was measured yet; each is named as an estimate where it shows. */
const SPEED_MPS = 16;
const LIFT_TO_DRAG = 10;
const EFFICIENCY = 0.5;

/** The electrical power that cruising takes, in watts: `P = m g V / (L/D * eta)`, at the cruise speed of the airframe where that is known. An estimate. */
export function cruisePowerW(graph: Graph): number {
  const speedMps = graph.design.aircraft.airframe.frame?.numbers.cruiseMs ?? SPEED_MPS;
  return ((flyingMassG(graph) / 1000) * GRAVITY * speedMps) / (LIFT_TO_DRAG * EFFICIENCY);
}
