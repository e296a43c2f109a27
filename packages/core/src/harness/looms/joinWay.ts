import { occupantAt, occupantEnd } from '../../edits/occupancy.ts';
import { placeAt, type PortAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Cable, CableEnd } from '../../model/aircraft.ts';
import type { MateId } from '../../model/ids.ts';

/** An end of a cable that fills a port. */
export interface PluggedEnd {
  readonly cable: Cable;
  readonly end: CableEnd;
}

/** How two ports are joined, by what is in them: a plug stays where it is and its cable gets a branch. */
export type JoinWay =
  /** Both are free, or take several wires: a cable of its own. */
  | { readonly is: 'cable' }
  /** One of them holds a plug: its cable gets a branch to the other. */
  | { readonly is: 'branch'; readonly of: PluggedEnd; readonly isAtA: boolean }
  /** Both hold a plug of one cable: wires between the two. */
  | { readonly is: 'inside'; readonly a: PluggedEnd; readonly b: PluggedEnd }
  /** One of them mates with another port: nothing can be plugged in there. */
  | { readonly is: 'mated'; readonly mate: MateId }
  /** Each holds the plug of another cable: the two become one loom, under the tag of the first. */
  | { readonly is: 'merge'; readonly a: PluggedEnd; readonly b: PluggedEnd };

/** How two ports, or seats on rows of pins, would be joined. */
export function joinWay(graph: Graph, a: PortAt, b: PortAt): JoinWay {
  const mate = mateAt(graph, a) ?? mateAt(graph, b);
  if (mate !== undefined) return { is: 'mated', mate };
  const [atA, atB] = [pluggedAt(graph, a), pluggedAt(graph, b)];
  if (atA !== undefined && atB !== undefined) return { is: atA.cable === atB.cable ? 'inside' : 'merge', a: atA, b: atB };
  if (atA !== undefined) return { is: 'branch', of: atA, isAtA: true };
  return atB === undefined ? { is: 'cable' } : { is: 'branch', of: atB, isAtA: false };
}

function mateAt(graph: Graph, at: PortAt): MateId | undefined {
  const there = occupantAt(graph.design, placeAt(at), { positions: at.port.connector.positions });
  return there?.is === 'mate' ? there.mate : undefined;
}

function pluggedAt(graph: Graph, at: PortAt): PluggedEnd | undefined {
  const there = occupantEnd(graph.design, placeAt(at), { positions: at.port.connector.positions });
  const cable = there === undefined ? undefined : graph.cables[graph.cableIx.get(there.cable) ?? -1];
  const end = there === undefined ? undefined : cable?.nodes[there.node];
  return cable === undefined || end?.is !== 'end' ? undefined : { cable, end };
}

/** The cable that becomes the loom. */
export function loomOf(way: Exclude<JoinWay, { is: 'cable' | 'mated' }>): Cable {
  return way.is === 'branch' ? way.of.cable : way.a.cable;
}
