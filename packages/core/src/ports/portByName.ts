import type { Edit } from '../edits/registry.ts';
import type { Graph } from '../graph/graph.ts';
import type { ItemId } from '../model/ids.ts';
import { grouped } from '../text/grouped.ts';
import { boardPortsOf, type BoardPort } from './boardPorts.ts';
import { linkSeekers } from './linkSeekers.ts';
import { fitsOf } from './portFit.ts';

/** A port of a controller on which some links of an item are wanted, as one edit of the document; or why they cannot be there. */
export interface PortChoice {
  /** As people name the port, `FC1 S4`. */
  readonly title: string;
  /** What goes there, `GNSS1 position`; empty where nothing fits. */
  readonly links: readonly string[];
  /** Undefined where nothing of the item fits there. */
  readonly edit: Edit | undefined;
  /** Why nothing fits. */
  readonly why: string | undefined;
}

/**
 * Ports of controllers whose name begins with what is typed (`s4`, `fc1 s4`), with the links of an item that fit them. Ports of one socket
 * are one choice: a receiver with a compass takes UART and I2C.
 */
export function portChoices(graph: Graph, item: ItemId, typed: string): readonly PortChoice[] {
  const seekers = linkSeekers(graph);
  const own = seekers.filter(({ entry }) => entry.item.id === item);
  const ports = boardPortsOf(graph, seekers).filter((port) => isMeant(port, typed.trim().toLowerCase()));
  const sockets = grouped(ports, ({ entry, port }) => `${entry.item.id} ${port}`);
  return [...sockets.values()].map((all): PortChoice => {
    const [first] = all;
    const found = own.flatMap((seeker) => {
      const port = all.find((one) => !('is' in fitsOf(graph, seeker, one)));
      return port === undefined ? [] : [{ seeker, port }];
    });
    const edits = found.flatMap(({ seeker: { keys }, port: { entry, endpoints } }) => {
      const [link] = keys;
      if (link === undefined) return [];
      const was = graph.design.aircraft.links[link]?.port ?? null;
      return [{ kind: 'set-link-port', link, port: { item: entry.item.id, endpoint: endpoints[0].id }, was } as const];
    });
    const refusal = own.map((seeker) => fitsOf(graph, seeker, first)).find((fit) => 'is' in fit);
    const { title } = first;
    return {
      title,
      links: found.map(({ seeker }) => seeker.title),
      edit:
        edits.length === 0
          ? undefined
          : { kind: 'batch', title: `${found.map(({ seeker }) => seeker.title).join(', ')} on ${title}`, edits },
      why: found.length > 0 ? undefined : (refusal?.why ?? 'it has no link that ends at a controller'),
    };
  });
}

function isMeant({ title, entry, endpoints }: BoardPort, typed: string): boolean {
  const full = title.toLowerCase();
  const names = [full, full.slice(entry.item.ref.length + 1), ...endpoints.map(({ id }) => id.toLowerCase())];
  return names.some((name) => name.startsWith(typed));
}
