import { offsetOf, portPlace, type Cable, type CableEnd, type CableEndAt, type Conductor, type Leg } from '../model/aircraft.ts';
import { isPinRow } from '../model/connector.ts';
import type { ItemId } from '../model/ids.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { Pin, Port } from '../model/part.ts';
import type { Graph } from './graph.ts';

/** A port of an item that a cable's end is at, or could be. */
export interface PortAt {
  readonly item: number;
  readonly itemId: ItemId;
  readonly ref: string;
  /** As a plug sees it: of a row of pins only those under the plug, numbered by its contacts. */
  readonly port: Port;
  /** In a row of pins, the stretch that is meant; absent where it is the whole port. */
  readonly stretch?: Stretch;
}

/** Some pins of a row. */
export interface Stretch {
  /** How many pins of the row come before it. */
  readonly offset: number;
  /** True where a plug is over it; false where it is free. */
  readonly isPlugged: boolean;
}

/** The stretch of a row that a plug at an offset is over, or would be. */
export function stretchOf(at: PortAt, offset: number, positions: number, isPlugged: boolean): PortAt {
  const { port } = at;
  const pins = port.pins.flatMap((pin) => (pin.n > offset && pin.n <= offset + positions ? [{ ...pin, n: pin.n - offset }] : []));
  return {
    ...at,
    port: { ...port, pins, connector: { ...port.connector, positions: pins.length } },
    stretch: { offset: offset + pinsBefore(at), isPlugged },
  };
}

/** How many pins of the row come before what is meant of a port. */
export function pinsBefore({ stretch }: PortAt): number {
  return stretch === undefined ? 0 : stretch.offset;
}

/** Where a plug is that is in a port, or over a stretch of it. */
export function placeAt(at: PortAt): Extract<CableEndAt, { is: 'port' }> {
  return portPlace(at.itemId, at.port.id, pinsBefore(at));
}

/** A port of an item, by the item's place in the graph. */
export function portIn(graph: Graph, item: number, portId: string): PortAt | undefined {
  const entry = graph.items[item];
  const port = entry?.part?.ports.find((candidate) => candidate.id === portId);
  return entry === undefined || port === undefined ? undefined : { item, itemId: entry.item.id, ref: entry.item.ref, port };
}

/** The end of another cable that an end is plugged into; undefined where it is at a port, or free. */
export function matedEnd(graph: Graph, { at }: CableEnd): { readonly cable: Cable; readonly end: CableEnd } | undefined {
  if (at.is !== 'mate') return undefined;
  const cable = graph.cables[graph.cableIx.get(at.cable) ?? -1];
  const end = cable?.nodes[at.node];
  return cable === undefined || end?.is !== 'end' ? undefined : { cable, end };
}

/** A leg that leads from one port to another: the commonest cables are one such leg, and pin maps are about it. */
export interface PortLeg {
  readonly cable: Cable;
  readonly leg: Leg;
  readonly endA: CableEnd;
  readonly endB: CableEnd;
  readonly a: PortAt;
  readonly b: PortAt;
  /** In order of the pin at end A, then at end B. */
  readonly conductors: readonly Conductor[];
}

const cache = new WeakMap<Graph, Map<Cable, readonly PortLeg[]>>();

/** The legs of a cable that lead from port to port, in its order; none to a splice, a free end or another cable. */
export function portLegs(graph: Graph, cable: Cable): readonly PortLeg[] {
  const known = cache.get(graph) ?? new Map<Cable, readonly PortLeg[]>();
  cache.set(graph, known);
  const before = known.get(cable);
  if (before !== undefined) return before;
  const legs = Object.values(cable.legs).flatMap((leg) => read(graph, cable, leg));
  known.set(cable, legs);
  return legs;
}

/** The cable as one leg between two ports, or undefined when it is a loom, is spliced or has a free end. */
export function plainCable(graph: Graph, cable: Cable): PortLeg | undefined {
  const isPlain = Object.keys(cable.legs).length === 1 && Object.keys(cable.nodes).length === 2;
  return isPlain ? portLegs(graph, cable)[0] : undefined;
}

function read(graph: Graph, cable: Cable, leg: Leg): PortLeg[] {
  const endA = cable.nodes[leg.a];
  const endB = cable.nodes[leg.b];
  if (endA?.is !== 'end' || endB?.is !== 'end') return [];
  const a = portAt(graph, endA);
  const b = portAt(graph, endB);
  if (a === undefined || b === undefined) return [];
  const conductors = Object.values(cable.conductors)
    .filter((conductor) => conductor.leg === leg.id)
    .sort((x, y) => x.a.n - y.a.n || x.b.n - y.b.n || byNatural<Conductor>((c) => c.id)(x, y));
  return [{ cable, leg, endA, endB, a, b, conductors }];
}

/**
 * The port that an end is at, as its plug sees it; undefined when it is free, mated to a cable, or names something that is not there.
 */
export function portAt(graph: Graph, end: CableEnd): PortAt | undefined {
  if (end.at.is !== 'port') return undefined;
  const whole = portIn(graph, graph.itemIx.get(end.at.item) ?? -1, end.at.port);
  if (whole === undefined) return undefined;
  const offset = offsetOf(end.at);
  const isSome = offset > 0 || (isPinRow(whole.port.connector) && end.connector.positions < whole.port.connector.positions);
  return isSome ? stretchOf(whole, offset, end.connector.positions, true) : whole;
}

/** The whole of a port of which a stretch is meant. */
export function wholePort(graph: Graph, at: PortAt): PortAt {
  return at.stretch === undefined ? at : (portIn(graph, at.item, at.port.id) ?? at);
}

/** The pin of a port at a position. */
export function pinAt(port: Port, n: number): Pin | undefined {
  return port.pins.find((pin) => pin.n === n);
}

/** The cables whose plugs are over one pin of a port, in natural order of tag: in a row of pins others are beside it. */
export function cablesAtPin(graph: Graph, itemId: ItemId, portId: string, n: number): Cable[] {
  return cablesAtPort(graph, itemId, portId).filter((cable) =>
    endsAtPort(cable, itemId, portId).some(({ at, connector }) => n > offsetOf(at) && n <= offsetOf(at) + connector.positions),
  );
}

/** The ends of a cable that are at a port. */
export function endsAtPort(cable: Cable, itemId: ItemId, portId: string): CableEnd[] {
  return Object.values(cable.nodes).filter(
    (node): node is CableEnd => node.is === 'end' && node.at.is === 'port' && node.at.item === itemId && node.at.port === portId,
  );
}

/** The cables that have an end at a port, in natural order of tag. */
export function cablesAtPort(graph: Graph, itemId: ItemId, portId: string): Cable[] {
  const list = graph.cablesAtItem[graph.itemIx.get(itemId) ?? -1] ?? [];
  return list
    .map((ix) => graph.cables[ix])
    .filter((cable) => cable !== undefined)
    .filter((cable) => endsAtPort(cable, itemId, portId).length > 0);
}
