import { isPortJoined } from '../../graph/matesAt.ts';
import { groupOf, pinNode, type Graph } from '../../graph/graph.ts';
import { driverAt, voltsAt } from '../../graph/railsOf.ts';
import type { DraftEdits } from '../../harness/draftEdits.ts';
import { feedPorts, isOpen } from '../../harness/feeders.ts';
import type { ItemId } from '../../model/ids.ts';
import type { Port } from '../../model/part.ts';
import { grouped } from '../../text/grouped.ts';
import { joinSupply, type SupplyAt } from './joinSupply.ts';

/**
 * Feeds what the old board passed a supply on to, and the new one does not: from the same pack where it was fed by one, else from a port of
 * the new board that gives what is wanted. What finds nothing stays dark. Yields between tries.
 */
export function* feedOthers(before: Graph, draft: DraftEdits, board: ItemId): Generator<void, void> {
  for (const { item, part } of before.items) {
    // Servos live on the rail of the board.
    if (item.id === board || item.where !== 'aircraft' || part?.kind === 'servo') continue;
    for (const port of part?.ports ?? []) {
      const source = sourceAt(before, item.id, port);
      if (source === undefined || source.item === item.id || sourceAt(draft.graph, item.id, port) !== undefined) continue;
      const froms = source.isPack ? packPorts(draft.graph, source.item) : boardPorts(draft.graph, board);
      for (const from of froms) {
        yield;
        if (joinSupply(draft, from, { item: item.id, port: port.id })) break;
      }
    }
  }
}

/** What drives the supply that a port takes; undefined where nothing does. */
function sourceAt(graph: Graph, item: ItemId, { id, pins }: Port): { readonly item: ItemId; readonly isPack: boolean } | undefined {
  for (const { n, role } of pins) {
    const node = role === 'supply-in' ? pinNode(graph, item, id, n) : undefined;
    const driver = node === undefined || voltsAt(graph, node) === undefined ? undefined : driverAt(graph, node);
    const source = graph.items[driver?.item ?? -1]?.item.id;
    if (driver !== undefined && source !== undefined) return { item: source, isPack: driver.element.is === 'battery' };
  }
  return undefined;
}

/** Open ports that carry a pack, the best first; then its own plug, for a branch. */
function packPorts(graph: Graph, pack: ItemId): readonly SupplyAt[] {
  const open = feedPorts(graph).filter((feed) => feed.pack === pack);
  return [...open.map(({ at }) => ({ item: at.itemId, port: at.port.id })), ...supplyPorts(graph, pack)];
}

/** Ports of the board that give a supply, one for each net: those that nothing is in first. */
function boardPorts(graph: Graph, board: ItemId): readonly SupplyAt[] {
  const ports = graph.items[graph.itemIx.get(board) ?? -1]?.part?.ports ?? [];
  const open = supplyPorts(graph, board)
    .filter(({ port }) => ports.some((one) => one.id === port && isOpen(graph, board, one)))
    .sort((x, y) => Number(isPortJoined(graph, board, x.port)) - Number(isPortJoined(graph, board, y.port)));
  return [...grouped(open, ({ net }) => net).values()].map(([first]) => first);
}

interface OnNet extends SupplyAt {
  readonly net: number;
}

function supplyPorts(graph: Graph, item: ItemId): readonly OnNet[] {
  const ports = graph.items[graph.itemIx.get(item) ?? -1]?.part?.ports ?? [];
  return ports.flatMap(({ id, pins }): OnNet[] => {
    if (!pins.some(({ role }) => role === 'gnd')) return [];
    const nodes = pins.flatMap(({ n, role }) => (role === 'supply-out' ? (pinNode(graph, item, id, n) ?? []) : []));
    const node = nodes.find((one) => voltsAt(graph, one) !== undefined);
    return node === undefined ? [] : [{ item, port: id, net: groupOf(graph.nets, node) }];
  });
}
