import { placedItems, type Graph, type ItemId, type OutlinePiece } from '@wired-falcon/core';
import { OutlineShape } from '../../drawing/OutlineShape.tsx';
import { fromTheSide, viewBoxText, type ViewBox } from '../../drawing/viewBoxes.ts';

interface SideDrawingProps {
  readonly graph: Graph;
  readonly pieces: readonly OutlinePiece[];
  readonly view: ViewBox;
  readonly selected: ItemId | undefined;
}

/** The aircraft from the right side, nose left: what lies above what. */
export function SideDrawing({ graph, pieces, view, selected }: SideDrawingProps) {
  return (
    <svg viewBox={viewBoxText(view)} className="block h-[92px] w-full" role="img" aria-label="Side view, nose left">
      <OutlineShape pieces={pieces} project={fromTheSide} />
      {[...placedItems(graph)]
        .sort((a, b) => a.place.at[1] - b.place.at[1])
        .map(({ item, place, half }) => (
          <rect
            key={item.id}
            x={place.at[0] - half[0]}
            y={-place.at[2] - half[2]}
            width={half[0] * 2}
            height={half[2] * 2}
            fill="var(--color-sheet)"
            fillOpacity={0.8}
            stroke={item.id === selected ? 'var(--color-rust)' : 'var(--color-ink)'}
            strokeWidth={item.id === selected ? 2 : 1}
            vectorEffect="non-scaling-stroke"
          >
            <title>{item.ref}</title>
          </rect>
        ))}
    </svg>
  );
}
