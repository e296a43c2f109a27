import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
  halfOf,
  inBayOfSpot,
  placedItems,
  type Balance,
  type FramePlan,
  type Graph,
  type ItemId,
  type OutlinePiece,
  type PackSolution,
  type PlacedItem,
  type Place,
  type Spot,
} from '@wired-falcon/core';
import { CableWays, WayLengths, type WaysOf } from './CableWays.tsx';
import { FieldLayer, type FieldLayerProps } from './FieldLayer.tsx';
import { snapped, stepped, turnedOnce } from './moving.ts';
import { OutlineShape } from '../../drawing/OutlineShape.tsx';
import { boxOfLabel } from './labelBoxes.ts';
import { boxOf, partLabels } from './partLabels.ts';
import { PartNames } from './PartNames.tsx';
import { AntennaAxes, BalanceMark, Ghost, ScaleBar } from './PlanMarks.tsx';
import { fromAbove, viewBoxText, type ViewBox } from '../../drawing/viewBoxes.ts';
import { useReadersUnits } from '../../ui/readersUnits.ts';

interface PlanDrawingProps {
  readonly graph: Graph;
  readonly frame: FramePlan;
  readonly outline: readonly OutlinePiece[];
  readonly view: ViewBox;
  readonly balance: Balance | undefined;
  readonly pack: PackSolution | undefined;
  readonly selected: ItemId | undefined;
  /** The part or cable whose ways are written with their lengths. */
  readonly chosen: WaysOf | undefined;
  readonly showsCables: boolean;
  /** The situation whose field is drawn, and the height; a move that is under way with it. */
  readonly field: Pick<FieldLayerProps, 'drawn'> | undefined;
  readonly onSelect: (item: ItemId) => void;
  /** While a part is dragged; undefined when that ends without a move. */
  readonly onDrag: (moved: { readonly entry: PlacedItem; readonly at: Spot } | undefined) => void;
  readonly onPlace: (entry: PlacedItem, place: Place) => void;
}

/** What the plan is called, for those who do not see it. */
export const PLAN_LABEL = 'Plan view, nose up';

/** The aircraft from above, nose up, to scale: bays, cables on their ways, parts as they lie, and where it balances. */
export function PlanDrawing(props: PlanDrawingProps) {
  const { graph, frame, outline, view, balance, pack, selected, chosen, showsCables } = props;
  const svg = useRef<SVGSVGElement>(null);
  const drag = usePlanDrag(svg, props);
  const letterMm = Math.max(view.width * 0.012, view.height * 0.025);
  const parts = [...placedItems(graph)].sort((a, b) => a.place.at[2] - b.place.at[2]);
  const names = partLabels(parts, view, letterMm);
  const taken = names.map((name) => boxOfLabel(name, letterMm));
  const onKeyDown = (entry: PlacedItem) => (event: KeyboardEvent) => {
    const at = stepped(entry.place.at, event.key, event.shiftKey);
    const place = at !== undefined ? inBayOfSpot(frame, { ...entry.place, at }) : event.key === 'r' ? turnedOnce(entry.place) : undefined;
    if (place !== undefined) {
      event.preventDefault();
      props.onPlace(entry, place);
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      props.onSelect(entry.item.id);
    }
  };
  return (
    <svg
      ref={svg}
      viewBox={viewBoxText(view)}
      className="block h-full w-full touch-none"
      role="group"
      aria-label={PLAN_LABEL}
      onPointerMove={drag.move}
      onPointerUp={drag.end}
      onPointerCancel={drag.cancel}
    >
      <OutlineShape pieces={outline} project={fromAbove} />
      {Object.entries(frame.bays).map(([id, { title, at, sizeMm }]) => (
        <g key={id} aria-hidden="true">
          <rect
            x={at[1] - sizeMm[1] / 2}
            y={at[0] - sizeMm[0] / 2}
            width={sizeMm[1]}
            height={sizeMm[0]}
            fill="none"
            stroke="var(--color-rule)"
            vectorEffect="non-scaling-stroke"
          />
          <title>{title}</title>
        </g>
      ))}
      {props.field !== undefined && <FieldLayer {...props.field} letterMm={letterMm} taken={[...taken, ...parts.map(boxOf)]} />}
      <CableWays graph={graph} chosen={chosen} showsAll={showsCables} />
      <AntennaAxes graph={graph} sizeMm={letterMm} />
      {pack !== undefined && <Ghost solution={pack} />}
      {parts.map((entry) => (
        <Part
          key={entry.item.id}
          entry={entry}
          isSelected={entry.item.id === selected}
          onPointerDown={drag.start(entry)}
          onKeyDown={onKeyDown(entry)}
        />
      ))}
      <PartNames labels={names} letterMm={letterMm} selected={selected} onSelect={props.onSelect} />
      <WayLengths graph={graph} chosen={chosen} letterMm={letterMm} taken={taken} />
      <ScaleBar view={view} letterMm={letterMm} />
      {balance !== undefined && <BalanceMark balance={balance} frame={frame} sizeMm={letterMm} />}
    </svg>
  );
}

