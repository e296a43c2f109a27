import { listed } from '../../text/lists.ts';
import { legLengthMm } from '../../layout/ways.ts';
import { circuitNode, groupOf, type Graph, type GraphItem } from '../../graph/graph.ts';
import type { Cable, Leg } from '../../model/aircraft.ts';
import type { Endpoint } from '../../model/part.ts';

/** One endpoint on a bus, with its item. */
export interface BusMember<E extends Endpoint> {
  readonly item: number;
  readonly entry: GraphItem;
  readonly endpoint: E;
}

/** A leg that carries a bus. */
export interface BusLeg {
  readonly cable: Cable;
  readonly leg: Leg;
}

/** Everything on one net of a bus: its members in natural order, and the legs of cables that make it. */
export interface Bus<E extends Endpoint> {
  readonly net: number;
  readonly members: readonly BusMember<E>[];
  readonly legs: readonly BusLeg[];
  /** The sum of what is typed or follows from the layout, in mm; other legs count as nothing. */
  readonly knownLengthMm: number;
}

/**
 * The buses of a graph, by the net of one of their signals: through hubs and splitters, whose insides are copper.
 * @param pinOf the pin by which an endpoint is on the bus; undefined for endpoints of other kinds
 */
export function busesOf<E extends Endpoint>(
  graph: Graph,
  pinOf: (endpoint: Endpoint) => { endpoint: E; pin: string } | undefined,
): Bus<E>[] {
  const members = new Map<number, BusMember<E>[]>();
  graph.items.forEach((entry, item) => {
    for (const endpoint of entry.part?.endpoints ?? []) {
      const on = pinOf(endpoint);
      const node = on === undefined ? undefined : circuitNode(graph, item, on.pin);
      if (on === undefined || node === undefined) continue;
      const net = groupOf(graph.nets, node);
      members.set(net, [...(members.get(net) ?? []), { item, entry, endpoint: on.endpoint }]);
    }
  });
  return [...members]
    .filter(([, on]) => new Set(on.map(({ item }) => item)).size > 1)
    .map(([net, on]) => {
      const legs = legsIn(graph, net);
      const knownLengthMm = legs.reduce((sum, leg) => sum + knownMm(graph, leg), 0);
      return { net, members: on, legs, knownLengthMm };
    });
}

/** The length of a leg in mm; 0 as long as nobody knows it. */
export function knownMm(graph: Graph, { cable, leg }: BusLeg): number {
  return legLengthMm(graph, cable, leg) ?? 0;
}

/** The legs that hold a wire of a net, in the order of cables. The other branches of a loom are none of the bus. */
function legsIn(graph: Graph, net: number): BusLeg[] {
  const found = new Map<string, BusLeg>();
  for (const edge of graph.edges) {
    if (edge.is !== 'conductor' || groupOf(graph.nets, edge.a) !== net) continue;
    const cable = graph.cables[edge.cable];
    const leg = cable?.legs[edge.conductor.leg];
    if (cable !== undefined && leg !== undefined) found.set(`${cable.id} ${leg.id}`, { cable, leg });
  }
  return [...found.values()];
}

/** `FC1, GNSS1 and MAG2`: the members of a bus, each once. */
export function namesOf(members: readonly BusMember<Endpoint>[]): string {
  return listed([...new Set(members.map(({ entry }) => entry.item.ref))]);
}
