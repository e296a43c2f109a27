import { pinsBefore, portAt, type PortAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Cable, CableEnd, CableNode, Leg } from '../../model/aircraft.ts';
import type { NodeId } from '../../model/ids.ts';

const cache = new WeakMap<Graph, WeakMap<Cable, ReadonlyMap<NodeId, string>>>();

/** The nodes of a cable as people name them: `FC1 S4`, `plug of W05`, `free end`, `splice 2`. In the order of the cable. */
export function nodeNames(graph: Graph, cable: Cable): ReadonlyMap<NodeId, string> {
  const known = cache.get(graph) ?? new WeakMap<Cable, ReadonlyMap<NodeId, string>>();
  cache.set(graph, known);
  const before = known.get(cable);
  if (before !== undefined) return before;
  const nodes = Object.values(cable.nodes);
  const free = nodes.filter(isFree);
  const splices = nodes.filter(({ is }) => is === 'splice');
  const names = new Map(
    nodes.map((node): [NodeId, string] => {
      if (node.is === 'splice') return [node.id, numbered('splice', splices, node)];
      return [node.id, isFree(node) ? numbered('free end', free, node) : cableEndName(graph, node)];
    }),
  );
  known.set(cable, names);
  return names;
}

/** A leg by what it leads from and to: `GNSS1 UART to FC1 S4`. */
export function legName(graph: Graph, cable: Cable, { a, b }: Pick<Leg, 'a' | 'b'>): string {
  const names = nodeNames(graph, cable);
  return `${names.get(a) ?? '?'} to ${names.get(b) ?? '?'}`;
}

/** A leg at the beginning of a sentence: `W07` where there is no other, `The leg GNSS1 UART to FC1 S4 of W07` in a loom. */
export function legOfCable(graph: Graph, cable: Cable, leg: Pick<Leg, 'a' | 'b'>): string {
  return Object.keys(cable.legs).length === 1 ? cable.tag : `The leg ${legName(graph, cable, leg)} of ${cable.tag}`;
}

/** Of a row of pins, those that a plug is over: ` pins 3-6`, ` pin 3`; nothing where it is the whole port. */
export function pinsOfStretch(at: PortAt): string {
  if (at.stretch === undefined) return '';
  const first = pinsBefore(at) + 1;
  const last = pinsBefore(at) + at.port.connector.positions;
  return first === last ? ` pin ${first}` : ` pins ${first}-${last}`;
}

/** Where an end is: `FC1 S4`, `COMP1 header pins 3-6`, `plug of W05`, `free end`. */
export function cableEndName(graph: Graph, end: CableEnd): string {
  if (end.at.is === 'mate') return `plug of ${graph.cables[graph.cableIx.get(end.at.cable) ?? -1]?.tag ?? '?'}`;
  const at = portAt(graph, end);
  return at === undefined ? 'free end' : `${at.ref} ${at.port.label}${pinsOfStretch(at)}`;
}

function isFree(node: CableNode): boolean {
  return node.is === 'end' && node.at.is === 'free';
}

function numbered(word: string, all: readonly CableNode[], node: CableNode): string {
  return all.length === 1 ? word : `${word} ${all.indexOf(node) + 1}`;
}
