import { groupOf, pinsOf, type Graph } from '../graph/graph.ts';
import { cablesAtPort, pinsBefore, type PortAt } from '../graph/cableJoins.ts';
import { isPassedOn } from '../graph/passedOn.ts';
import { driverAt, voltsAt } from '../graph/railsOf.ts';
import type { Pin } from '../model/part.ts';
import { drives, findPin, isSupply, joinVerdict, rolesMatch, supplyWindow, type FoundPin, type JoinVerdict } from './joinVerdict.ts';

/** The ways to map the pins of two ports. */
export const PIN_MAP_PRESETS = {
  meaning: 'By signal',
  straight: 'Straight through',
  mirrored: 'Mirrored',
  'supply-pulled': 'Supply pin pulled',
  none: 'No pins yet',
} as const;
export type PinMapPreset = keyof typeof PIN_MAP_PRESETS;

/** How pins are to be joined: all of them in one of the ways, or these two alone. */
export type PinMapWish = PinMapPreset | { readonly a: number; readonly b: number };

export interface PinPair {
  /** Positions at port A and port B. */
  readonly a: number;
  readonly b: number;
  readonly verdict: JoinVerdict;
}

export interface LeftOut {
  readonly side: 'a' | 'b';
  readonly n: number;
  readonly label: string;
  readonly why: string;
}

/** A proposal for the conductors between two ports, with the effect of every pin and the reason for every pin left out. */
export interface PinMap {
  /** The ports as their plugs see them: of a row of pins only those under the plug. Positions are counted from there. */
  readonly a: PortAt;
  readonly b: PortAt;
  readonly pairs: readonly PinPair[];
  readonly leftOut: readonly LeftOut[];
  /** True when the pin map equals the pin order. */
  readonly straight: boolean;
}

/**
 * Proposes which pin of port A goes to which pin of port B. `meaning`: ground to ground, supply from a source to a sink
 * that takes it and is not fed yet, TX to RX, SDA to SDA and so on; each pin once, in pin order. The branch of a loom leaves out
 * what is already one net: the ground of a second port of one board is there by the first.
 */
export function fitPinMap(
  graph: Graph,
  a: PortAt,
  b: PortAt,
  wish: PinMapWish,
  { isBranch = false, joined = [] }: PinMapOptions = {},
): PinMap {
  const wished = typeof wish === 'object' ? [wish] : pairsOf(graph, a, b, wish);
  const all = wished.filter((pair) => !joined.some((known) => known.a === pair.a && known.b === pair.b));
  const pairs = isBranch && byItsMeaning(wish) ? forBranch(graph, a, b, all) : all;
  const judged = pairs.map((pair): PinPair => ({ ...pair, verdict: verdictOf(graph, a, b, pair) }));
  return { a, b, pairs: judged, leftOut: leftOut(graph, a, b, judged), straight: isStraight(judged, a, b) };
}

/** How else a map is fitted. */
export interface PinMapOptions {
  /** One of the ports has a plug of the same loom already. */
  readonly isBranch?: boolean;
  /** What wires of that loom join already: once is enough. */
  readonly joined?: readonly Pair[];
}

function byItsMeaning(wish: PinMapWish): boolean {
  return wish === 'meaning' || wish === 'supply-pulled';
}

/**
 * What a branch leaves in: neither what is already one net nor what would put a second output on a wire. A supply keeps its ground
 * beside it, so that its current has a way back of its own.
 */
function forBranch(graph: Graph, a: PortAt, b: PortAt, pairs: readonly Pair[]): readonly Pair[] {
  const left = pairs.filter((pair) => !isOneNet(graph, a, b, pair) && !wouldContend(graph, a, b, pair));
  const feeds = left.some((pair) => isSupply(a.port.pins[pair.a - 1]?.role ?? 'nc'));
  return feeds ? pairs.filter((pair) => left.includes(pair) || a.port.pins[pair.a - 1]?.role === 'gnd') : left;
}

/** How many pins drive a wire; one that a board only passes on does not. */
function driversOn(graph: Graph, node: number): number {
  return pinsOf(graph, graph.wires, groupOf(graph.wires, node)).filter(({ at }) => {
    const part = graph.items[at.item]?.part;
    return drives(at.pin.role) && (part === undefined || !isPassedOn(part, `${at.port.id}.${at.pin.n}`));
  }).length;
}

