import type { Severity } from '@wired-falcon/core';
import { SeverityShape } from '../../ui/SeverityMark.tsx';
import { TAG, type TagPlace } from './sheetPlaces.ts';
import { pressKeys } from './pressKeys.ts';

interface TagDrawingProps {
  readonly place: TagPlace;
  readonly text: string;
  readonly mark: Severity | undefined;
  readonly isChosen: boolean;
  readonly stop: { readonly tabIndex: number; readonly ref: (element: SVGElement | null) => void; readonly onFocus: () => void };
  readonly onChoose: () => void;
}

/** A cable's tag, with the mark of its worst finding. */
export function TagDrawing({ place, text, mark, isChosen, stop, onChoose }: TagDrawingProps) {
  return (
    <g
      transform={`translate(${place.x} ${place.y})`}
      role="button"
      aria-label={`Cable ${text}${mark === undefined ? '' : `, ${mark}`}`}
      aria-pressed={isChosen}
      className="cursor-pointer"
      {...stop}
      onClick={onChoose}
      onKeyDown={pressKeys(onChoose)}
    >
      <rect width={TAG.width} height={TAG.height} fill={isChosen ? 'var(--color-ink)' : 'var(--color-sheet)'} stroke="var(--color-ink)" />
      <text
        x={TAG.width / 2}
        y={11}
        textAnchor="middle"
        fontSize="11"
        className="font-mono"
        fill={isChosen ? 'var(--color-sheet)' : 'var(--color-ink)'}
      >
        {text}
      </text>
      {mark !== undefined && (
        <g transform={`translate(${TAG.width + 3} 2) scale(0.9)`} aria-hidden="true">
          <SeverityShape severity={mark} colour="var(--color-rust)" />
        </g>
      )}
    </g>
  );
}
