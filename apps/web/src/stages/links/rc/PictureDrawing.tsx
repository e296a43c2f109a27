import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { OSD_FIELDS, type FieldPlan, type FieldRow, type OsdField, type OsdSpot, type PictureGrid } from '@wired-falcon/core';
import { useRcEdits } from './useRcEdits.ts';

/** Pixels of a character. */
const CELL = { width: 16, height: 24 } as const;
const MOST_WIDTH = 860;
/** How wide a character of the typeface is, as a share of its size. */
const CHAR_SHARE = 0.6;

interface PictureDrawingProps {
  readonly plan: FieldPlan;
  readonly grid: PictureGrid;
  readonly chosen: OsdField | undefined;
  readonly onChoose: (field: OsdField) => void;
}

/** The character grid with its fields where the pilot sees them. A field is moved by the pointer or by the arrow keys, and taken off by Delete. */
export function PictureDrawing({ plan, grid, chosen, onChoose }: PictureDrawingProps) {
  const scale = Math.min(1, MOST_WIDTH / (grid.cols * CELL.width));
  const [width, height] = [CELL.width * scale, CELL.height * scale];
  const shown = plan.rows.filter(({ spot }) => spot !== undefined);
  const { margin } = grid;
  return (
    <div
      role="group"
      aria-label={`Picture, ${grid.cols} columns and ${grid.rows} lines; ${shown.length} fields. Arrow keys move a field, Delete removes it.`}
      className="relative mt-3 overflow-hidden border border-ink bg-white"
      style={{
        width: grid.cols * width + 2,
        height: grid.rows * height + 2,
        backgroundImage:
          'linear-gradient(to right, var(--color-grid) 1px, transparent 1px), linear-gradient(to bottom, var(--color-grid) 1px, transparent 1px)',
        backgroundSize: `${width}px ${height}px`,
      }}
      data-testid="picture-grid"
    >
      {margin > 0 && (
        <span
          aria-hidden="true"
          className="pointer-events-none absolute border border-dashed border-ink2"
          style={{ left: margin * width, top: margin * height, right: margin * width, bottom: margin * height }}
        />
      )}
      {shown.map((row) => (
        <FieldBox
          key={row.field}
          row={row}
          grid={grid}
          cell={{ width, height }}
          isChosen={chosen === row.field}
          onChoose={() => onChoose(row.field)}
        />
      ))}
    </div>
  );
}

interface FieldBoxProps {
  readonly row: FieldRow;
  readonly grid: PictureGrid;
  readonly cell: { readonly width: number; readonly height: number };
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

function FieldBox({ row: { field, spot, faults, source }, grid, cell, isChosen, onChoose }: FieldBoxProps) {
  const { setOsdField } = useRcEdits();
  const [drag, setDrag] = useState<{ readonly from: readonly [number, number]; readonly spot: OsdSpot }>();
  if (spot === undefined) return null;
  const { title, sample, width } = OSD_FIELDS[field];
  const inside = ({ col, row }: OsdSpot): OsdSpot => ({
    col: Math.min(Math.max(col, 0), Math.max(grid.cols - width, 0)),
    row: Math.min(Math.max(row, 0), grid.rows - 1),
  });
  const save = (next: OsdSpot): void => {
    if (next.col !== spot.col || next.row !== spot.row) setOsdField(field, next);
  };
  const keys = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (event.key === 'Delete' || event.key === 'Backspace') setOsdField(field, null);
    else if (step !== undefined) save(inside({ col: spot.col + step[0], row: spot.row + step[1] }));
    else return;
    event.preventDefault();
  };
  const follow = (event: PointerEvent): OsdSpot | undefined =>
    drag === undefined
      ? undefined
      : inside({
          col: spot.col + Math.round((event.clientX - drag.from[0]) / cell.width),
          row: spot.row + Math.round((event.clientY - drag.from[1]) / cell.height),
        });
  const at = drag?.spot ?? spot;
  const isWrong = !source.isThere || faults.some(({ is }) => is !== 'at-edge');
  return (
    <button
      type="button"
      data-field={field}
      data-at={`${spot.col} ${spot.row}`}
      aria-label={`${title}, column ${spot.col + 1}, line ${spot.row + 1}${source.isThere ? '' : ', no source'}${faults.map(({ is }) => `, ${FAULT_WORDS[is]}`).join('')}`}
      title={title}
      className={`absolute touch-none overflow-hidden border text-left font-mono leading-none whitespace-pre ${isWrong ? 'border-rust text-rust' : 'border-ink2'} ${isChosen ? 'bg-ink text-sheet' : 'bg-sheet'}`}
      style={{
        left: at.col * cell.width,
        top: at.row * cell.height,
        width: width * cell.width,
        height: cell.height,
        // One character a cell: the typeface is six tenths of its size wide.
        fontSize: cell.width,
        letterSpacing: cell.width * (1 - CHAR_SHARE),
        paddingLeft: (cell.width * (1 - CHAR_SHARE)) / 2,
      }}
      onClick={onChoose}
      onFocus={onChoose}
      onKeyDown={keys}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrag({ from: [event.clientX, event.clientY], spot });
      }}
      onPointerMove={(event) => {
        const next = follow(event);
        if (next !== undefined && drag !== undefined) setDrag({ ...drag, spot: next });
      }}
      onPointerUp={(event) => {
        const next = follow(event);
        setDrag(undefined);
        if (next !== undefined) save(next);
      }}
      onPointerCancel={() => setDrag(undefined)}
    >
      {sample.slice(0, width)}
    </button>
  );
}

const FAULT_WORDS = { outside: 'outside the picture', overlaps: 'over another field', 'at-edge': 'at an edge that is cut' } as const;
