import type { Graph } from '../graph/graph.ts';
import { numberOr } from '../model/frame.ts';
import type { Heights } from './linkBudget.ts';

/** Heights and the margin that is wanted, as given or as usual. */
export function linkWishes(graph: Graph): { readonly heights: Heights; readonly wantedDb: number } {
  const numbers = graph.design.aircraft.airframe.frame?.numbers;
  const of = (name: 'flightHeightM' | 'groundAntennaM' | 'linkMarginDb'): number => numberOr(numbers, name) ?? 0;
  return { heights: { flightM: of('flightHeightM'), groundM: of('groundAntennaM') }, wantedDb: of('linkMarginDb') };
}
