import type { GraphItem } from '../../graph/graph.ts';
import { radioSignal } from './airHops.ts';
import type { HopMap } from './hopsOf.ts';
import { endKey, turned, type Hop, type HopEnd } from './hop.ts';
import type { LinkKind } from './linkKinds.ts';
import { findWay, isCarried, passedOn, radiosBehind, type Way } from './ways.ts';

/** What is beyond the air, seen from what flies. */
export interface FarSide {
  /** From the flying end outward. */
  readonly hops: readonly Hop[];
  /** Where the way ends, if that is at an item that does nothing with what arrives. */
  readonly endsAt: HopEnd | undefined;
}

const NOTHING: FarSide = { hops: [], endsAt: undefined };

/**
 * The way from the flying end of a link to who it is for, by sockets where the link goes over a network and else through the air.
 * @param way the way from the item that the link begins at to what it reaches in the aircraft
 */
export function farSideOf(map: HopMap, kind: LinkKind, item: number, way: Way): FarSide {
  if (kind.farGoals.length === 0) return NOTHING;
  const from = kind.airIs === 'at-goal' ? way.end : way.start;
  const network = networkEndOf(from, way);
  if (network !== undefined) {
    const bySockets = findWay(map, [network], {
      isGoal: (end) => end.item !== item && end.item !== way.end.item && isFor(kind, end) && (!hasPrograms(end.entry) || isProgram(end)),
      media: (medium, isFirst) => !isFirst || medium === 'socket',
    });
    if (bySockets !== undefined) return { hops: bySockets.hops, endsAt: undefined };
  }
  return throughAir(map, kind, item, from);
}

/** The end whose bytes go over a network, where the link does: a serial port of an IP radio, or the network of what is wired to its Ethernet. */
function networkEndOf(start: HopEnd, { hops }: Way): HopEnd | undefined {
  const { entry, signal } = start;
  if (signal.is !== 'endpoint' || entry.part === undefined) return undefined;
  if (signal.endpoint.is === 'uart') return isCarried(start) ? start : undefined;
  const first = hops.find(({ medium }) => medium === 'network' || medium === 'usb');
  if (first?.b === undefined) return undefined;
  const { b } = first;
  if (b.signal.is === 'endpoint' && b.signal.endpoint.is === 'network') return b;
  // Over USB the network of a computer is one of its own endpoints.
  const endpoint = b.entry.part?.endpoints.find((candidate) => candidate.is === 'network' && !candidate.roles.includes('program'));
  return endpoint === undefined ? undefined : { ...b, signal: { is: 'endpoint', id: endpoint.id, endpoint } };
}

function throughAir(map: HopMap, kind: LinkKind, item: number, from: HopEnd): FarSide {
  const radios = radiosBehind(from).map((radio): HopEnd => ({ ...from, signal: radioSignal(radio) }));
  const first = radios.flatMap((radio) => (map.at.get(endKey(radio)) ?? []).map((hop) => turned(hop, radio)))[0];
  if (first === undefined) return NOTHING;
  if (first.b === undefined) return { hops: [first], endsAt: undefined };
  // Bytes of a serial port go on over a network by a socket alone.
  if (isCarried(from)) return { hops: [first], endsAt: from };
  const search = (isGoal: (end: HopEnd) => boolean): Way | undefined =>
    findWay(map, radios, {
      isGoal: (end) => end.item !== item && isFor(kind, end) && isGoal(end),
      media: (medium, isFirst) => (isFirst ? medium === 'air' : true),
      notBackTo: item,
    });
  // The last that could be meant: a module leads on to the sticks behind it, a computer to its program.
  const last = search((end) => (kind.goesToPrograms && hasPrograms(end.entry) ? isProgram(end) : passedOn(end).length === 0));
  const way = last ?? search(() => true);
  if (way === undefined) return { hops: [first], endsAt: first.b };
  const isUnread = last === undefined && hasPrograms(way.end.entry) && kind.goesToPrograms;
  return { hops: way.hops, endsAt: isUnread ? way.end : undefined };
}

function isFor(kind: LinkKind, { entry }: HopEnd): boolean {
  return entry.part !== undefined && kind.farGoals.includes(entry.part.kind);
}

function hasPrograms({ part }: GraphItem): boolean {
  return part?.programs !== undefined;
}

function isProgram({ entry: { part }, signal }: HopEnd): boolean {
  return part?.programs?.some(({ id }) => id === signal.id) === true;
}
