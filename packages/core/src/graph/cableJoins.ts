import type { Cable, CableEnd, Conductor, Leg } from '../model/aircraft.ts';
import type { ItemId } from '../model/ids.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { Pin, Port } from '../model/part.ts';
import type { Graph } from './graph.ts';

/** A port of an item that a cable's end is at. */
export interface PortAt {
  readonly item: number;
  readonly itemId: ItemId;
  readonly ref: string;
  readonly port: Port;
}

/** A cable with one leg between two ports: the commonest kind, and the kind that pin maps are about. */
export interface PlainCable {
  readonly cable: Cable;
  readonly leg: Leg;
  readonly endA: CableEnd;
  readonly endB: CableEnd;
  readonly a: PortAt;
  readonly b: PortAt;
  /** In order of the pin at end A, then at end B. */
  readonly conductors: readonly Conductor[];
}

const cache = new WeakMap<Graph, Map<Cable, PlainCable | undefined>>();

/** The cable as one leg between two ports, or undefined when it is a loom, is spliced or has a free end. */
export function plainCable(graph: Graph, cable: Cable): PlainCable | undefined {
  const known = cache.get(graph) ?? new Map<Cable, PlainCable | undefined>();
  cache.set(graph, known);
  if (known.has(cable)) return known.get(cable);
  const plain = read(graph, cable);
  known.set(cable, plain);
  return plain;
}

function read(graph: Graph, cable: Cable): PlainCable | undefined {
  const legs = Object.values(cable.legs);
  const leg = legs[0];
  if (leg === undefined || legs.length !== 1 || Object.keys(cable.nodes).length !== 2) return undefined;
  const endA = cable.nodes[leg.a];
  const endB = cable.nodes[leg.b];
  if (endA?.is !== 'end' || endB?.is !== 'end') return undefined;
  const a = portAt(graph, endA);
  const b = portAt(graph, endB);
  if (a === undefined || b === undefined) return undefined;
  const conductors = Object.values(cable.conductors).sort(
    (x, y) => x.a.n - y.a.n || x.b.n - y.b.n || byNatural<Conductor>((c) => c.id)(x, y),
  );
  return { cable, leg, endA, endB, a, b, conductors };
}

/** The port that an end is at, or undefined when it is free, mated to a cable, or names something that is not there. */
export function portAt(graph: Graph, end: CableEnd): PortAt | undefined {
  if (end.at.is !== 'port') return undefined;
  const { item: itemId, port: portId } = end.at;
  const item = graph.itemIx.get(itemId);
  const entry = graph.items[item ?? -1];
  const port = entry?.part?.ports.find((candidate) => candidate.id === portId);
  if (item === undefined || entry === undefined || port === undefined) return undefined;
  return { item, itemId, ref: entry.item.ref, port };
}

/** The pin of a port at a position. */
export function pinAt(port: Port, n: number): Pin | undefined {
  return port.pins.find((pin) => pin.n === n);
}

/** The cables that have an end at a port, in natural order of tag. */
export function cablesAtPort(graph: Graph, itemId: ItemId, portId: string): Cable[] {
  const list = graph.cablesAtItem[graph.itemIx.get(itemId) ?? -1] ?? [];
  return list
    .map((ix) => graph.cables[ix])
    .filter((cable) => cable !== undefined)
    .filter((cable) =>
      Object.values(cable.nodes).some(
        (node) => node.is === 'end' && node.at.is === 'port' && node.at.item === itemId && node.at.port === portId,
      ),
    );
}