/** Two outputs would drive one wire, counting what is on it already. */
function wouldContend(graph: Graph, a: PortAt, b: PortAt, pair: Pair): boolean {
  const outputs = [found(graph, a, pair.a), found(graph, b, pair.b)].map((pin) => (pin === undefined ? 0 : driversOn(graph, pin.node)));
  return outputs.every((count) => count > 0);
}

function isOneNet(graph: Graph, a: PortAt, b: PortAt, pair: Pair): boolean {
  const [x, y] = [found(graph, a, pair.a), found(graph, b, pair.b)];
  return x !== undefined && y !== undefined && groupOf(graph.nets, x.node) === groupOf(graph.nets, y.node);
}

/** True when every pair joins equal positions and none of the positions that both ends have is left out. */
function isStraight(pairs: readonly PinPair[], a: PortAt, b: PortAt): boolean {
  const both = Math.min(a.port.connector.positions, b.port.connector.positions);
  return pairs.length === both && pairs.every((pair) => pair.a === pair.b);
}

interface Pair {
  readonly a: number;
  readonly b: number;
}

function pairsOf(graph: Graph, a: PortAt, b: PortAt, preset: PinMapPreset): Pair[] {
  const both = Math.min(a.port.connector.positions, b.port.connector.positions);
  const positions = Array.from({ length: both }, (_, i) => i + 1);
  switch (preset) {
    case 'meaning':
      return byMeaning(graph, a, b);
    case 'straight':
      return positions.map((n) => ({ a: n, b: n }));
    case 'mirrored':
      return positions.map((n) => ({ a: n, b: b.port.connector.positions + 1 - n }));
    case 'supply-pulled':
      return byMeaning(graph, a, b).filter((pair) => !isSupply(a.port.pins[pair.a - 1]?.role ?? 'nc'));
    case 'none':
      return [];
  }
}

function byMeaning(graph: Graph, a: PortAt, b: PortAt): Pair[] {
  const pairs: Pair[] = [];
  const taken = new Set<number>();
  for (const pin of a.port.pins) {
    const candidates = b.port.pins.filter((other) => !taken.has(other.n) && rolesMatch(pin.role, other.role));
    const fit = isSupply(pin.role) ? bestSupply(graph, a, b, pin, candidates) : sameLabelFirst(pin, candidates);
    if (fit === undefined) continue;
    taken.add(fit.n);
    pairs.push({ a: pin.n, b: fit.n });
  }
  return onePerSink(graph, a, b, pairs);
}

function sameLabelFirst(pin: Pin, candidates: readonly Pin[]): Pin | undefined {
  return candidates.find((other) => other.label === pin.label) ?? candidates[0];
}

function bestSupply(graph: Graph, a: PortAt, b: PortAt, pin: Pin, candidates: readonly Pin[]): Pin | undefined {
  return candidates.find((other) => verdictOf(graph, a, b, { a: pin.n, b: other.n }).is === 'good' && !alreadyFed(graph, a, b, pin, other));
}

/** Of several sources that could feed one sink (5 V and 9 V side by side) the one nearest its nominal voltage stays. */
function onePerSink(graph: Graph, a: PortAt, b: PortAt, pairs: readonly Pair[]): Pair[] {
  const supplies = pairs.filter((pair) => isSupply(a.port.pins[pair.a - 1]?.role ?? 'nc'));
  const sinks = b.port.pins.filter((pin) => pin.role === 'supply-in');
  const sources = a.port.pins.filter((pin) => pin.role === 'supply-out');
  const onlySink = sinks[0];
  if (sinks.length !== 1 || sources.length < 2 || supplies.length === 0 || onlySink === undefined) return [...pairs];
  const sink = found(graph, b, onlySink.n);
  const nominal = sink === undefined ? undefined : supplyWindow(graph, sink)?.nominalV;
  if (nominal === undefined) return [...pairs];
  const good = sources.filter((pin) => verdictOf(graph, a, b, { a: pin.n, b: onlySink.n }).is === 'good');
  const distance = (pin: Pin): number => Math.abs((voltsOf(graph, a, pin.n) ?? nominal) - nominal);
  const best = [...good].sort((x, y) => distance(x) - distance(y) || x.n - y.n)[0];
  const others = pairs.filter((pair) => !supplies.includes(pair));
  return best === undefined ? others : [...others, { a: best.n, b: onlySink.n }].sort((x, y) => x.a - y.a);
}

