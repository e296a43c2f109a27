import type { Conductor } from '../../model/aircraft.ts';
import type { Graph } from '../../graph/graph.ts';
import { plainCable, type PlainCable } from '../../graph/cableJoins.ts';
import { findPin, isSupply, type FoundPin } from '../../harness/joinVerdict.ts';

/** A conductor that really joins two pins: both its contacts are fitted. */
export interface Join {
  readonly conductor: Conductor;
  readonly a: FoundPin;
  readonly b: FoundPin;
}

/** A plain cable with the pins that it joins, in order of the pin at end A. */
export interface JoinedCable {
  readonly plain: PlainCable;
  readonly joins: readonly Join[];
}

const cache = new WeakMap<Graph, readonly JoinedCable[]>();

/** Every plain cable with what it joins. Looms with more than one leg are judged by their nets, not here. */
export function joinedCables(graph: Graph): readonly JoinedCable[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const joined = graph.cables
    .map((cable) => plainCable(graph, cable))
    .filter((plain) => plain !== undefined)
    .map((plain) => ({ plain, joins: joinsOf(graph, plain) }));
  cache.set(graph, joined);
  return joined;
}

function joinsOf(graph: Graph, plain: PlainCable): Join[] {
  const joins: Join[] = [];
  for (const conductor of plain.conductors) {
    if (plain.endA.absent?.includes(conductor.a.n) === true || plain.endB.absent?.includes(conductor.b.n) === true) continue;
    const a = findPin(graph, { item: plain.a.itemId, port: plain.a.port.id, n: conductor.a.n });
    const b = findPin(graph, { item: plain.b.itemId, port: plain.b.port.id, n: conductor.b.n });
    if (a !== undefined && b !== undefined) joins.push({ conductor, a, b });
  }
  return joins;
}

/** True where a wire puts the supply of one part on the ground of the other. */
export function joinsSupplyToGround({ a, b }: Pick<Join, 'a' | 'b'>): boolean {
  return (isSupply(a.pin.role) && b.pin.role === 'gnd') || (a.pin.role === 'gnd' && isSupply(b.pin.role));
}