/** Picking up, moving and putting down by pointer. A press without a move only selects. */
function usePlanDrag(svg: React.RefObject<SVGSVGElement | null>, { frame, onSelect, onDrag, onPlace }: PlanDrawingProps) {
  const [held, setHeld] = useState<{ entry: PlacedItem; from: readonly [number, number]; at: Spot }>();
  const pointOf = (event: PointerEvent): readonly [number, number] | undefined => {
    const matrix = svg.current?.getScreenCTM();
    if (matrix === null || matrix === undefined) return undefined;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return [x, y];
  };
  return {
    start: (entry: PlacedItem) => (event: PointerEvent) => {
      const from = pointOf(event);
      if (from === undefined || event.button !== 0) return;
      onSelect(entry.item.id);
      svg.current?.setPointerCapture(event.pointerId);
      setHeld({ entry, from, at: entry.place.at });
    },
    move: (event: PointerEvent): void => {
      const to = pointOf(event);
      if (held === undefined || to === undefined) return;
      const [station, butt, water] = held.entry.place.at;
      const at = snapped([station + to[1] - held.from[1], butt + to[0] - held.from[0], water], event.shiftKey, held.entry.half, frame);
      setHeld({ ...held, at });
      onDrag({ entry: held.entry, at });
    },
    end: (): void => {
      if (held === undefined) return;
      setHeld(undefined);
      onDrag(undefined);
      if (held.at.some((value, axis) => value !== held.entry.place.at[axis]))
        onPlace(held.entry, inBayOfSpot(frame, { ...held.entry.place, at: held.at }));
    },
    cancel: (): void => {
      setHeld(undefined);
      onDrag(undefined);
    },
  };
}

interface PartProps {
  readonly entry: PlacedItem;
  readonly isSelected: boolean;
  readonly onPointerDown: (event: PointerEvent) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/** A part as its real outline from above. */
function Part({ entry, isSelected, onPointerDown, onKeyDown }: PartProps) {
  const { item, part, place } = entry;
  const half = halfOf(part.sizeMm, { ...place, yawDeg: 0 });
  const [station, butt, water] = place.at;
  const { asTyped } = useReadersUnits();
  return (
    <g
      role="button"
      tabIndex={0}
      data-item={item.ref}
      aria-label={`${item.ref}, station ${asTyped(station, 'mm')}, butt line ${asTyped(butt, 'mm')}, water line ${asTyped(water, 'mm')}`}
      aria-pressed={isSelected}
      transform={`translate(${butt} ${station}) rotate(${place.yawDeg})`}
      className="cursor-grab outline-none focus-visible:[&>rect]:stroke-rust focus-visible:[&>rect]:[stroke-width:3]"
      onPointerDown={onPointerDown}
      onKeyDown={onKeyDown}
    >
      <title>{`${item.ref} ${item.label ?? part.name}`}</title>
      <rect
        x={-half[1]}
        y={-half[0]}
        width={half[1] * 2}
        height={half[0] * 2}
        fill="var(--color-sheet)"
        fillOpacity={0.85}
        stroke={isSelected ? 'var(--color-rust)' : 'var(--color-ink)'}
        strokeWidth={isSelected ? 2.5 : 1.2}
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}
