import type { OutlinePiece } from '@wired-falcon/core';
import { aroundPieces, viewBoxText, type Projection } from './viewBoxes.ts';

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

interface OutlinePictureProps {
  readonly pieces: readonly OutlinePiece[];
  readonly project: Projection;
  readonly label: string;
  readonly className: string;
}

/** An airframe by itself, as large as it fits. */
export function OutlinePicture({ pieces, project, label, className }: OutlinePictureProps) {
  return (
    <svg viewBox={viewBoxText(aroundPieces(pieces, project))} className={className} role="img" aria-label={label}>
      <OutlineShape pieces={pieces} project={project} />
    </svg>
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
