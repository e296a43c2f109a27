import { useEffect, useMemo, useRef, useState } from 'react';
import {
  balanceOf,
  compassesInUse,
  intoBays,
  liesInBay,
  notYetPlaced,
  outlineOf,
  placedItems,
  scenariosOf,
  solvePack,
  type Edit,
  type FramePlan,
  type Graph,
  type PackSolution,
  type PlacedItem,
  type Spot,
  stated,
} from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useDesign, useGraph, useMake } from '../../session/SessionContext.tsx';
import { downloadText } from '../../ui/download.ts';
import { svgFile } from '../../ui/svgFile.ts';
import { BalanceStrip } from './BalanceStrip.tsx';
import { graphWith, placeEdit } from './moving.ts';
import { PlaceBar } from './PlaceBar.tsx';
import { PLAN_LABEL, PlanDrawing } from './PlanDrawing.tsx';
import { SideDrawing } from './SideDrawing.tsx';
import { aroundBay, aroundPieces, bayNamed, fromAbove, fromTheSide } from '../../drawing/viewBoxes.ts';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useFieldMap } from './useFieldMap.ts';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** Where everything sits: the plan to scale, live balance, cables on their ways. */
export function LayoutView() {
  const design = useDesign();
  const { frame } = design.aircraft.airframe;
  return frame === undefined ? null : <Plan frame={frame} />;
}

function Plan({ frame }: { readonly frame: FramePlan }) {
  const { read } = useReadersUnits();
  const design = useDesign();
  const make = useMake();
  const graph = useGraph();
  const { selection, select } = useSelection();
  const [zoom, setZoom] = useState('');
  const [showsCables, setShowsCables] = useState(false);
  const [fieldIn, setFieldIn] = useState('');
  const [moved, setMoved] = useState<{ readonly entry: PlacedItem; readonly at: Spot }>();
  const moving = useMemo(
    () => (moved === undefined ? undefined : placeEdit(moved.entry.item, { ...moved.entry.place, at: moved.at })),
    [moved],
  );
  const shown = useMemo(() => graphWith(design, moving), [design, moving]);
  const situations = scenariosOf(design.aircraft).filter(({ charge, isJammed }) => charge !== undefined && isJammed !== true);
  const fieldMm = compassesInUse(graph)[0]?.place.at[2] ?? 50;
  const { kind } = design.aircraft.airframe;
  const outline = useMemo(() => outlineOf(kind, frame), [kind, frame]);
  const whole = aroundPieces(outline.plan, fromAbove);
  const bay = bayNamed(frame, zoom);
  const view = (bay === undefined ? undefined : aroundBay(frame, bay)) ?? whole;
  const field = useFieldMap(fieldIn === '' ? undefined : fieldIn, fieldMm, view, moving);
  const pack = solvePack(graph);
  const selected = selection.is === 'item' ? selection.item : undefined;
  const item = selected === undefined ? undefined : design.aircraft.items[selected];
  const flying = graph.items.filter((entry) => entry.item.where === 'aircraft');
  const takePack = (): void => {
    if (pack !== undefined) make(packEdit(pack));
  };
  useTakeKey(takePack);
  const page = useRef<HTMLDivElement>(null);
  // Full size, in millimetres.
  const savePlan = (): void => {
    const drawing = page.current?.querySelector<SVGSVGElement>(`svg[aria-label="${PLAN_LABEL}"]`);
    const title = `${design.aircraft.name} plan`;
    if (drawing != null) downloadText(`${title}.svg`, svgFile(drawing, title, 'mm'), 'image/svg+xml');
  };
  return (
    <div ref={page} className="grid h-full grid-rows-[auto_minmax(0,1fr)_auto_auto] gap-2 px-5 py-3" data-testid="layout">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h2 className="sr-only">Layout</h2>
        <BalanceStrip
          frame={frame}
          balance={balanceOf(shown)}
          pack={pack}
          placed={placedItems(graph).length}
          all={flying.length}
          onTakePack={takePack}
        />
        <span className="flex items-center gap-4 text-[13px]">
          <label className="flex items-center gap-1">
            <input type="checkbox" checked={showsCables} onChange={(event) => setShowsCables(event.target.checked)} />
            cables
          </label>
          <button type="button" className="action" onClick={savePlan}>
            SVG
          </button>
          <label className="flex items-center gap-1">
            field, uT at {read(stated(fieldMm, 'mm'))}
            <select className="field" value={fieldIn} onChange={(event) => setFieldIn(event.target.value)}>
              <option value="">off</option>
              {situations.map(({ id, title }) => (
                <option key={id} value={id}>
                  {title}
                </option>
              ))}
            </select>
          </label>
          <label className="flex items-center gap-1">
            Show
            <select className="field" value={zoom} onChange={(event) => setZoom(event.target.value)}>
              <option value="">whole aircraft</option>
              {Object.entries(frame.bays).map(([id, { title }]) => (
                <option key={id} value={id}>
                  {title}
                </option>
              ))}
            </select>
          </label>
        </span>
      </div>
      <NotComputed what="The field of this version could not be computed" failure={field.failure} />
      <PlanDrawing
        graph={shown}
        frame={frame}
        outline={outline.plan}
        view={view}
        balance={balanceOf(shown)}
        pack={pack}
        selected={selected}
        chosen={selection.is === 'item' || selection.is === 'cable' ? selection : undefined}
        showsCables={showsCables}
        field={fieldIn === '' ? undefined : { drawn: field.drawn }}
        onSelect={(id) => select({ is: 'item', item: id })}
        onDrag={setMoved}
        onPlace={(entry, place) => void make(placeEdit(entry.item, place))}
      />
      <SideDrawing graph={shown} pieces={outline.side} view={aroundPieces(outline.side, fromTheSide)} selected={selected} />
      <div>
        <NotPlaced graph={graph} onSelect={(id) => select({ is: 'item', item: id })} />
        {item === undefined ? (
          <p className="border-t border-rule pt-2 text-[13px] text-ink2">
            Choose a part to type its place. Arrow keys move it by {read(stated(5, 'mm'))}, with <kbd className="key">Shift</kbd> by{' '}
            {read(stated(1, 'mm'))}; <kbd className="key">r</kbd> turns it.
          </p>
        ) : (
          <PlaceBar key={item.id} item={item} frame={frame} massG={graph.items.find((entry) => entry.item.id === item.id)?.part?.massG} />
        )}
      </div>
    </div>
  );
}

