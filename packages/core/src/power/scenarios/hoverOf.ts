import type { Graph } from '../../graph/graph.ts';
import { AIR_KG_M3, GRAVITY } from '../../layout/air.ts';
import { flyingMassG } from './flyingMass.ts';
import { driveGroup, motorOf, type DrivenMotor } from './drives.ts';

/** Of the power from the pack so much ends in the air that is pushed down: propeller, motor and controller together. A round estimate. */
const EFFICIENCY = 0.5;

/** What hovering takes. */
export interface Hover {
  readonly motors: number;
  readonly wattsEach: number;
  /** As a share of full throttle; the most of the table when that is not enough. */
  readonly throttle: number;
  readonly isEnough: boolean;
}

/**
 * The throttle at which an aircraft hovers: each lift propeller pushes its share of the weight, which takes
 * `(m g / n)^1.5 / (sqrt(2 rho A) eta)` (W. J. M. Rankine 1865), read back through the table of the motor. An estimate. Undefined
 * without lift motors whose tables are known, without the size of their propellers, or with nothing that weighs.
 */
export function hoverOf(graph: Graph): Hover | undefined {
  const diameterMm = graph.design.aircraft.airframe.frame?.numbers.liftPropDiameterMm;
  const massG = flyingMassG(graph);
  if (diameterMm === undefined || massG === 0) return undefined;
  const motors = liftMotorsOf(graph);
  const [motor] = motors;
  if (motor === undefined) return undefined;
  const newton = ((massG / 1000) * GRAVITY) / motors.length;
  const area = (Math.PI * (diameterMm / 1000) ** 2) / 4;
  const wattsEach = newton ** 1.5 / (Math.sqrt(2 * AIR_KG_M3 * area) * EFFICIENCY);
  const rows = motor.table.map(({ throttle, currentA }) => ({ throttle, watts: currentA * motor.tableV }));
  const { throttle = 1, watts = 0 } = rows.at(-1) ?? {};
  return { motors: motors.length, wattsEach, throttle: throttleFor(wattsEach, rows) ?? throttle, isEnough: wattsEach <= watts };
}

/** The motors that lift, as far as controllers drive them. */
function liftMotorsOf(graph: Graph): readonly DrivenMotor['motor'][] {
  return graph.items.flatMap(({ part }, item) =>
    (part?.circuit ?? []).flatMap((element) => {
      const driven = element.is === 'drive' && driveGroup(graph, item, element) === 'lift' ? motorOf(graph, item, element) : undefined;
      return driven === undefined ? [] : [driven.motor];
    }),
  );
}

/** Straight between the rows of a table. */
function throttleFor(watts: number, rows: readonly { readonly throttle: number; readonly watts: number }[]): number | undefined {
  const above = rows.findIndex((row) => row.watts >= watts);
  const [low, high] = [rows[above - 1], rows[above]];
  if (high === undefined || low === undefined) return high?.throttle;
  return low.throttle + ((watts - low.watts) / (high.watts - low.watts)) * (high.throttle - low.throttle);
}
