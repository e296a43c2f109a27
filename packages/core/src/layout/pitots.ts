import type { Graph } from '../graph/graph.ts';
import type { Spot } from '../model/frame.ts';
import { AIR_KG_M3, AIR_PA, AIR_PA_S } from './air.ts';
import { placedItems, type PlacedItem } from './placedItems.ts';

/** The pressure of the moving air, `q = rho V^2 / 2`, in pascal. */
export function impactPa(speedMs: number): number {
  return (AIR_KG_M3 * speedMs * speedMs) / 2;
}

/** The speed at which the air presses so much: the inverse of `impactPa`, in m/s. */
export function speedAtPa(pascal: number): number {
  return Math.sqrt((2 * Math.max(pascal, 0)) / AIR_KG_M3);
}

/** The change of speed that the smallest step of a sensor stands for, at a speed: the slower, the coarser. In m/s. */
export function stepMs(stepPa: number, atMs: number): number {
  return speedAtPa(impactPa(atMs) + stepPa) - atMs;
}

/** The bore of the usual soft tube, and the air that a sensor itself holds. Estimates. */
export const TUBE_BORE_MM = 2;
const SENSOR_MM3 = 300;

/**
 * How long the pressure takes to pass a tube, as the time constant `128 mu L V / (pi d^4 p)` of laminar flow (J. L. M. Poiseuille 1840)
 * into the air of the sensor and half of the tube. In ms. An estimate.
 */
export function tubeLagMs(tubeMm: number): number {
  const [length, bore] = [tubeMm / 1000, TUBE_BORE_MM / 1000];
  const volume = SENSOR_MM3 * 1e-9 + (Math.PI * bore * bore * length) / 8;
  return (1000 * 128 * AIR_PA_S * length * volume) / (Math.PI * bore ** 4 * AIR_PA);
}

/** An airspeed sensor with the head of its tube. */
export interface Pitot {
  readonly sensor: PlacedItem;
  readonly head: Spot;
  /** The tube between the two, straight. */
  readonly tubeMm: number;
}

/** The airspeed sensors that are placed, with their heads as far away as a person says. */
export function pitotsOf(graph: Graph): readonly Pitot[] {
  return placedItems(graph)
    .filter(({ part }) => part.airspeed !== undefined)
    .map((sensor): Pitot => {
      const mm = (name: string): number => {
        const value = sensor.item.settings[`pitot.${name}`];
        return typeof value === 'number' ? value : 0;
      };
      const off: Spot = [mm('station'), mm('butt'), mm('water')];
      const { at } = sensor.place;
      return { sensor, head: [at[0] + off[0], at[1] + off[1], at[2] + off[2]], tubeMm: Math.hypot(...off) };
    });
}
