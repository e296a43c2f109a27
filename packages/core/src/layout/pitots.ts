import type { Graph } from '../graph/graph.ts';
import type { Spot } from '../model/frame.ts';
import { AIR_KG_M3, AIR_PA, AIR_PA_S } from './air.ts';
import { placedItems, type PlacedItem } from './placedItems.ts';

/** The square of the speed of sound, in m2/s2, and the ratio of the specific heats of air. */
const HEATS = 1.4;
const SOUND_2 = (HEATS * AIR_PA) / AIR_KG_M3;

/**
 * The pressure of air that is brought to rest, above that of the air around, in pascal: `p ((1 + (k-1)/2 M^2)^(k/(k-1)) - 1)` (A. Barre
 * de Saint-Venant and L. Wantzel 1839). Slow air gives `rho V^2 / 2`; at 60 m/s it is 0.8 % more, at 100 m/s 2.2 %.
 */
export function impactPa(speedMs: number): number {
  return AIR_PA * ((1 + (((HEATS - 1) / 2) * speedMs * speedMs) / SOUND_2) ** (HEATS / (HEATS - 1)) - 1);
}

/** The speed at which the air presses so much: the inverse of `impactPa`, in m/s. */
export function speedAtPa(pascal: number): number {
  const ratio = (Math.max(pascal, 0) / AIR_PA + 1) ** ((HEATS - 1) / HEATS);
  return Math.sqrt((2 / (HEATS - 1)) * SOUND_2 * (ratio - 1));
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
