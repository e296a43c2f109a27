import type { Graph } from '../graph/graph.ts';
import { usualOr } from '../model/frame.ts';
import type { Heights } from './linkBudget.ts';

/** Heights and the margin that is wanted, as given or as usual. */
export function linkWishes(graph: Graph): { readonly heights: Heights; readonly wantedDb: number } {
  const numbers = graph.design.aircraft.airframe.frame?.numbers;
  return {
    heights: { flightM: usualOr(numbers, 'flightHeightM'), groundM: usualOr(numbers, 'groundAntennaM') },
    wantedDb: usualOr(numbers, 'linkMarginDb'),
  };
}
