import { pinNode, type Graph } from '../../graph/graph.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { chooseRegulator, feedPorts, isOpen } from '../../harness/feeders.ts';
import { findPin, supplyWindow } from '../../harness/joinVerdict.ts';
import { runsOf } from '../../harness/runs.ts';
import { outputKey } from '../../model/outputPlan.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import type { ItemId } from '../../model/ids.ts';
import type { PinRole, Port } from '../../model/part.ts';
import { joinSupply, type SupplyAt } from './joinSupply.ts';

/**
 * Feeds a controller that got to be another board: its logic and its servo rail, where they were fed before and are not now. From what fed
 * the old board, where the new one takes those volts; else from the pack; else by a regulator from the pack. What finds nothing stays dark.
 * Yields between tries.
 */
export function* feedBoard(before: Graph, draft: DraftEdits, item: ItemId): Generator<void, void> {
  const feeders = oldFeeders(before, item);
  for (const role of ['supply-in', 'supply-through'] as const) {
    if (!isFedBy(before, item, role) || isFedBy(draft.graph, item, role)) continue;
    for (const port of inputsOf(draft.graph, item, role)) {
      yield;
      if (isFedFrom(draft, item, port, feeders) || (role === 'supply-in' && isFedFromPack(draft, item, port))) break;
    }
  }
}

/** What was joined to the supplies of the old board and gave volts, its inputs before its rail. */
function oldFeeders(graph: Graph, item: ItemId): readonly SupplyAt[] {
  const found = runsOf(graph).flatMap(({ a, b, joins }) => {
    const [board, far] = a.itemId === item ? [a, b] : [b, a];
    if (board.itemId !== item) return [];
    const roles = joins.map((join) =>
      join.a.itemIx === board.item ? [join.a.pin.role, join.b.pin.role] : [join.b.pin.role, join.a.pin.role],
    );
    const isInput = roles.some(([own, other]) => own === 'supply-in' && other === 'supply-out');
    const isRail = roles.some(([own, other]) => own === 'supply-through' && other === 'supply-out');
    return isInput || isRail ? [{ isInput, feeder: { item: far.itemId, port: far.port.id } }] : [];
  });
  return found.sort((x, y) => Number(y.isInput) - Number(x.isInput)).map(({ feeder }) => feeder);
}

/** True where some supply of a board of a kind has volts that come from outside of a computer's USB. */
function isFedBy(graph: Graph, item: ItemId, role: PinRole): boolean {
  return portsWith(graph, item, role).some((port) => isFedAt(graph, item, port, role));
}

function isFedAt(graph: Graph, item: ItemId, { id, pins }: Port, role: PinRole): boolean {
  return pins.some((pin) => {
    const node = pin.role === role ? pinNode(graph, item, id, pin.n) : undefined;
    return node !== undefined && voltsAt(graph, node) !== undefined;
  });
}

function portsWith(graph: Graph, item: ItemId, role: PinRole): readonly Port[] {
  const ports = graph.items[graph.itemIx.get(item) ?? -1]?.part?.ports ?? [];
  return ports.filter(({ pins }) => pins.some((pin) => pin.role === role) && !pins.some((pin) => pin.role === 'usb'));
}

/** Where a supply can be plugged in: what the board needs first; of a servo rail the rows without a function. */
function inputsOf(graph: Graph, item: ItemId, role: PinRole): readonly Port[] {
  const part = graph.items[graph.itemIx.get(item) ?? -1]?.part;
  const inUse = new Set(
    (part?.endpoints ?? [])
      .filter(({ id }) => graph.design.aircraft.outputs[outputKey(item, id)] !== undefined)
      .flatMap((endpoint) => portOfEndpoint(endpoint) ?? []),
  );
  return portsWith(graph, item, role)
    .filter((port) => isOpen(graph, item, port) && !inUse.has(port.id))
    .sort((x, y) => Number(y.needed === true) - Number(x.needed === true));
}

function isFedFrom(draft: DraftEdits, item: ItemId, { id }: Port, feeders: readonly SupplyAt[]): boolean {
  return feeders.some((feeder) => joinSupply(draft, feeder, { item, port: id }));
}

/** From a pack of as many volts as the board takes, or by a regulator. */
function isFedFromPack(draft: DraftEdits, item: ItemId, port: Port): boolean {
  const pin = port.pins.find(({ role }) => role === 'supply-in');
  const found = pin === undefined ? undefined : findPin(draft.graph, { item, port: port.id, n: pin.n });
  const window = found === undefined ? undefined : supplyWindow(draft.graph, found);
  if (window === undefined) return false;
  return feedPorts(draft.graph).some(({ at, packV }) => {
    if (packV.full <= window.maxV && packV.empty >= window.minV)
      return joinSupply(draft, { item: at.itemId, port: at.port.id }, { item, port: port.id });
    const regulator = chooseRegulator({ leastV: window.minV, mostV: window.maxV, nominalV: window.nominalV, amps: BOARD_A, packV });
    if (regulator === undefined) return false;
    const own = new DraftEdits(draft.graph.design);
    const id = own.add(regulator.part, `for ${draft.graph.design.aircraft.items[item]?.ref ?? ''}`, regulator.settings);
    if (id === undefined || !own.wire(own.port(at.itemId, at.port.id), own.port(id, 'in'))) return false;
    return joinSupply(own, { item: id, port: 'out' }, { item, port: port.id }) && draft.take(own.edit('Power the board'));
  });
}

/** What a regulator for a board and what hangs on it is chosen for, in amperes. */
const BOARD_A = 2;
