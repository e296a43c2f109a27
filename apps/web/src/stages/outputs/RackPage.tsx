import { useMemo, useState } from 'react';
import { listed, mixerOf, racksOf, rotorPlanOf, slotsIn, type Graph, type OutputFunction, type Rack } from '@wired-falcon/core';
import { useGraph } from '../../session/SessionContext.tsx';
import { usePageLine } from '../../session/usePageLine.tsx';
import { BankRack } from './BankRack.tsx';
import { BusServoTable } from './BusServoTable.tsx';
import { MixFigures } from './MixFigures.tsx';
import { AT_REST, movedBy, slotUs, type Motion } from './motion.ts';
import { MotionControls } from './MotionControls.tsx';
import { MotionDrawing } from './MotionDrawing.tsx';
import { OutputPlanPanel } from './OutputPlanPanel.tsx';
import { ReceiverTable } from './ReceiverTable.tsx';
import { RotorTable } from './RotorTable.tsx';
import { SlotDetail } from './SlotDetail.tsx';
import { useSlotKeys } from './useSlotKeys.ts';
import { useOutputEdits } from './useOutputEdits.ts';

/** The outputs of the controllers as racks, and beside them the airframe that moves as they say. */
export function RackPage() {
  const graph = useGraph();
  const { style } = usePageLine();
  const racks = racksOf(graph);
  return (
    <section data-scroll className="min-h-0 overflow-y-auto px-5 py-4" aria-label="Output rack" data-testid="rack">
      {style}
      {racks.length === 0 ? <NoController graph={graph} /> : <Racks graph={graph} racks={racks} />}
    </section>
  );
}

function NoController({ graph }: { readonly graph: Graph }) {
  return (
    <>
      <h2 className="text-lg font-bold">Outputs</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        An output of a controller drives a surface or a motor. Add a controller with outputs: press / and type add controller. Then each
        function of the airframe gets an output, and each bank of outputs its pulses.
      </p>
      <ReceiverTable graph={graph} />
    </>
  );
}

function Racks({ graph, racks }: { readonly graph: Graph; readonly racks: readonly Rack[] }) {
  const { airframe } = graph.design.aircraft;
  const slots = useMemo(() => racks.flatMap(slotsIn), [racks]);
  const rotors = useMemo(() => rotorPlanOf(graph), [graph]);
  const rows = useMemo(() => mixerOf(graph.design), [graph]);
  const [motion, setMotion] = useState<Motion>(AT_REST);
  const [chosen, setChosen] = useState<string>();
  const { move } = useOutputEdits(graph);
  const [said, say] = useState('');
  const banks = racks.flatMap((rack) => rack.banks);
  const keys = useSlotKeys(banks, (from, to) => tryMove(from, to));
  const moved = useMemo(() => movedBy(graph, rows, motion), [graph, rows, motion]);
  const pulses = new Map<OutputFunction, number>();
  for (const slot of slots) {
    const us = slotUs(moved, slot);
    if (slot.use !== undefined && us !== undefined && !pulses.has(slot.use.function)) pulses.set(slot.use.function, us);
  }
  const tryMove = (from: string, to: string): void => {
    const target = slots.find(({ key }) => key === to);
    const source = slots.find(({ key }) => key === from);
    if (from === to || target === undefined || source === undefined) return;
    const isDone = move(from, to);
    const why = source.item === target.item ? 'no plug or cable can be made there' : 'it is an output of another controller';
    say(isDone ? `Moved to ${target.label}.` : `It cannot go to ${target.label}: ${why}.`);
    if (isDone) setChosen(to);
  };
  const slot = slots.find(({ key }) => key === chosen);
  return (
    <>
      <h2 className="text-lg font-bold">Outputs of {listed(racks.map(({ entry }) => entry.item.ref))}</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Outputs of one bank share a timer: all of them give the same pulses. Drag a function to another output, or move it with Shift and an
        arrow key; its plug moves too.
      </p>
      <p aria-live="polite" className="min-h-5 text-[12.5px]">
        {said}
      </p>
      <div className="grid gap-x-6 gap-y-4 min-[1000px]:grid-cols-[minmax(0,1fr)_312px]">
        <div onKeyDown={keys.onKeyDown}>
          {racks.map(({ entry, banks: own }) => (
            <section key={entry.item.id} aria-label={`Outputs of ${entry.item.ref}`}>
              {racks.length > 1 && <h3 className="mt-2 text-[15px] font-bold">{entry.item.ref}</h3>}
              {own.map((bank) => (
                <BankRack
                  key={bank.key}
                  graph={graph}
                  bank={bank}
                  moved={moved}
                  chosen={chosen}
                  stopProps={keys.stopProps}
                  onChoose={(key) => setChosen(key === chosen ? undefined : key)}
                  onDrop={tryMove}
                >
                  {slot !== undefined && bank.slots.includes(slot) && (
                    <SlotDetail graph={graph} slot={slot} row={rows.find((row) => row.function === slot.use?.function)} />
                  )}
                </BankRack>
              ))}
            </section>
          ))}
          <OutputPlanPanel />
        </div>
        <section aria-label="What moves" className="self-start min-[1000px]:sticky min-[1000px]:top-0">
          <h3 className="text-[15px] font-bold">What moves</h3>
          <MotionDrawing kind={airframe.kind} frame={airframe.frame} values={moved.values} pulses={pulses} rotors={rotors} />
          {airframe.frame === undefined && (
            <p className="text-[12px] text-ink2">Drawn with usual values for the airframe; its numbers are not set.</p>
          )}
          <MotionControls graph={graph} rows={rows} unplanned={moved.unplanned} motion={motion} onChange={setMotion} />
        </section>
      </div>
      <BusServoTable graph={graph} />
      <RotorTable graph={graph} rotors={rotors} />
      <MixFigures graph={graph} rows={rows} />
    </>
  );
}
