import { cablesAtPort, endsAtPort } from '../../graph/cableJoins.ts';
import { offsetOf } from '../../model/aircraft.ts';
import { isPinRow } from '../../model/connector.ts';
import { isJoined, isPortJoined } from '../../graph/matesAt.ts';
import type { CableId, ItemId } from '../../model/ids.ts';
import type { Pin, Port } from '../../model/part.ts';
import { matedNames } from '../matedNames.ts';
import { pinKey, pinsOf, type Graph } from '../../graph/graph.ts';
import { sheetWires, type SheetWire } from './sheetWires.ts';

/** On which side of its box a port's pins stand. */
export type BoxSide = 'left' | 'right';

/** A pin on the sheet. `y` is measured from the top of its box, in sheet units (pixels at full size). */
export interface SheetPin {
  readonly key: string;
  readonly item: ItemId;
  readonly port: string;
  readonly pin: Pin;
  readonly side: BoxSide;
  readonly y: number;
}

/** A port's comb of pins in physical order. */
export interface SheetPort {
  readonly port: Port;
  readonly side: BoxSide;
  readonly top: number;
  readonly height: number;
  readonly cables: readonly CableAtPort[];
  /** The ports that mate with it without a cable, by name: `PWR1 stack`. */
  readonly mates: readonly string[];
}

/** A cable at a port. */
export interface CableAtPort {
  readonly id: CableId;
  /** From the top of the box to the middle of what its plugs are over. */
  readonly middle: number;
}

/** The controller in the middle, or the card of another item. */
export interface SheetBox {
  readonly item: ItemId;
  readonly ref: string;
  readonly is: 'spine' | 'card';
  /** Column from the spine: 0 the spine, -1 the first on its left, 1 the first on its right, and so on. */
  readonly column: number;
  readonly width: number;
  readonly height: number;
  readonly ports: readonly SheetPort[];
  readonly pins: readonly SheetPin[];
}

export interface SheetModel {
  readonly boxes: readonly SheetBox[];
  readonly wires: readonly SheetWire[];
  /** Items that no cable reaches yet, in natural order. */
  readonly unwired: readonly ItemId[];
}

export const SHEET = {
  rowPitch: 14,
  portGap: 7,
  boxPad: 10,
  cardWidth: 150,
  cardMinHeight: 48,
  cardHead: 46,
  spineWidth: 236,
  spineHead: 72,
} as const;

/** What of the aircraft the sheet shows. */
export interface SheetScope {
  /** Only these items, by their index in the graph; all when absent. */
  readonly only?: ReadonlySet<number>;
  /** Leaves out the ports that no cable is at. */
  readonly usedPortsOnly?: boolean;
}

/** An item and everything that one cable joins to it, by index: what the sheet shows of a large aircraft. */
export function withNeighbours(graph: Graph, item: ItemId): ReadonlySet<number> {
  const at = graph.itemIx.get(item);
  const shown = new Set<number>();
  if (at === undefined) return shown;
  shown.add(at);
  for (const set of neighboursOf(graph)[at]?.values() ?? []) for (const other of set) shown.add(other);
  return shown;
}

/**
 * The wiring sheet before it is laid out: the first controller as the spine with every port in physical order, every wired
 * item as a card in a column on one side, and every conductor that joins two pins of them.
 */
export function sheetModel(graph: Graph, scope: SheetScope = {}): SheetModel {
  const isShown = (item: number): boolean => scope.only === undefined || scope.only.has(item);
  const wired = graph.items.map((_, item) => isShown(item) && isJoined(graph, item));
  const spine = graph.items.findIndex(({ part }, item) => part?.kind === 'controller' && isShown(item));
  const neighbours = neighboursOf(graph);
  const columns = columnsOf(graph, spine, neighbours);
  const boxes = graph.items.flatMap((_, item): SheetBox[] => {
    if (item !== spine && wired[item] !== true) return [];
    const ports = portsShown(graph, item, scope);
    return [item === spine ? spineBox(graph, item, ports) : cardBox(graph, item, ports, columns, neighbours)];
  });
  const unwired = graph.items.filter((_, item) => isShown(item) && item !== spine && wired[item] !== true).map(({ item }) => item.id);
  return { boxes, wires: sheetWires(graph, boxes), unwired };
}

function portsShown(graph: Graph, item: number, { usedPortsOnly }: SheetScope): readonly Port[] {
  const entry = graph.items[item];
  const ports = entry?.part?.ports ?? [];
  if (entry === undefined || usedPortsOnly !== true) return ports;
  return ports.filter((port) => isPortJoined(graph, entry.item.id, port.id));
}

/** Which items each port of each item leads to. */
type Neighbours = readonly ReadonlyMap<string, ReadonlySet<number>>[];

function neighboursOf(graph: Graph): Neighbours {
  const found = graph.items.map(() => new Map<string, Set<number>>());
  for (let group = 0; group < graph.wires.count; group++) {
    const pins = pinsOf(graph, graph.wires, group);
    for (const { at } of pins) {
      for (const { at: other } of pins) {
        if (other.item === at.item) continue;
        const ports = found[at.item];
        const set = ports?.get(at.port.id) ?? new Set<number>();
        set.add(other.item);
        ports?.set(at.port.id, set);
      }
    }
  }
  return found;
}

