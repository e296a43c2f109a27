import type { Graph } from '../graph/graph.ts';
import { balanceOf } from './balance.ts';
import { distanceMm, placedItems, type PlacedItem } from './placedItems.ts';
import { turningOf, type Turning } from './turning.ts';

/** How the inertial sensor of a controller sits in the aircraft. */
export interface InertialSensor {
  readonly controller: PlacedItem;
  /** Its axes in those of the aircraft: the rows give aft, right and up of what is its own aft, right, up. */
  readonly turning: Turning;
  /** How far it is from square to the axes. */
  readonly offSquareDeg: number;
  /** From where the aircraft balances: what is far from there feels every turn as a push. */
  readonly fromBalanceMm: number | undefined;
}

/** The inertial sensors that are placed: those of controllers, taken to be in their middle. */
export function inertialSensors(graph: Graph): readonly InertialSensor[] {
  const balance = balanceOf(graph);
  return placedItems(graph)
    .filter(({ part }) => part.kind === 'controller')
    .map((controller) => ({
      controller,
      turning: turningOf(controller.place),
      offSquareDeg: Math.abs(controller.place.yawDeg),
      fromBalanceMm: balance === undefined ? undefined : distanceMm(controller.place.at, balance.at),
    }));
}
