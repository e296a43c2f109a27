import type { Graph } from '../../graph/graph.ts';
import { AIR_KG_M3, GRAVITY } from '../../layout/air.ts';
import { flyingMassG } from './flyingMass.ts';
import { interpolated } from './cellVolts.ts';
import { driveGroup, motorOf, type DrivenMotor } from './drives.ts';

type Motor = DrivenMotor['motor'];

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
 * The throttle at which an aircraft hovers: each lift motor carries its share of the weight. Where its part states the thrust, that is read
 * from its table. Else each propeller takes `(m g / n)^1.5 / (sqrt(2 rho A) eta)` (W. J. M. Rankine 1865), read back through the currents
 * of the table: an estimate. Undefined without lift motors, with nothing that weighs, or where neither thrust nor propellers are known.
 */
export function hoverOf(graph: Graph): Hover | undefined {
  const massG = flyingMassG(graph);
  const motors = liftMotorsOf(graph);
  const [motor] = motors;
  if (motor === undefined || massG === 0) return undefined;
  const each = massG / motors.length;
  const hover = byThrust(motor, each) ?? byPower(motor, each, graph.design.aircraft.airframe.frame?.numbers.liftPropDiameterMm);
  return hover === undefined ? undefined : { motors: motors.length, ...hover };
}

type Share = Omit<Hover, 'motors'>;

/** What the table of a motor says of so much thrust; undefined where it does not state any. */
function byThrust({ table, tableV }: Motor, grams: number): Share | undefined {
  const rows = table.flatMap(({ throttle, currentA, thrustG }) =>
    thrustG === undefined ? [] : [{ throttle, watts: currentA * tableV, thrustG }],
  );
  const last = rows.at(-1);
  if (last === undefined || rows.length < table.length) return undefined;
  const throttle = interpolated(
    rows.map((row) => [row.thrustG, row.throttle] as const),
    grams,
  );
  const wattsEach = interpolated(
    rows.map((row) => [row.throttle, row.watts] as const),
    throttle,
  );
  return { wattsEach, throttle, isEnough: grams <= last.thrustG };
}

/** What so much thrust takes of an ideal propeller of this size, and the throttle at which the motor takes that. */
function byPower({ table, tableV }: Motor, grams: number, diameterMm: number | undefined): Share | undefined {
  if (diameterMm === undefined) return undefined;
  const newton = (grams / 1000) * GRAVITY;
  const area = (Math.PI * (diameterMm / 1000) ** 2) / 4;
  const wattsEach = newton ** 1.5 / (Math.sqrt(2 * AIR_KG_M3 * area) * EFFICIENCY);
  const rows = table.map(({ throttle, currentA }) => [currentA * tableV, throttle] as const);
  return { wattsEach, throttle: interpolated(rows, wattsEach), isEnough: wattsEach <= (rows.at(-1)?.[0] ?? 0) };
}

/** The motors that lift, as far as controllers drive them. */
function liftMotorsOf(graph: Graph): readonly Motor[] {
  return graph.items.flatMap(({ part }, item) =>
    (part?.circuit ?? []).flatMap((element) => {
      const driven = element.is === 'drive' && driveGroup(graph, item, element) === 'lift' ? motorOf(graph, item, element) : undefined;
      return driven === undefined ? [] : [driven.motor];
    }),
  );
}