/**
 * Columns by distance from the spine. The side of an item next to the spine is what a person chose, else that of the
 * spine's ports it is joined to; what lies further out follows its neighbour.
 */
function columnsOf(graph: Graph, spine: number, neighbours: Neighbours): ReadonlyMap<number, number> {
  const columns = new Map<number, number>();
  if (spine < 0) {
    graph.items.forEach((_, item) => columns.set(item, item % 2 === 0 ? -1 : 1));
    return columns;
  }
  columns.set(spine, 0);
  const queue = [spine];
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    const next = [...new Set([...(neighbours[at]?.values() ?? [])].flatMap((set) => [...set]))].sort((a, b) => a - b);
    for (const item of next) {
      if (columns.has(item)) continue;
      const column = columns.get(at) ?? 0;
      const side = column === 0 ? sideAtSpine(graph, spine, item, neighbours) : Math.sign(column);
      columns.set(item, column + side);
      queue.push(item);
    }
  }
  graph.items.forEach((entry, item) => {
    if (!columns.has(item)) columns.set(item, entry.item.sheetSide === 'left' ? -1 : 1);
  });
  return columns;
}

function sideAtSpine(graph: Graph, spine: number, item: number, neighbours: Neighbours): number {
  const chosen = graph.items[item]?.item.sheetSide;
  if (chosen !== undefined) return chosen === 'left' ? -1 : 1;
  let balance = 0;
  for (const port of graph.items[spine]?.part?.ports ?? []) {
    if (neighbours[spine]?.get(port.id)?.has(item) !== true) continue;
    balance += (sideOfSpinePort(port) === 'left' ? -1 : 1) * port.pins.length;
  }
  return balance <= 0 ? -1 : 1;
}

function sideOfSpinePort(port: Port): BoxSide {
  return port.side === 'right' || port.side === 'rear' || port.side === 'bottom' ? 'right' : 'left';
}

function spineBox(graph: Graph, itemIx: number, ports: readonly Port[]): SheetBox {
  return box(graph, itemIx, 'spine', 0, ports, sideOfSpinePort, SHEET.spineHead);
}

function cardBox(
  graph: Graph,
  itemIx: number,
  ports: readonly Port[],
  columns: ReadonlyMap<number, number>,
  neighbours: Neighbours,
): SheetBox {
  const column = columns.get(itemIx) ?? 1;
  const inner: BoxSide = column < 0 ? 'right' : 'left';
  const outer: BoxSide = column < 0 ? 'left' : 'right';
  const sideOf = (port: Port): BoxSide => {
    const there = [...(neighbours[itemIx]?.get(port.id) ?? [])];
    const leadsOut = there.length > 0 && there.every((item) => Math.abs(columns.get(item) ?? 0) > Math.abs(column));
    return leadsOut ? outer : inner;
  };
  const usesBothSides = ports.some((port) => sideOf(port) === outer);
  return box(graph, itemIx, 'card', column, ports, sideOf, usesBothSides ? SHEET.cardHead : SHEET.boxPad);
}

function box(
  graph: Graph,
  itemIx: number,
  is: SheetBox['is'],
  column: number,
  ports: readonly Port[],
  sideOf: (port: Port) => BoxSide,
  top: number,
): SheetBox {
  const entry = graph.items[itemIx];
  if (entry === undefined) throw new RangeError('An item that is not in the graph.');
  const tops: Record<BoxSide, number> = { left: top, right: top };
  const pins: SheetPin[] = [];
  const placed = ports.map((port): SheetPort => {
    const side = sideOf(port);
    const start = tops[side];
    const height = port.pins.length * SHEET.rowPitch;
    port.pins.forEach((pin, row) => {
      const y = start + (row + 0.5) * SHEET.rowPitch;
      pins.push({ key: pinKey(entry.item.id, port.id, pin.n), item: entry.item.id, port: port.id, pin, side, y });
    });
    tops[side] = start + height + SHEET.portGap;
    return {
      port,
      side,
      top: start,
      height,
      cables: cablesOn(graph, itemIx, port, start),
      mates: matedNames(graph, entry.item.id, port.id),
    };
  });
  const height = Math.max(tops.left, tops.right, top + SHEET.portGap) - SHEET.portGap + SHEET.boxPad;
  return {
    item: entry.item.id,
    ref: entry.item.ref,
    is,
    column,
    width: is === 'spine' ? SHEET.spineWidth : SHEET.cardWidth,
    height: is === 'spine' ? height : Math.max(height, SHEET.cardMinHeight),
    ports: placed,
    pins,
  };
}

function cablesOn(graph: Graph, itemIx: number, port: Port, top: number): CableAtPort[] {
  const id = graph.items[itemIx]?.item.id;
  if (id === undefined) return [];
  const pins = port.pins.length;
  return cablesAtPort(graph, id, port.id).map((cable) => {
    const [first] = endsAtPort(cable, id, port.id);
    const isOverSome = first !== undefined && isPinRow(port.connector) && first.connector.positions < pins;
    const [before, ways] = isOverSome ? [offsetOf(first.at), first.connector.positions] : [0, pins];
    return { id: cable.id, middle: top + (before + ways / 2) * SHEET.rowPitch };
  });
}
