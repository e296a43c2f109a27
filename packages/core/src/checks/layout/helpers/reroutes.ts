import { decimals } from '../../../text/numbers.ts';
import type { Edit, SimpleEdit } from '../../../edits/registry.ts';
import type { LegWires } from '../../../field/currentPaths.ts';
import type { Graph } from '../../../graph/graph.ts';
import { lengthOf, netOf } from '../../../layout/routeNet.ts';
import type { FramePoint, PointId, Spot } from '../../../model/frame.ts';
import { asId } from '../../../model/ids.ts';
import { distanceMm } from '../../../layout/placedItems.ts';

/** A way that is longer than this many times the shortest is not worth it: it weighs, and it drops more. */
const LONGEST = 2;
const MOST_WAYS = 6;

/** Another way that a cable could be led. */
export interface Reroute {
  readonly point: FramePoint;
  readonly edit: Edit;
}

/**
 * The ways that a leg could take by way of a point of the airframe, those that pass furthest from a spot first; none that passes it
 * nearer than the way that it takes. A typed length that such a way needs more than is taken out.
 */
export function reroutesOf(graph: Graph, { cable, leg, way }: Pick<LegWires, 'cable' | 'leg' | 'way'>, awayFrom: Spot): readonly Reroute[] {
  const { frame } = graph.design.aircraft.airframe;
  const [a, b] = [way[0], way.at(-1)];
  if (frame === undefined || a === undefined || b === undefined) return [];
  const net = netOf(frame);
  const nowMm = clearanceMm(way, awayFrom);
  return Object.entries(frame.points)
    .flatMap(([id, point]) => {
      const other = net.through({ spot: a, bay: undefined }, [point.at], { spot: b, bay: undefined });
      const mm = other === undefined ? 0 : clearanceMm(other.spots, awayFrom);
      // There and back on one stretch is no other way.
      const isOneWay = other !== undefined && !comesBack(other.spots);
      const isWorthIt = isOneWay && mm > nowMm + 1 && other.lengthMm <= LONGEST * lengthOf(way);
      return isWorthIt ? [{ mm, point, edit: leadBy(cable, leg, asId<PointId>(id), point.title) }] : [];
    })
    .sort((one, two) => two.mm - one.mm)
    .slice(0, MOST_WAYS);
}

function leadBy(cable: LegWires['cable'], leg: LegWires['leg'], via: PointId, title: string): Edit {
  const lead: SimpleEdit = { kind: 'set-leg-via', cable: cable.id, leg: leg.id, via, was: leg.via ?? null };
  if (leg.typedLengthMm === undefined) return lead;
  const untype: SimpleEdit = { kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm: null, was: leg.typedLengthMm };
  return { kind: 'batch', title: `Route ${cable.tag} via ${title}`, edits: [lead, untype] };
}

/** True for a way that is at one corner twice. */
function comesBack(spots: readonly Spot[]): boolean {
  const corners = spots.map((spot) => spot.map((mm) => decimals(mm, 3)).join()).filter((corner, i, all) => corner !== all[i - 1]);
  return new Set(corners).size < corners.length;
}

/** How near a way passes a spot. */
function clearanceMm(spots: readonly Spot[], at: Spot): number {
  let least = Infinity;
  spots.slice(1).forEach((to, i) => {
    const from = spots[i] ?? to;
    const length = distanceMm(from, to);
    const steps = Math.max(1, Math.ceil(length / 10));
    for (let k = 0; k <= steps; k++) {
      const share = k / steps;
      const spot: Spot = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1]), from[2] + share * (to[2] - from[2])];
      least = Math.min(least, distanceMm(spot, at));
    }
  });
  return least;
}
