import type { Graph } from '../graph/graph.ts';
import { boardLimits, boardPortsOf } from './boardPorts.ts';
import { linkSeekers } from './linkSeekers.ts';
import { pinsOf } from './planPorts.ts';
import { fitsOf } from './portFit.ts';
import type { Fit } from './fit.ts';

/**
 * True where each link that is needed and leads nowhere finds a port while all others stay: taken one after the other, without a search.
 * Then no best plan leaves one of them out. False says nothing: a plan may still find ports for all. Where a person wants a link on a port
 * of their choice, only a search tells.
 */
export function everyLinkFits(graph: Graph): boolean {
  const seekers = linkSeekers(graph);
  const ports = boardPortsOf(graph, seekers);
  const { capacity, notTogether } = boardLimits(graph, seekers);
  const users = new Map<string, number>();
  const isUsed = (resource: string): boolean => (users.get(resource) ?? 0) > 0;
  const take = ({ uses }: Fit): boolean => {
    const isFree = uses.every(
      (resource) =>
        (users.get(resource) ?? 0) < (capacity[resource] ?? 1) &&
        notTogether.every(([a, b]) => (resource !== a || !isUsed(b)) && (resource !== b || !isUsed(a))),
    );
    if (isFree) for (const resource of uses) users.set(resource, (users.get(resource) ?? 0) + 1);
    return isFree;
  };
  const takesOne = (cell: ReturnType<typeof fitsOf>): boolean =>
    !('is' in cell) && cell.some((fit) => fit.gives === undefined && take(fit));
  const pins = pinsOf(graph, ports);
  if (seekers.some(({ keys }) => keys.some((key) => pins.has(key)))) return false;
  const stays = seekers.filter(({ now }) => now !== undefined);
  const isStaying = stays.every((seeker) =>
    ports.some(
      (port) =>
        port.item === seeker.now?.item &&
        port.endpoints.some(({ id }) => id === seeker.now?.endpoint) &&
        takesOne(fitsOf(graph, seeker, port)),
    ),
  );
  const open = seekers.filter(({ now, isNeeded }) => now === undefined && isNeeded);
  return isStaying && open.every((seeker) => ports.some((port) => takesOne(fitsOf(graph, seeker, port))));
}