function packEdit({ pack, reachableMm }: PackSolution): Edit {
  return placeEdit(pack.item, { ...pack.place, at: [Math.round(reachableMm), pack.place.at[1], pack.place.at[2]] });
}

/** One key takes the solved place of the pack, unless somebody is typing. */
function useTakeKey(take: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const isTyping = event.target instanceof HTMLElement && event.target.closest('input, select, textarea') !== null;
      if (event.key === 'b' && !isTyping && !event.ctrlKey && !event.metaKey && !event.altKey) take();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}

interface NotPlacedProps {
  readonly graph: Graph;
  readonly onSelect: (id: PlacedItem['item']['id']) => void;
}

/** What has no place yet, to be chosen and put into a bay; and all that lies in bays at once. */
function NotPlaced({ graph, onSelect }: NotPlacedProps) {
  const make = useMake();
  const open = notYetPlaced(graph);
  const [foundFull, setFoundFull] = useState<Graph>();
  const put = (): void => {
    const edit = intoBays(graph);
    if (edit === undefined) setFoundFull(graph);
    else make(edit);
  };
  if (open.length === 0) return null;
  return (
    <p className="mb-2 flex flex-wrap items-center gap-x-2 text-[13px]" data-testid="not-placed">
      <span className="text-ink2">Not placed yet:</span>
      {open.map(({ item }) => (
        <button key={item.id} type="button" className="value underline" onClick={() => onSelect(item.id)}>
          {item.ref}
        </button>
      ))}
      {open.some(({ part }) => part !== undefined && liesInBay(part)) && (
        <button type="button" className="action" onClick={put}>
          Place in bays
        </button>
      )}
      {foundFull === graph && (
        <span role="alert" className="text-rust">
          No accessible bay has room for these parts.
        </span>
      )}
    </p>
  );
}
