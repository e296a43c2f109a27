import { useMemo, useRef, useState } from 'react';
import { findPin, joinVerdict, pinName, sheetModel, type Graph, type ItemId, type PinAddress } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { useGraph, useSessionState } from '../../session/SessionContext.tsx';
import { downloadText } from '../../ui/download.ts';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { svgFile } from '../../ui/svgFile.ts';
import { useSheetLayout } from './sheetLayout/useSheetLayout.ts';
import { SheetDrawing } from './SheetDrawing.tsx';
import { ScopeControls } from './ScopeControls.tsx';
import { useSheetScope } from './useSheetScope.ts';
import { UnpluggedStrip } from './UnpluggedStrip.tsx';
import { UnwiredStrip } from './UnwiredStrip.tsx';
import { usePinPick } from './usePinPick.ts';

/** The wiring sheet: every cable of the aircraft, laid out by itself; pins are chosen and joined on it. */
export function WiringView() {
  const graph = useGraph();
  const { design, seq } = useSessionState();
  const scope = useSheetScope(graph);
  const model = useMemo(() => sheetModel(graph, scope.value), [graph, scope.value]);
  const { shown: laidOut, failure } = useSheetLayout(model, seq);
  const { selection } = useSelection();
  const [pointedAt, setPointedAt] = useState<PinAddress>();
  const pick = usePinPick(graph);
  const picked = selection.is === 'pin' ? selection.pin : undefined;
  const sheet = useRef<HTMLDivElement>(null);
  const saveDrawing = (): void => {
    const drawing = sheet.current?.querySelector<SVGSVGElement>('svg[aria-label="Wiring sheet"]');
    const title = `${design.aircraft.name}, wiring sheet`;
    if (drawing != null) downloadText(`${title}.svg`, svgFile(drawing, title), 'image/svg+xml');
  };
  if (graph.items.length === 0) return <EmptySheet />;
  return (
    <div
      ref={sheet}
      className="relative flex min-h-full flex-col bg-[linear-gradient(var(--color-grid)_1px,transparent_1px),linear-gradient(90deg,var(--color-grid)_1px,transparent_1px)] bg-[size:20px_20px]"
      data-layout-seq={laidOut?.seq ?? 0}
      data-testid="wiring"
    >
      <h2 className="sr-only">Wiring sheet</h2>
      <NotComputed what="The sheet of this version could not be laid out" failure={failure} />
      <div className="flex w-full grow justify-center">
        {laidOut === undefined && failure !== undefined ? null : laidOut === undefined ? (
          <p className="p-6 text-ink2">Laying the sheet out ...</p>
        ) : (
          <SheetDrawing graph={graph} laidOut={laidOut} picked={picked} onPick={pick} onPoint={setPointedAt} />
        )}
      </div>
      <UnwiredStrip graph={graph} items={model.unwired} picked={picked} onPick={pick} onPoint={setPointedAt} />
      <UnpluggedStrip graph={graph} />
      {/* Its height is fixed: a line more would move what is under the pointer. */}
      <div className="no-print sticky bottom-0 flex h-11 items-center gap-3 border-t border-rule bg-sheet px-4">
        <p role="status" className="value line-clamp-2 grow leading-tight text-ink2" data-testid="pin-status">
          {statusText(graph, picked, pointedAt)}
          {picked === undefined && pointedAt === undefined && unwiredText(graph, model.unwired)}
        </p>
        <div className="flex shrink-0 items-center gap-1.5 text-[13px]">
          <ScopeControls scope={scope} graph={graph} />
          <button type="button" className="action py-0.5 font-normal" disabled={laidOut === undefined} onClick={saveDrawing}>
            SVG
          </button>
          <button type="button" className="action py-0.5 font-normal" onClick={() => window.print()}>
            Print
          </button>
        </div>
      </div>
    </div>
  );
}

/** What the pin under the pointer or the cursor is, and whether the chosen pin matches it. */
function statusText(graph: Graph, picked: PinAddress | undefined, pointedAt: PinAddress | undefined): string {
  const at = pointedAt === undefined ? undefined : findPin(graph, pointedAt);
  const from = picked === undefined ? undefined : findPin(graph, picked);
  if (at === undefined)
    return from === undefined ? 'Choose a pin to connect it, or a cable to open it.' : `${pinName(from)}: choose its counterpart.`;
  if (from === undefined || from.itemIx === at.itemIx) return pinName(at);
  const verdict = joinVerdict(graph, from, at);
  const word = verdict.is === 'good' ? 'matches' : verdict.is === 'harmful' ? 'would be damaged at' : 'does not match';
  return `${pinName(from)} ${word} ${pinName(at)}. ${verdict.why}`;
}

/** Says that there is something below the sheet, which is often below the edge of the screen too. */
function unwiredText(graph: Graph, items: readonly ItemId[]): string {
  const refs = items.flatMap((id) => {
    const item = graph.items[graph.itemIx.get(id) ?? -1]?.item;
    // What is on the ground or the bench needs no wires.
    return item?.where === 'aircraft' ? [item.ref] : [];
  });
  return refs.length === 0 ? '' : ` Not wired yet, below the sheet: ${refs.join(', ')}.`;
}

function EmptySheet() {
  return (
    <div className="p-8">
      <h2 className="text-xl font-bold">Wiring</h2>
      <p className="mt-2 max-w-prose">
        The sheet shows the controller in the middle, every other part beside it, and each wire between them, down to the pin.
      </p>
      <p className="mt-2 max-w-prose">
        First add the parts: press <kbd className="key">/</kbd> and type <span className="value">add controller</span>, then{' '}
        <span className="value">add gnss</span>, and wire them with <span className="value">gnss1 &gt; s4</span>.
      </p>
    </div>
  );
}
