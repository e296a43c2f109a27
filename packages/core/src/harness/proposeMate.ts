import { portIn, type PortAt } from '../graph/cableJoins.ts';
import type { Graph } from '../graph/graph.ts';
import { plugGoesOnto } from '../model/connector.ts';
import { asId, type ItemId, type MateId } from '../model/ids.ts';
import type { Mate } from '../model/mate.ts';
import { freeOffsets } from './looms/seats.ts';

/** Two ports that could mate, and how. */
export interface MateProposal {
  readonly a: PortAt;
  readonly b: PortAt;
  /** Its id is the placeholder `?1` (see `withFreshIds`). */
  readonly mate: Mate;
}

/** Port A put onto port B without a cable, over the first pins of a row that are free; undefined where they do not go together or are occupied. */
export function proposeMate(graph: Graph, a: PortAt, b: PortAt): MateProposal | undefined {
  const { connector } = a.port;
  if (a.itemId === b.itemId || connector.gender === 'pads' || !plugGoesOnto(connector, b.port.connector)) return undefined;
  const isFree = freeOffsets(graph, a, connector.positions).length > 0;
  const [offset] = freeOffsets(graph, b, connector.positions);
  if (!isFree || offset === undefined) return undefined;
  const mate = { id: asId<MateId>('?1'), a: { item: a.itemId, port: a.port.id }, b: { item: b.itemId, port: b.port.id } };
  return { a, b, mate: offset === 0 ? mate : { ...mate, offset } };
}

/** Leads of so many contacts are no boards that sit on one another. */
const LEAD_CONTACTS = 3;

/** Every way to put a board or a module on another item: servo leads and the like have sockets too, and go on by their leads. */
export function proposeMates(graph: Graph, item: ItemId): readonly MateProposal[] {
  const own = graph.itemIx.get(item) ?? -1;
  const ports = graph.items.flatMap(({ part }, ix) => (part?.ports ?? []).flatMap(({ id }) => portIn(graph, ix, id) ?? []));
  const boards = ports.filter(({ item: at, port }) => at === own && port.connector.positions > LEAD_CONTACTS);
  return boards.flatMap((port) => ports.flatMap((other) => proposeMate(graph, port, other) ?? []));
}
