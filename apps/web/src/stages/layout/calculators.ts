import { contours } from 'd3-contour';
import { applyEdit, decimals, fieldMapSteps, graphOf, gridOver, type Design, type Edit, type MapGrid } from '@wired-falcon/core';
import type { ViewBox } from '../../drawing/viewBoxes.ts';
import type { AnyCalculator, Calculator, Steps } from '../../workers/calculator.ts';

/** What a map is asked for. */
export interface MapWish {
  readonly scenario: string;
  readonly waterMm: number;
  readonly window: ViewBox;
  /** A move that is under way and not made yet. */
  readonly moving: Edit | undefined;
}

/** A line of one field strength, as a path in mm: butt line to the right, station down. */
export interface ContourLine {
  readonly ut: number;
  readonly path: string;
  /** Spots on its longest ring beside which its label may stand, from the right to the left. */
  readonly labelSpots: readonly (readonly [x: number, y: number])[];
}

/** The strengths that are drawn, in microtesla: from what one sees in a heading to what spoils it. */
const STRENGTHS_UT = [0.2, 0.5, 1, 2, 5, 10, 20];
/** About so many spots of a line are offered for its label. */
const LABEL_SPOTS = 40;

/** The field of the supply wires at a height, as lines of equal strength. */
export const fieldMap: Calculator<'layout.field', MapWish, readonly ContourLine[]> = { id: 'layout.field', steps: fieldLines };

function* fieldLines(design: Design, { scenario, waterMm, window, moving }: MapWish): Steps<readonly ContourLine[]> {
  const made = moving === undefined ? undefined : applyEdit(design, moving);
  const graph = graphOf(made === undefined || 'refused' in made ? design : made.design);
  const grid = gridOver(window);
  return linesOf(yield* fieldMapSteps(graph, scenario, waterMm, grid), grid);
}

function linesOf(map: Float32Array, { columns, rows, stepMm, stationMm, buttMm }: MapGrid): readonly ContourLine[] {
  const at = ([x = 0, y = 0]: readonly number[]): readonly [number, number] => [
    buttMm + (x - 0.5) * stepMm,
    stationMm + (y - 0.5) * stepMm,
  ];
  return contours()
    .size([columns, rows])
    .thresholds(STRENGTHS_UT)([...map])
    .flatMap(({ value, coordinates }): ContourLine[] => {
      const rings = coordinates.flat();
      const longest = rings.reduce<readonly (readonly number[])[]>((most, ring) => (ring.length > most.length ? ring : most), []);
      if (longest.length === 0) return [];
      const path = rings
        .map(
          (ring) =>
            `M${ring
              .map((point) =>
                at(point)
                  .map((mm) => decimals(mm, 1))
                  .join(','),
              )
              .join('L')}Z`,
        )
        .join('');
      const apart = Math.max(1, Math.floor(longest.length / LABEL_SPOTS));
      const labelSpots = longest
        .filter((_, i) => i % apart === 0)
        .map(at)
        .sort(([x], [other]) => other - x);
      return [{ ut: value, path, labelSpots }];
    });
}

export const layoutCalculators: readonly AnyCalculator[] = [fieldMap];
