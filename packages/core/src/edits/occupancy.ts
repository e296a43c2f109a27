import type { Aircraft, Cable, CableEndAt } from '../model/aircraft.ts';
import { takesSeveralCables } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import type { CableId, NodeId } from '../model/ids.ts';
import { portOf } from './lookups.ts';

/** One end of a cable. */
export interface EndAddress {
  readonly cable: CableId;
  readonly node: NodeId;
}

/** The ends at each place, by the key of the place, in the order of the document. */
type Occupancy = ReadonlyMap<string, readonly EndAddress[]>;

const known = new WeakMap<Aircraft['cables'], Occupancy>();

/** The cable that already fills what an end wants to be plugged into, if one does. */
export function occupantOf(design: Design, at: CableEndAt, except: EndAddress): Cable | undefined {
  const there = occupantEnd(design, at, except);
  return there === undefined ? undefined : design.aircraft.cables[there.cable];
}

/** The end that fills a place: nothing else can be plugged in there. A place that takes several cables is never filled. */
export function occupantEnd(design: Design, at: CableEndAt, except?: EndAddress): EndAddress | undefined {
  if (at.is === 'free') return undefined;
  if (at.is === 'port') {
    const item = design.aircraft.items[at.item];
    const port = item === undefined ? undefined : portOf(design, item, at.port);
    if (port !== undefined && takesSeveralCables(port.connector)) return undefined;
  }
  return occupancyOf(design.aircraft.cables)
    .get(placeKey(at))
    ?.find(({ cable, node }) => cable !== except?.cable || node !== except.node);
}

/** Laid out once for a set of cables. A plug that is plugged in somewhere also fills its own face, so that nothing mates with it. */
function occupancyOf(cables: Aircraft['cables']): Occupancy {
  const laidOut = known.get(cables);
  if (laidOut !== undefined) return laidOut;
  const ends = new Map<string, EndAddress[]>();
  const add = (key: string, end: EndAddress): void => {
    const there = ends.get(key);
    if (there === undefined) ends.set(key, [end]);
    else there.push(end);
  };
  for (const cable of Object.values(cables)) for (const [key, end] of endsOf(cable)) add(key, end);
  known.set(cables, ends);
  return ends;
}

const knownEnds = new WeakMap<Cable, readonly (readonly [key: string, end: EndAddress])[]>();

/** The places that the ends of one cable fill; most cables are the same from one version to the next. */
function endsOf(cable: Cable): readonly (readonly [key: string, end: EndAddress])[] {
  const laidOut = knownEnds.get(cable);
  if (laidOut !== undefined) return laidOut;
  const ends = Object.values(cable.nodes).flatMap((node): (readonly [string, EndAddress])[] => {
    if (node.is !== 'end' || node.at.is === 'free') return [];
    const end = { cable: cable.id, node: node.id };
    return [
      [placeKey(node.at), end],
      [placeKey({ is: 'mate', ...end }), end],
    ];
  });
  knownEnds.set(cable, ends);
  return ends;
}

function placeKey(at: Exclude<CableEndAt, { is: 'free' }>): string {
  return at.is === 'port' ? `${at.item} ${at.port}` : `${at.cable}/${at.node}`;
}
