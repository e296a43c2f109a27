import { dialectOf } from '../dialects/dialectOf.ts';
import type { Graph } from '../graph/graph.ts';
import type { ProtocolId } from '../model/protocolIds.ts';
import type { SerialEnd, SerialHop } from './serialHops.ts';
import { serialSetup } from './serialSetup.ts';

/** The baud that the firmware takes at a controller's port whatever is set there, since the role fixes it; undefined where the setting counts. */
export function fixedBaudAt(graph: Graph, { entry, endpoint }: SerialEnd): number | undefined {
  if (entry.part?.kind !== 'controller') return undefined;
  const { protocol } = serialSetup(entry.item, endpoint);
  return protocol === undefined ? undefined : dialectOf(graph.design)?.roles[protocol]?.fixedBaud;
}

/** The baud that an end really has: the one that its role fixes, or else the one that is set or delivered; undefined as long as neither is. */
export function baudAt(graph: Graph, end: SerialEnd): number | undefined {
  return fixedBaudAt(graph, end) ?? serialSetup(end.entry.item, end.endpoint).baud;
}

/** Drivers of satellite receivers try all bauds, and set the receiver up. */
const PROBED: readonly ProtocolId[] = ['gnss-binary', 'nmea-0183'];

/** True where the controller finds the baud by itself: it hears a satellite receiver, and is heard by it. */
export function probesBaud({ a, b, aToB, bToA }: SerialHop): boolean {
  const board = [a, b].find(({ entry }) => entry.part?.kind === 'controller');
  const other = board === a ? b : a;
  if (board === undefined || other.entry.part?.kind !== 'gnss' || aToB === undefined || bToA === undefined) return false;
  const { protocol } = serialSetup(board.entry.item, board.endpoint);
  return protocol !== undefined && PROBED.includes(protocol);
}
