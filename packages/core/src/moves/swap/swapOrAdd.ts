import type { Graph } from '../../graph/graph.ts';
import type { ItemId, PartKey } from '../../model/ids.ts';
import { addBoard } from './addBoard.ts';
import { swapBoard, type BoardSwap } from './boardSwap.ts';

/** A board in the place of a controller, or put in where there is none. @returns undefined where the part is no controller */
export function* swapOrAdd(graph: Graph, item: ItemId | undefined, part: PartKey): Generator<void, BoardSwap | undefined> {
  return item === undefined ? addBoard(graph, part) : yield* swapBoard(graph, item, part);
}
