import { BayIdSchema, decimals, hasShape, type BayId, type Flat, type FramePlan, type OutlinePiece } from '@wired-falcon/core';

/** How a point of the airframe comes to stand in a drawing. */
export type Projection = (point: Flat) => readonly [x: number, y: number];

/** From above, nose up: butt line to the right, station down. */
export const fromAbove: Projection = ([station, butt]) => [butt, station];

/** From the right side, nose left: station to the right, water line up. */
export const fromTheSide: Projection = ([station, water]) => [station, -water];

/** A window on a drawing, in mm. */
export interface ViewBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Around everything that is drawn, with a margin. */
export function aroundPieces(pieces: readonly OutlinePiece[], project: Projection): ViewBox {
  const points = pieces.flatMap((piece): readonly Flat[] => {
    switch (piece.is) {
      case 'polygon':
        return piece.points;
      case 'line':
        return [piece.a, piece.b];
      case 'disc':
        return [
          [piece.at[0] - piece.radius, piece.at[1] - piece.radius],
          [piece.at[0] + piece.radius, piece.at[1] + piece.radius],
        ];
    }
  });
  const flat = points.map(project);
  const [xs, ys] = [flat.map(([x]) => x), flat.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs, 0), Math.min(...ys, 0)];
  const margin = 0.03 * Math.max(Math.max(...xs, 1) - x, Math.max(...ys, 1) - y);
  return { x: x - margin, y: y - margin, width: Math.max(...xs, 1) - x + 2 * margin, height: Math.max(...ys, 1) - y + 2 * margin };
}

/** A bay from above, with what is around it. */
export function aroundBay({ bays }: FramePlan, id: BayId): ViewBox | undefined {
  const bay = bays[id];
  if (bay === undefined) return undefined;
  const [length, width] = bay.sizeMm;
  const margin = 0.15 * Math.max(length, width);
  return { x: bay.at[1] - width / 2 - margin, y: bay.at[0] - length / 2 - margin, width: width + 2 * margin, height: length + 2 * margin };
}

/** The bay of a frame with this id, as it was chosen from a list. */
export function bayNamed({ bays }: FramePlan, text: string): BayId | undefined {
  return hasShape(BayIdSchema, text) && bays[text] !== undefined ? text : undefined;
}

export function viewBoxText({ x, y, width, height }: ViewBox): string {
  return [x, y, width, height].map((value) => decimals(value, 1)).join(' ');
}