function voltsOf(graph: Graph, at: PortAt, n: number): number | undefined {
  const pin = found(graph, at, n);
  return pin === undefined ? undefined : voltsAt(graph, pin.node);
}

function found(graph: Graph, at: PortAt, n: number): FoundPin | undefined {
  return findPin(graph, { item: at.itemId, port: at.port.id, n: n + pinsBefore(at) });
}

function verdictOf(graph: Graph, a: PortAt, b: PortAt, pair: Pair): JoinVerdict {
  const [x, y] = [found(graph, a, pair.a), found(graph, b, pair.b)];
  if (x === undefined || y === undefined) return { is: 'pointless', why: 'There is no pin at one of the ends.' };
  return joinVerdict(graph, x, y);
}

/** The reference of what feeds a sink over some other cable than one between these two ports. */
function alreadyFed(graph: Graph, a: PortAt, b: PortAt, pin: Pin, other: Pin): string | undefined {
  const [sinkAt, sinkPin] = pin.role === 'supply-in' ? [a, pin] : [b, other];
  if (sinkPin.role !== 'supply-in') return undefined;
  const sourceAt = sinkAt === a ? b : a;
  const sink = found(graph, sinkAt, sinkPin.n);
  const source = found(graph, sourceAt, sinkAt === a ? other.n : pin.n);
  if (sink === undefined || source === undefined) return undefined;
  const driver = driverAt(graph, sink.node);
  if (driver === undefined || groupOf(graph.nets, sink.node) === groupOf(graph.nets, source.node)) return undefined;
  return graph.items[driver.item]?.item.ref;
}

function leftOut(graph: Graph, a: PortAt, b: PortAt, pairs: readonly PinPair[]): LeftOut[] {
  const usedA = new Set(pairs.map((pair) => pair.a));
  const usedB = new Set(pairs.map((pair) => pair.b));
  const reasons = (side: 'a' | 'b', here: PortAt, there: PortAt, used: ReadonlySet<number>): LeftOut[] =>
    here.port.pins
      .filter((pin) => !used.has(pin.n))
      .map((pin) => ({ side, n: pin.n, label: pin.label, why: whyLeftOut(graph, here, there, pin) }));
  return [...reasons('a', a, b, usedA), ...reasons('b', b, a, usedB)];
}

function whyLeftOut(graph: Graph, here: PortAt, there: PortAt, pin: Pin): string {
  if (pin.role === 'nc') return 'not connected inside';
  const matching = there.port.pins.filter((other) => rolesMatch(pin.role, other.role));
  if (matching.length === 0) return `${there.ref} ${there.port.label} has no pin for it`;
  if (matching.some((other) => isOneNet(graph, here, there, { a: pin.n, b: other.n }))) return 'already one net';
  if (matching.some((other) => wouldContend(graph, here, there, { a: pin.n, b: other.n }))) return 'two outputs would drive one wire';
  if (!isSupply(pin.role)) return `not connected to ${there.ref} ${there.port.label}`;
  for (const other of matching) {
    const verdict = verdictOf(graph, here, there, { a: pin.n, b: other.n });
    if (verdict.is !== 'good') return `supply not connected: ${verdict.why}`;
    const fed = alreadyFed(graph, here, there, pin, other);
    if (fed !== undefined) return `supply not connected: ${feedName(graph, here, there, pin)} is fed from ${fed}`;
  }
  return 'supply not connected: another pin feeds it';
}

function feedName(graph: Graph, here: PortAt, there: PortAt, pin: Pin): string {
  const sink = pin.role === 'supply-in' ? here : there;
  const cables = cablesAtPort(graph, sink.itemId, sink.port.id).map((cable) => cable.tag);
  return cables.length === 0 ? sink.ref : `${sink.ref} (${cables.join(', ')})`;
}
