import type { Flat, OutlinePiece } from '@wired-falcon/core';

/** How a point of the airframe comes to stand in a drawing. */
export type Projection = (point: Flat) => readonly [x: number, y: number];

/** From above, nose up: butt line to the right, station down. */
export const fromAbove: Projection = ([station, butt]) => [butt, station];

/** From the right side, nose left: station to the right, water line up. */
export const fromTheSide: Projection = ([station, water]) => [station, -water];

/** The outline of an airframe in thin ink: surfaces filled a little, propellers and booms as lines. */
export function OutlineShape({ pieces, project }: { readonly pieces: readonly OutlinePiece[]; readonly project: Projection }) {
  return (
    <g aria-hidden="true" fill="none" stroke="var(--color-ink2)" strokeWidth={1}>
      {pieces.map((piece, i) => (
        <Piece key={i} piece={piece} project={project} />
      ))}
    </g>
  );
}

function Piece({ piece, project }: { readonly piece: OutlinePiece; readonly project: Projection }) {
  switch (piece.is) {
    case 'polygon':
      return (
        <polygon
          points={piece.points.map((point) => project(point).join(',')).join(' ')}
          fill={piece.what === 'body' ? 'var(--color-white)' : 'var(--color-grid)'}
          vectorEffect="non-scaling-stroke"
        />
      );
    case 'disc': {
      const [x, y] = project(piece.at);
      return <circle cx={x} cy={y} r={piece.radius} strokeDasharray="4 3" vectorEffect="non-scaling-stroke" />;
    }
    case 'line': {
      const [[x1, y1], [x2, y2]] = [project(piece.a), project(piece.b)];
      return (
        <line
          x1={x1}
          y1={y1}
          x2={x2}
          y2={y2}
          strokeWidth={piece.what === 'propeller' ? 1.5 : 3}
          strokeDasharray={piece.what === 'propeller' ? '4 3' : undefined}
          vectorEffect="non-scaling-stroke"
        />
      );
    }
  }
}
