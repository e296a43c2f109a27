import type { RevisionMap } from '../../edits/revisionMap.ts';
import { groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { findPin, joinVerdict, supplyWindow, type FoundPin } from '../../harness/joinVerdict.ts';
import type { ItemId } from '../../model/ids.ts';
import type { PinRole } from '../../model/part.ts';

/**
 * The mapping without the plugs that would bring the new board more volts than it takes, or too few to run on.
 * @param graph the aircraft with the mapping made
 */
export function withoutWrongSupplies(map: RevisionMap, item: ItemId, graph: Graph): RevisionMap {
  const isWrong = (port: string): boolean =>
    pinsAt(graph, item, port, ['supply-in', 'supply-through']).some((pin) => {
      const [volts, window] = [voltsAt(graph, pin.node), supplyWindow(graph, pin)];
      return volts !== undefined && window !== undefined && (volts > window.maxV || volts < window.startsV);
    });
  return { ...map, ports: map.ports.map((row) => (row.to !== null && isWrong(row.to) ? { ...row, to: null } : row)) };
}

/**
 * The mapping without the wires by which the new board would feed an item what it does not stand: the plug goes there, and that contact
 * stays empty.
 * @param graph the aircraft with the mapping made
 */
export function withoutWrongFeeds(map: RevisionMap, item: ItemId, graph: Graph): RevisionMap {
  const ports = map.ports.map((row) => {
    if (row.to === null) return row;
    const wrong = new Set(pinsAt(graph, item, row.to, ['supply-out']).flatMap((pin) => (doesHarm(graph, pin) ? [pin.pin.n] : [])));
    return { ...row, pins: row.pins.map((pin) => (pin.to !== null && wrong.has(pin.to) ? { ...pin, to: null } : pin)) };
  });
  return { ...map, ports };
}

function pinsAt(graph: Graph, item: ItemId, port: string, roles: readonly PinRole[]): readonly FoundPin[] {
  const pins = graph.items[graph.itemIx.get(item) ?? -1]?.part?.ports.find(({ id }) => id === port)?.pins ?? [];
  return pins.flatMap(({ n, role }) => (roles.includes(role) ? (findPin(graph, { item, port, n }) ?? []) : []));
}

/** True where a supply of the board is on the wire of an item that it is too high for, or that has one of its own. */
function doesHarm(graph: Graph, supply: FoundPin): boolean {
  return pinsOf(graph, graph.wires, groupOf(graph.wires, supply.node)).some(({ at }) => {
    if (at.item === supply.itemIx) return false;
    const far = graph.items[at.item]?.item.id;
    const pin = far === undefined ? undefined : findPin(graph, { item: far, port: at.port.id, n: at.pin.n });
    return pin !== undefined && joinVerdict(graph, supply, pin).is === 'harmful';
  });
}
