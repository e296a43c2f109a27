import type { Graph } from '../graph/graph.ts';
import type { Spot } from '../model/frame.ts';
import { placedItems, type PlacedItem } from './placedItems.ts';

/** Air at sea level, 15 C, in kg/m3 (ISO 2533). */
const AIR_KG_M3 = 1.225;

/** The pressure of the moving air, `q = rho V^2 / 2`, in pascal. */
export function impactPa(speedMs: number): number {
  return (AIR_KG_M3 * speedMs * speedMs) / 2;
}

/** The speed at which the air presses so much: the inverse of `impactPa`, in m/s. */
export function speedAtPa(pascal: number): number {
  return Math.sqrt((2 * Math.max(pascal, 0)) / AIR_KG_M3);
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
