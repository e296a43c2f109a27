import type { Graph } from './graph.ts';
import { Grouping } from './partition.ts';

const cache = new WeakMap<Graph, ReadonlySet<number>>();

/**
 * The items on the ground or the bench that nothing joins with what flies, however far round: no cable, no plug in a plug, no two ports
 * that mate. What they carry among themselves is no matter of the aircraft.
 */
export function itemsApart(graph: Graph): ReadonlySet<number> {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const { items, cables } = graph;
  const grouping = new Grouping(items.length + cables.length);
  graph.cablesAtItem.forEach((own, item) => own.forEach((cable) => grouping.join(item, items.length + cable)));
  cables.forEach((cable, ix) => {
    for (const node of Object.values(cable.nodes)) {
      const other = node.is === 'end' && node.at.is === 'mate' ? graph.cableIx.get(node.at.cable) : undefined;
      if (other !== undefined) grouping.join(items.length + ix, items.length + other);
    }
  });
  for (const { a, b } of Object.values(graph.design.aircraft.mates)) {
    const [one, two] = [graph.itemIx.get(a.item), graph.itemIx.get(b.item)];
    if (one !== undefined && two !== undefined) grouping.join(one, two);
  }
  const { groupOf } = grouping.partition();
  const flying = new Set(items.flatMap(({ item }, ix) => (item.where === 'aircraft' ? [groupOf[ix]] : [])));
  const apart = new Set(items.flatMap((_, ix) => (flying.has(groupOf[ix]) ? [] : [ix])));
  cache.set(graph, apart);
  return apart;
}
