import type { SimpleEdit } from '../../../edits/registry.ts';
import type { Graph } from '../../../graph/graph.ts';
import { distanceToPiece, outlineOf } from '../../../layout/outline.ts';
import { placedItems, type PlacedItem } from '../../../layout/placedItems.ts';
import type { Spot } from '../../../model/frame.ts';

/** A part may stand out of a wing by this much: a mast, a pod, half a servo. */
export const BESIDE_MM = 40;

/** An item at another spot, turned as it is. */
export function moved({ item, place }: PlacedItem, at: Spot): SimpleEdit {
  return { kind: 'place-item', item: item.id, place: { ...place, at }, was: place };
}

/** An item at another spot, outside of any bay: on a mast, under a wing. */
export function movedOut({ item, place }: PlacedItem, at: Spot): SimpleEdit {
  const { bay: _left, ...rest } = place;
  return { kind: 'place-item', item: item.id, place: { ...rest, at }, was: place };
}

/** How far beside the outline of the airframe a spot lies, seen from above, in mm; 0 within, and where there is no airframe. */
export function besideAirframeMm(graph: Graph, at: Spot): number {
  const { kind, frame } = graph.design.aircraft.airframe;
  const plan = frame === undefined ? [] : outlineOf(kind, frame).plan;
  return plan.length === 0 ? 0 : Math.min(...plan.map((piece) => distanceToPiece([at[0], at[1]], piece)));
}

/** What a person would move first: the heaviest thing that is placed. */
export function heaviest(graph: Graph): PlacedItem | undefined {
  return [...placedItems(graph)].sort((a, b) => b.massG - a.massG || a.index - b.index)[0];
}
