import type { Graph } from '../../graph/graph.ts';
import type { Endpoint } from '../../model/part.ts';
import { busesOf, type Bus, type BusMember } from './busOf.ts';

export type CanEndpoint = Extract<Endpoint, { is: 'can' }>;
export type CanMember = BusMember<CanEndpoint>;

const cache = new WeakMap<Graph, readonly Bus<CanEndpoint>[]>();

/** Every CAN bus of an aircraft, by the net of its high wire. */
export function canBuses(graph: Graph): readonly Bus<CanEndpoint>[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const buses = busesOf<CanEndpoint>(graph, (endpoint) => (endpoint.is === 'can' ? { endpoint, pin: endpoint.high } : undefined));
  cache.set(graph, buses);
  return buses;
}

/** True when the 120 ohm of a member are on the bus: as set, or as delivered. */
export function isTerminated({ entry, endpoint }: CanMember): boolean {
  const set = entry.item.settings[`${endpoint.id}.terminated`];
  return endpoint.switchable === true && typeof set === 'boolean' ? set : endpoint.terminated;
}

/** The node id that a member is set to; undefined where the bus gives it one. */
export function staticNode({ entry, endpoint }: CanMember): number | undefined {
  const set = entry.item.settings[`${endpoint.id}.node`];
  return typeof set === 'number' && set !== 0 ? set : undefined;
}

/** The other members of a bus that are set to the node id of one. */
export function withSameNode({ members }: Bus<CanEndpoint>, member: CanMember): readonly CanMember[] {
  const node = staticNode(member);
  if (node === undefined) return [];
  return members.filter((other) => (other.item !== member.item || other.endpoint !== member.endpoint) && staticNode(other) === node);
}

/** A bus of up to this length works with one termination. */
const SHORT_MM = 2000;

/** How a bus is terminated: two ends, as it should be; one on a short bus, which works; or wrong. */
export function terminationOf({ members, knownLengthMm }: Bus<CanEndpoint>): {
  readonly on: readonly CanMember[];
  readonly is: 'right' | 'works' | 'wrong';
} {
  const on = members.filter(isTerminated);
  if (on.length === 2) return { on, is: 'right' };
  return { on, is: on.length === 1 && knownLengthMm <= SHORT_MM ? 'works' : 'wrong' };
}
