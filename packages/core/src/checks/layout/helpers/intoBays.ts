import type { BatchEdit, SimpleEdit } from '../../../edits/registry.ts';
import type { Graph, GraphItem } from '../../../graph/graph.ts';
import { baysOf } from '../../../layout/bayAt.ts';
import { solvePack } from '../../../layout/balance.ts';
import type { BoxAt } from '../../../layout/freeSpot.ts';
import type { Place, Spot } from '../../../model/frame.ts';
import { LIMITS } from '../../../model/limits.ts';
import type { ResolvedPart } from '../../../model/part.ts';
import type { PartKind } from '../../../model/partKinds.ts';
import type { Remedy } from '../../finding.ts';
import { graphAfter } from '../../helpers/tryEdit.ts';
import { boxesOf, freePlaces, isWellAfter } from './otherBays.ts';

/** What does not lie in a bay: it sits where its work is, and only a person knows where. */
const SITS_ELSEWHERE: ReadonlySet<PartKind> = new Set<PartKind>([
  'motor',
  'servo',
  'gnss',
  'compass',
  'airspeed',
  'rangefinder',
  'camera',
  'light',
]);

/** Whether a part lies in a bay, as most do. */
export function liesInBay({ kind }: Pick<ResolvedPart, 'kind'>): boolean {
  return !SITS_ELSEWHERE.has(kind);
}

/** What flies and has no place yet. */
export function notYetPlaced({ items }: Graph): readonly GraphItem[] {
  return items.filter(({ item }) => item.where === 'aircraft' && item.place === undefined);
}

/**
 * Puts what is not placed into bays that one gets into, the heaviest first, each as near to where the aircraft is to balance as there is
 * room; a pack then where it balances the rest. What sits elsewhere, or finds no room, stays as it is.
 * @returns the edit; undefined when nothing can be placed
 */
export function intoBays(graph: Graph): BatchEdit | undefined {
  const open = notYetPlaced(graph);
  const frame = graph.design.aircraft.airframe.frame;
  const bays = baysOf(frame).filter(([, { access }]) => access !== 'closed');
  const [first] = bays;
  if (frame === undefined || first === undefined) return undefined;
  const boxes: BoxAt[] = [...boxesOf(graph)];
  const put = (part: ResolvedPart, at: Spot): Place | undefined => {
    const lying: Place = { at, turn: [0, 0, 0], yawDeg: 0, below: false };
    const [free] = freePlaces(bays, part, lying, boxes);
    if (free !== undefined) boxes.push({ at: free.place.at, half: free.half });
    return free?.place;
  };
  const middle: Spot = [frame.numbers.targetMm ?? first[1].at[0], 0, first[1].at[2]];
  const edits = [...open]
    .sort((a, b) => (b.part?.massG ?? 0) - (a.part?.massG ?? 0))
    .flatMap(({ item, part }): PlaceItem[] => {
      const place = part === undefined || !liesInBay(part) ? undefined : put(part, middle);
      return place === undefined ? [] : [{ kind: 'place-item', item: item.id, place, was: null }];
    });
  const [one, ...more] = edits;
  return one === undefined
    ? undefined
    : withPackMoved(graph, {
        kind: 'batch',
        title: 'Place the unplaced parts into bays',
        edits: [one, ...more].slice(0, LIMITS.editsPerBatch),
      });
}

type PlaceItem = Extract<SimpleEdit, { kind: 'place-item' }>;

/** With the pack, if it is among what is placed, where it balances the rest, as near as there is room. */
function withPackMoved(graph: Graph, edit: BatchEdit): BatchEdit {
  const after = graphAfter(graph, edit);
  const solved = after === undefined ? undefined : solvePack(after);
  if (after === undefined || solved === undefined) return edit;
  const { item, part, place } = solved.pack;
  const bays = baysOf(after.design.aircraft.airframe.frame).filter(([, { access }]) => access !== 'closed');
  const wanted: Place = { ...place, at: [solved.stationMm, place.at[1], place.at[2]] };
  const [free] = freePlaces(bays, part, wanted, boxesOf(after, item.id));
  if (free === undefined) return edit;
  return {
    ...edit,
    edits: edit.edits.map((one) => (one.kind === 'place-item' && one.item === item.id ? { ...one, place: free.place } : one)),
  };
}

/** The same as a remedy, where it places all that is open and the aircraft balances then. */
export function intoBaysRemedy(graph: Graph): readonly Remedy[] {
  const edit = intoBays(graph);
  if (edit === undefined || !isWellAfter(graph, edit, (after) => notYetPlaced(after).length === 0)) return [];
  const sentence = 'Place them where the bays have room, near the centre of gravity. Check the plan, and move what belongs elsewhere.';
  return [{ label: edit.edits.length === 1 ? 'Place it in a bay' : 'Place them in bays', sentence, edit }];
}
