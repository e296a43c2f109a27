import {
  applyEdit,
  asId,
  balanceOf,
  balancingSwaps,
  checks,
  fieldMap,
  graphOf,
  gridOver,
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
  report('everything of the layout of Saltmarsh while dragging, without the map', statsOf(times.slice(20)), 'ms', '30 ms');
  await benchMap();
}

/** The map of the field over the whole plan, as in its worker: at rest, and with the battery leads twisted. */
async function benchMap(): Promise<void> {
  const twisted = Object.values(demo.aircraft.cables)
    .filter(({ tag }) => ['W01', 'W02', 'W04'].includes(tag))
    .reduce((design, cable) => {
      const [leg] = Object.values(cable.legs);
      const result =
        leg === undefined ? undefined : applyEdit(design, { kind: 'set-leg-twist', cable: cable.id, leg: leg.id, twistMm: 40, was: null });
      return result === undefined || 'refused' in result ? design : result.design;
    }, demo);
  const grid = gridOver({ x: -1150, y: -50, width: 2300, height: 1400 });
  for (const [name, design] of [
    ['as it is', demo],
    ['with twisted leads', twisted],
  ] as const) {
    const graph = graphOf(design);
    const times: number[] = [];
    for (let i = 0; i < 20; i++) times.push(await timed(() => fieldMap(graph, 'climb', 75, grid)));
    report(`map of the field, ${grid.columns} x ${grid.rows} points, ${name}`, statsOf(times), 'ms', '300 ms');
  }
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
