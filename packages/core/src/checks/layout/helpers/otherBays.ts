import { coordinates } from '../../../text/numbers.ts';
import type { Edit, SimpleEdit } from '../../../edits/registry.ts';
import type { Graph } from '../../../graph/graph.ts';
import { baysOf } from '../../../layout/bayAt.ts';
import { freeSpot, type BoxAt } from '../../../layout/freeSpot.ts';
import { distanceMm, halfOf, placedItems, type PlacedItem } from '../../../layout/placedItems.ts';
import { BAY_ACCESS, type Bay, type BayAccess, type BayId, type Place, type Spot } from '../../../model/frame.ts';
import type { ItemId } from '../../../model/ids.ts';
import type { ResolvedPart } from '../../../model/part.ts';
import { SEVERITIES, type Remedy } from '../../finding.ts';
import { graphAfter } from '../../helpers/tryEdit.ts';
import { centreOfGravity } from '../balance.ts';

/** A free place in a bay, and how far it is from where the item was wanted. */
interface FreePlace {
  readonly bay: Bay;
  readonly place: Place & { readonly bay: BayId };
  readonly half: Spot;
  readonly awayMm: number;
}

/**
 * The free places of bays, each the nearest of its bay, to whole millimetres; the nearest bay first.
 * @param wanted where it would lie best, and how it is turned
 * @param boxes what is placed already, in bays and beside them
 */
export function freePlaces(
  bays: readonly (readonly [BayId, Bay])[],
  { sizeMm }: ResolvedPart,
  wanted: Place,
  boxes: readonly BoxAt[],
): readonly FreePlace[] {
  const half = halfOf(sizeMm, wanted);
  return bays
    .flatMap(([id, bay]): FreePlace[] => {
      const spot = freeSpot(boxes, half, bay, wanted.at);
      return spot === undefined
        ? []
        : [{ bay, place: { ...wanted, bay: id, at: rounded(spot) }, half, awayMm: distanceMm(spot, wanted.at) }];
    })
    .sort((a, b) => a.awayMm - b.awayMm);
}

/** The boxes of what is placed, without one item. */
export function boxesOf(graph: Graph, without?: ItemId): readonly BoxAt[] {
  return placedItems(graph).flatMap(({ item, place: { at }, half }) => (item.id === without ? [] : [{ at, half }]));
}

function rounded([station, butt, water]: Spot): Spot {
  return [Math.round(station), Math.round(butt), Math.round(water)];
}

/** An item into the nearest bay that suits and has room for it, where that makes it well and the aircraft still balances. */
export function intoOtherBay(
  graph: Graph,
  entry: PlacedItem,
  suits: (bay: Bay) => boolean,
  isWell: (after: Graph) => boolean,
): readonly Remedy[] {
  const { item, part, place: was } = entry;
  const bays = baysOf(graph.design.aircraft.airframe.frame).filter(([, bay]) => suits(bay));
  const found = freePlaces(bays, part, was, boxesOf(graph, item.id))
    .map(({ bay, place }) => ({ bay, edit: { kind: 'place-item' as const, item: item.id, place, was } }))
    .find(({ edit }) => isWellAfter(graph, edit, isWell));
  if (found === undefined) return [];
  const { bay, edit } = found;
  const sentence = `Move ${item.ref} to ${coordinates(edit.place.at, 'mm')} in the bay "${bay.title}" (${BAY_ACCESS[bay.access]}), where it has room.`;
  return [{ label: `Move ${item.ref} to "${bay.title}"`, sentence, edit }];
}

/** Another way into a bay, where that makes it well. */
export function otherAccess(
  graph: Graph,
  id: BayId,
  access: BayAccess,
  label: string,
  isWell: (after: Graph) => boolean,
): readonly Remedy[] {
  const was = graph.design.aircraft.airframe.frame?.bays[id];
  if (was === undefined) return [];
  const edit: SimpleEdit = { kind: 'set-bay', id, bay: { ...was, access }, was };
  if (!isWellAfter(graph, edit, isWell)) return [];
  return [{ label, sentence: `Change the access of the bay "${was.title}": ${BAY_ACCESS[access]}.`, edit }];
}

/** Whether an edit is possible, makes it well, and does not make the balance worse than it is. */
export function isWellAfter(graph: Graph, edit: Edit, isWell: (after: Graph) => boolean): boolean {
  const after = graphAfter(graph, edit);
  return after !== undefined && isWell(after) && balanceRank(after) >= balanceRank(graph);
}

/** How bad the balance is: the lower, the worse. */
function balanceRank(graph: Graph): number {
  return Math.min(SEVERITIES.length, ...centreOfGravity.run({ graph }).map(({ severity }) => SEVERITIES.indexOf(severity)));
}
