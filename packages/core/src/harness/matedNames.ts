import { placeName } from '../edits/lookups.ts';
import type { Graph } from '../graph/graph.ts';
import { matesAtPort } from '../graph/matesAt.ts';
import type { ItemId } from '../model/ids.ts';

/** The ports that mate with a port without a cable, by name: `PWR1 stack`. */
export function matedNames(graph: Graph, item: ItemId, port: string): readonly string[] {
  return matesAtPort(graph, item, port).map(({ a, b }) =>
    placeName(graph.design, { is: 'port', ...(a.item === item && a.port === port ? b : a) }),
  );
}
