import {
  applyEdit,
  asId,
  balanceOf,
  balancingSwaps,
  checks,
  graphOf,
  legWays,
  placedItems,
  saltmarsh,
  solvePack,
  type AircraftId,
  type Design,
} from '@wired-falcon/core';
import { report, statsOf, timed } from './stats.ts';

let count = 0;
const demo = saltmarsh(asId<AircraftId>('saltmarsh'), () => `b${++count}`);
const ofLayout = checks.filter(({ stage }) => stage === 'layout');

/** What the layout says while a part is dragged: a new version at each step, all of this stage of it. */
export async function benchPlacement(): Promise<void> {
  const times: number[] = [];
  let design: Design = demo;
  for (let i = 0; i < 300; i++) times.push(await timed(() => (design = dragged(design, i))));
  report('layout of Saltmarsh while dragging, without its checks of power', statsOf(times.slice(20)), 'ms', '30 ms');
}

function dragged(design: Design, step: number): Design {
  const pack = placedItems(graphOf(design)).find(({ item }) => item.ref === 'BAT1');
  if (pack === undefined) return design;
  const { item, place } = pack;
  const at = [place.at[0] + (step % 2 === 0 ? 1 : -1), place.at[1], place.at[2]] as const;
  const result = applyEdit(design, { kind: 'place-item', item: item.id, place: { ...place, at }, was: place });
  if ('refused' in result) throw new Error(result.refused.sentence);
  const graph = graphOf(result.design);
  balanceOf(graph);
  solvePack(graph);
  balancingSwaps(graph);
  legWays(graph);
  for (const check of ofLayout) check.run({ graph });
  return result.design;
}
