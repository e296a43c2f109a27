import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { mountingOf, turningOfMounting } from '../../layout/mountingTurns.ts';
import { turned, turningOf, type Turning } from '../../layout/turning.ts';
import type { Spot } from '../../model/frame.ts';
import { MOUNTINGS } from '../../model/mounting.ts';
import { mainRack } from '../plan/racks.ts';
import { toldMounting } from './attitudeStep.ts';

/** How the controller lies, for the firmware and in the layout. */
export interface BoardLies {
  readonly entry: GraphItem;
  /** As the firmware is told, in words, with its code there. */
  readonly told: string;
  readonly code: string | undefined;
  /** Its axes in those of the aircraft: the rows give aft, right and up of what is aft, right and up of the board. */
  readonly turning: Turning;
  /** Where its arrow points, of the aircraft: aft, right, up. */
  readonly arrow: Spot;
  /** True where its labels face down: seen from above, left and right of them swap. */
  readonly isUpsideDown: boolean;
  /** True where the layout has it otherwise than the firmware is told; undefined as long as it is placed nowhere. */
  readonly isOtherwiseInLayout: boolean | undefined;
}

/** How the main controller lies; undefined where none has outputs. */
export function boardLies(graph: Graph): BoardLies | undefined {
  const entry = mainRack(graph)?.entry;
  if (entry === undefined) return undefined;
  const mounting = toldMounting(entry);
  const { place } = entry.item;
  // Askew in the layout it is drawn askew; the firmware knows square ways only.
  const turning = place === undefined ? turningOfMounting(mounting) : turningOf(place);
  return {
    entry,
    told: MOUNTINGS[mounting].title,
    code: dialectOf(graph.design)?.orientations[mounting]?.code,
    turning,
    arrow: turned([-1, 0, 0], turning),
    isUpsideDown: turned([0, 0, 1], turning)[2] < -0.5,
    isOtherwiseInLayout: place === undefined ? undefined : mountingOf(place) !== mounting,
  };
}
