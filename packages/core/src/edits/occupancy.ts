import { offsetOf, type Aircraft, type Cable, type CableEndAt } from '../model/aircraft.ts';
import { isPinRow, takesSeveralCables } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import type { MateId } from '../model/ids.ts';
import { mateOffset, type Mate } from '../model/mate.ts';
import { portOf } from './lookups.ts';
import type { EndAddress, Occupant } from './occupant.ts';

/** What fills a place, with the pins that it is over. */
interface Filling {
  readonly by: Occupant;
  readonly first: number;
  readonly last: number;
}

/** What is at each place, by the key of the place, in the order of the document. */
type Occupancy = ReadonlyMap<string, readonly Filling[]>;

const known = new WeakMap<Aircraft['cables'], Occupancy>();

/** What is asked of a place. */
export interface Wanted {
  /** The end that wants it, where it is plugged in already. */
  readonly except?: EndAddress;
  /** The mate that wants it, where it is there already. */
  readonly exceptMate?: MateId;
  /** How many pins of a row, from the place's offset on; all of them where nothing is said. */
  readonly positions?: number;
}

/** The end that fills a place, where it is one. */
export function occupantEnd(design: Design, at: CableEndAt, wanted: Wanted = {}): EndAddress | undefined {
  const there = occupantAt(design, at, wanted);
  return there?.is === 'end' ? there : undefined;
}

/**
 * What fills a place: nothing else can be plugged in there. A place that takes several cables is never filled; of a row of pins only those
 * that something is over.
 */
export function occupantAt(
  design: Design,
  at: CableEndAt,
  { except, exceptMate, positions = Infinity }: Wanted = {},
): Occupant | undefined {
  if (at.is === 'free') return undefined;
  const item = at.is === 'port' ? design.aircraft.items[at.item] : undefined;
  const port = at.is === 'port' && item !== undefined ? portOf(design, item, at.port) : undefined;
  if (port !== undefined && takesSeveralCables(port.connector)) return undefined;
  const before = offsetOf(at);
  const isMet = ({ first, last }: Filling): boolean =>
    port === undefined || !isPinRow(port.connector) || (first <= before + positions && last > before);
  const isOther = ({ by }: Filling): boolean =>
    by.is === 'mate' ? by.mate !== exceptMate : by.cable !== except?.cable || by.node !== except.node;
  const isInTheWay = (filling: Filling): boolean => isOther(filling) && isMet(filling);
  const there = occupancyOf(design.aircraft.cables).get(placeKey(at))?.find(isInTheWay) ?? matesAt(design, at).find(isInTheWay);
  return there?.by;
}

/** What else is where a mate is, or would be. */
export function occupantOfMate(design: Design, mate: Mate): Occupant | undefined {
  const item = design.aircraft.items[mate.a.item];
  const ways = item === undefined ? undefined : portOf(design, item, mate.a.port)?.connector.positions;
  const offset = mateOffset(mate);
  const wanted = { exceptMate: mate.id, ...(ways === undefined ? {} : { positions: ways }) };
  const b = { is: 'port' as const, ...mate.b, ...(offset === 0 ? {} : { offset }) };
  return occupantAt(design, { is: 'port', ...mate.a }, wanted) ?? occupantAt(design, b, wanted);
}

/** The mates at a port, with the pins that they are over. There are few of them, and how many pins they have hangs on the parts. */
function matesAt(design: Design, at: CableEndAt): readonly Filling[] {
  if (at.is !== 'port') return [];
  return Object.values(design.aircraft.mates).flatMap((mate): Filling[] => {
    const isAtA = mate.a.item === at.item && mate.a.port === at.port;
    const isAtB = mate.b.item === at.item && mate.b.port === at.port;
    if (!isAtA && !isAtB) return [];
    const item = design.aircraft.items[mate.a.item];
    const ways = item === undefined ? undefined : portOf(design, item, mate.a.port)?.connector.positions;
    const first = isAtA ? 1 : mateOffset(mate) + 1;
    return [{ by: { is: 'mate', mate: mate.id }, first, last: ways === undefined ? Infinity : first + ways - 1 }];
  });
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
    const by = { is: 'end' as const, cable: cable.id, node: node.id };
    const end = { by, first: before + 1, last: before + node.connector.positions };
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
