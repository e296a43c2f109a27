import type { Graph, GraphItem } from '../graph/graph.ts';
import { naturalOrder } from '../model/naturalOrder.ts';
import type { Program } from '../model/part.ts';
import { effectiveSettings } from '../model/resolvePart.ts';
import { endKey, farEnd, type HopEnd } from './chains/hop.ts';
import { hopsOf } from './chains/hopsOf.ts';
import { leaving, passedOn, type Way } from './chains/ways.ts';

/** A program that a vehicle is joined with, as it is set. */
export interface JoinedProgram {
  /** Index of the item that it runs on. */
  readonly item: number;
  readonly entry: GraphItem;
  readonly program: Program;
  readonly system: number;
  readonly component: number;
  readonly commands: boolean;
  readonly asksForStreams: boolean;
}

/** The programs that a controller is joined with by whatever leads there, in natural order of the items. */
export function programsAt(graph: Graph, controller: number): readonly JoinedProgram[] {
  const map = hopsOf(graph);
  const board = graph.items[controller];
  if (board === undefined) return [];
  const starts = (board.part?.endpoints ?? []).map((endpoint): HopEnd => ({
    item: controller,
    entry: board,
    signal: { is: 'endpoint', id: endpoint.id, endpoint },
  }));
  const seen = new Set(starts.map(endKey));
  const queue: Way[] = starts.map((end) => ({ start: end, end, hops: [] }));
  const found = new Map<string, JoinedProgram>();
  for (let way = queue.pop(); way !== undefined; way = queue.pop()) {
    for (const hop of leaving(map, way)) {
      const to = farEnd(hop, endKey(way.end));
      if (to === undefined || to.item === controller || seen.has(endKey(to))) continue;
      seen.add(endKey(to));
      const hops = [hop];
      queue.push({ ...way, end: to, hops });
      for (const end of [to, ...passedOn(to).map((signal): HopEnd => ({ ...to, signal }))]) {
        const joined = programOf(graph, end);
        if (joined !== undefined) found.set(endKey(end), joined);
        if (seen.has(endKey(end))) continue;
        seen.add(endKey(end));
        queue.push({ ...way, end, hops });
      }
    }
  }
  return [...found.values()].sort((a, b) => a.item - b.item || naturalOrder(a.program.id, b.program.id));
}

function programOf({ design }: Graph, { item, entry, signal }: HopEnd): JoinedProgram | undefined {
  const program = entry.part?.programs?.find(({ id }) => id === signal.id);
  const part = design.parts.get(entry.item.part);
  if (program === undefined || part === undefined) return undefined;
  const values = effectiveSettings(part, entry.item.settings);
  const number = (setting: string, delivered: number): number => {
    const value = values.get(`${program.id}.${setting}`);
    return typeof value === 'number' ? value : delivered;
  };
  return {
    item,
    entry,
    program,
    system: number('system', program.system),
    component: number('component', program.component),
    commands: values.get(`${program.id}.commands`) === true,
    asksForStreams: values.get(`${program.id}.streams`) === true,
  };
}
