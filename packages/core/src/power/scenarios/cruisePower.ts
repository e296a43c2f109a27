import type { Graph } from '../../graph/graph.ts';
import { GRAVITY } from '../../layout/air.ts';

/** Estimates for an aircraft of which nothing was measured yet; each is named as an estimate where it shows. */
const PARTS_SHARE = 0.55;
const SPEED_MPS = 16;
const LIFT_TO_DRAG = 10;
const EFFICIENCY = 0.5;

/** The electrical power that cruising takes, in watts: `P = m g V / (L/D * eta)`, from the mass of the parts. An estimate. */
export function cruisePowerW({ items }: Graph): number {
  const partsKg = items.reduce((sum, { item, part }) => sum + (item.where === 'aircraft' ? (part?.massG ?? 0) : 0), 0) / 1000;
  return ((partsKg / PARTS_SHARE) * GRAVITY * SPEED_MPS) / (LIFT_TO_DRAG * EFFICIENCY);
}
