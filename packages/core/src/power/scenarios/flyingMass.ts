import type { Graph } from '../../graph/graph.ts';
import { balanceOf } from '../../layout/balance.ts';

/** The share of the parts in the mass of an aircraft whose bare airframe nobody has weighed yet. An estimate. */
const PARTS_SHARE = 0.55;

/**
 * What flies, in grams: the parts as weighed, else as their data say, and the airframe as its numbers say, else as estimated. Where the
 * layout knows more, which weighs cables too, what it says.
 */
export function flyingMassG(graph: Graph): number {
  const { items, design } = graph;
  const partsG = items.reduce((sum, { item, part }) => sum + (item.where === 'aircraft' ? (item.weighedG ?? part?.massG ?? 0) : 0), 0);
  const bareG = design.aircraft.airframe.frame?.numbers.massG;
  return bareG === undefined ? partsG / PARTS_SHARE : Math.max(partsG + bareG, balanceOf(graph)?.massG ?? 0);
}
