import { offsetOf, type Aircraft, type Cable, type CableEndAt } from '../model/aircraft.ts';
import { isPinRow, takesSeveralCables } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import type { CableId, NodeId } from '../model/ids.ts';
import { portOf } from './lookups.ts';

/** One end of a cable. */
export interface EndAddress {
  readonly cable: CableId;
  readonly node: NodeId;
}

/** An end with the pins that it is over. */
interface Filling extends EndAddress {
  readonly first: number;
  readonly last: number;
}

/** The ends at each place, by the key of the place, in the order of the document. */
type Occupancy = ReadonlyMap<string, readonly Filling[]>;

const known = new WeakMap<Aircraft['cables'], Occupancy>();

/** The cable that already fills what an end wants to be plugged into, if one does. @param positions of its plug */
export function occupantOf(design: Design, at: CableEndAt, except: EndAddress, positions: number): Cable | undefined {
  const there = occupantEnd(design, at, { except, positions });
  return there === undefined ? undefined : design.aircraft.cables[there.cable];
}

/** What is asked of a place. */
export interface Wanted {
  /** The end that wants it, where it is plugged in already. */
  readonly except?: EndAddress;
  /** How many pins of a row, from the place's offset on; all of them where nothing is said. */
  readonly positions?: number;
}

/**
 * The end that fills a place: nothing else can be plugged in there. A place that takes several cables is never filled; of a row of pins
 * only those that a plug is over.
 */
export function occupantEnd(design: Design, at: CableEndAt, { except, positions = Infinity }: Wanted = {}): EndAddress | undefined {
  if (at.is === 'free') return undefined;
  const item = at.is === 'port' ? design.aircraft.items[at.item] : undefined;
  const port = at.is === 'port' && item !== undefined ? portOf(design, item, at.port) : undefined;
  if (port !== undefined && takesSeveralCables(port.connector)) return undefined;
  const before = offsetOf(at);
  const isMet = ({ first, last }: Filling): boolean =>
    port === undefined || !isPinRow(port.connector) || (first <= before + positions && last > before);
  return occupancyOf(design.aircraft.cables)
    .get(placeKey(at))
    ?.find((there) => (there.cable !== except?.cable || there.node !== except.node) && isMet(there));
}

/** Laid out once for a set of cables. A plug that is plugged in somewhere also fills its own face, so that nothing mates with it. */
function occupancyOf(cables: Aircraft['cables']): Occupancy {
  const laidOut = known.get(cables);
  if (laidOut !== undefined) return laidOut;
  const ends = new Map<string, Filling[]>();
  const add = (key: string, end: Filling): void => {
    const there = ends.get(key);
    if (there === undefined) ends.set(key, [end]);
    else there.push(end);
  };
  for (const cable of Object.values(cables)) for (const [key, end] of endsOf(cable)) add(key, end);
  known.set(cables, ends);
  return ends;
}

const knownEnds = new WeakMap<Cable, readonly (readonly [key: string, end: Filling])[]>();

/** The places that the ends of one cable fill; most cables are the same from one version to the next. */
function endsOf(cable: Cable): readonly (readonly [key: string, end: Filling])[] {
  const laidOut = knownEnds.get(cable);
  if (laidOut !== undefined) return laidOut;
  const ends = Object.values(cable.nodes).flatMap((node): (readonly [string, Filling])[] => {
    if (node.is !== 'end' || node.at.is === 'free') return [];
    const before = offsetOf(node.at);
    const end = { cable: cable.id, node: node.id, first: before + 1, last: before + node.connector.positions };
    return [
      [placeKey(node.at), end],
      [placeKey({ is: 'mate', cable: cable.id, node: node.id }), end],
    ];
  });
  knownEnds.set(cable, ends);
  return ends;
}

function placeKey(at: Exclude<CableEndAt, { is: 'free' }>): string {
  return at.is === 'port' ? `${at.item} ${at.port}` : `${at.cable}/${at.node}`;
}
