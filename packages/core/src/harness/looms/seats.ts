import { occupantAt } from '../../edits/occupancy.ts';
import type { EndAddress } from '../../edits/occupant.ts';
import { pinsBefore, placeAt, portIn, stretchOf, type PortAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { offsetOf, portPlace } from '../../model/aircraft.ts';
import { isPinRow } from '../../model/connector.ts';
import { mateOffset } from '../../model/mate.ts';
import type { PinMap, PinMapWish } from '../fitPinMap.ts';

/** An empty row of so few pins takes one plug, whatever is used of it. */
const WHOLE_ROW_PINS = 6;
/** And of so few one lead, even where a person joins single pins: the leads of servos have three contacts. */
const LEAD_PINS = 3;

/** Fits the pins of two ports, or of stretches of them. */
type Fit = (a: PortAt, b: PortAt, wish: PinMapWish) => PinMap;

/**
 * Fits the pins of two ports where plugs find a seat: of a row of pins, over the plugs that are there or over a free stretch, whichever
 * joins most; a new plug is no wider than its wires. Ports that are no rows are taken as they are.
 */
export function seated(graph: Graph, a: PortAt, b: PortAt, wish: PinMapWish, fit: Fit): PinMap {
  if (typeof wish === 'object') {
    const [seatA, seatB] = [seatAtPin(graph, a, wish.a), seatAtPin(graph, b, wish.b)];
    return fit(seatA.at, seatB.at, { a: seatA.contact, b: seatB.contact });
  }
  const [seatsA, seatsB] = [seatsOf(graph, a), seatsOf(graph, b)];
  const fits = seatsA.flatMap((x) => seatsB.map((y) => fit(x, y, wish))).sort((x, y) => worth(y) - worth(x));
  const [best] = fits;
  if (best === undefined) return fit(a, b, wish);
  const [x, y] = [narrowed(best, 'a'), narrowed(best, 'b')];
  return x === best.a && y === best.b ? best : fit(x, y, wish);
}

/**
 * Where a plug is, or finds room, in a port: the port itself, or the stretches of a row.
 * @param wholePins an empty row of no more pins is taken as a whole
 */
export function seatsOf(graph: Graph, at: PortAt, wholePins = WHOLE_ROW_PINS): readonly PortAt[] {
  const { positions } = at.port.connector;
  if (at.stretch !== undefined || !isPinRow(at.port.connector)) return [at];
  const over = Array.from({ length: positions }, (_, i) => coverOf(graph, at, i));
  if (over.every((cover) => cover === undefined)) return [positions <= wholePins ? at : stretchOf(at, 0, positions, false)];
  const seats: PortAt[] = [];
  for (let i = 0; i < positions;) {
    const cover = over[i];
    const next = over.findIndex((other, j) => j > i && other?.key !== cover?.key);
    const end = next < 0 ? positions : next;
    const isWhole = cover !== undefined && end - i === positions && cover.positions === positions;
    seats.push(isWhole ? at : cover === undefined ? stretchOf(at, i, end - i, false) : stretchOf(at, cover.offset, cover.positions, true));
    i = end;
  }
  return seats;
}

/** Of a row of pins the plug over one of them, or the free stretch around it; of any other port the port. */
export function seatOver(graph: Graph, at: PortAt, pin: number): PortAt {
  return seatsOf(graph, at).find((seat) => isOver(seat, pin)) ?? at;
}

function isOver(seat: PortAt, pin: number): boolean {
  const contact = pin - pinsBefore(seat);
  return contact >= 1 && contact <= seat.port.connector.positions;
}

/**
 * Where in a port a plug of so many contacts finds room, by how many pins come before it: at most one place in a port that is no row.
 * @param except an end whose own place counts as free
 */
export function freeOffsets(graph: Graph, at: PortAt, positions: number, except?: EndAddress): readonly number[] {
  const room = isPinRow(at.port.connector) ? Math.max(0, at.port.connector.positions - positions) : 0;
  return Array.from({ length: room + 1 }, (_, offset) => offset).filter((offset) => {
    const place = placeAt(stretchOf(at, offset, positions, false));
    return occupantAt(graph.design, place, { positions, ...(except === undefined ? {} : { except }) }) === undefined;
  });
}

/** What is over some pins of a row: a plug, or a port that mates. */
interface Cover {
  readonly key: string;
  readonly offset: number;
  readonly positions: number;
}

/** What is over a pin of a row, by how many pins come before it. */
function coverOf(graph: Graph, { itemId, port }: PortAt, before: number): Cover | undefined {
  const there = occupantAt(graph.design, portPlace(itemId, port.id, before), { positions: 1 });
  if (there === undefined) return undefined;
  if (there.is === 'end') {
    const end = graph.cables[graph.cableIx.get(there.cable) ?? -1]?.nodes[there.node];
    return end?.is !== 'end'
      ? undefined
      : { key: `${there.cable} ${there.node}`, offset: offsetOf(end.at), positions: end.connector.positions };
  }
  const mate = graph.design.aircraft.mates[there.mate];
  const other = mate === undefined ? undefined : portIn(graph, graph.itemIx.get(mate.a.item) ?? -1, mate.a.port);
  if (mate === undefined || other === undefined) return undefined;
  const isUnder = mate.b.item === itemId && mate.b.port === port.id;
  return { key: mate.id, offset: isUnder ? mateOffset(mate) : 0, positions: other.port.connector.positions };
}

/** The plug over a pin, or room for a plug of one contact; and the contact there. */
function seatAtPin(graph: Graph, port: PortAt, pin: number): { readonly at: PortAt; readonly contact: number } {
  const seats = seatsOf(graph, port, LEAD_PINS);
  const seat = seats.find((candidate) => isOver(candidate, pin));
  const [first] = seats;
  const at = seat ?? first;
  if (at === undefined) throw new Error('A port has no seat for a plug.');
  if (at.stretch === undefined || seat === undefined) return { at, contact: pin };
  const contact = pin - at.stretch.offset;
  return at.stretch.isPlugged ? { at, contact } : { at: part(at, contact, 1), contact: 1 };
}

/** How much sense a seat makes: one that joins something, then one where no plug is, then the one that joins most. */
function worth({ a, b, pairs }: PinMap): number {
  const isFree = [a, b].every(({ stretch }) => stretch?.isPlugged !== true);
  return (pairs.length > 0 ? 1000 : 0) + (isFree ? 500 : 0) + pairs.length;
}

/** A free stretch as far as wires use it; where none does yet, as wide as the plug at the other end. */
function narrowed(map: PinMap, side: 'a' | 'b'): PortAt {
  const at = map[side];
  if (at.stretch === undefined || at.stretch.isPlugged) return at;
  const used = map.pairs.map((pair) => pair[side]);
  const other = map[side === 'a' ? 'b' : 'a'].port.connector.positions;
  const [first, last] = used.length === 0 ? [1, Math.min(other, at.port.connector.positions)] : [Math.min(...used), Math.max(...used)];
  return first === 1 && last === at.port.connector.positions ? at : part(at, first, last - first + 1);
}

/** Part of a free stretch, from one of its contacts on. */
function part(at: PortAt, first: number, positions: number): PortAt {
  return stretchOf(at, first - 1, positions, false);
}
