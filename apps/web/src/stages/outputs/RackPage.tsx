import { useMemo, useState } from 'react';
import { mixerOf, racksOf, rotorPlanOf, slotsIn, type Graph, type OutputFunction } from '@wired-falcon/core';
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

/** The outputs of the controller as racks, and beside them the airframe that moves as they say. */
export function RackPage() {
  const graph = useGraph();
  const { style } = usePageLine();
  const [rack] = racksOf(graph);
  return (
    <section data-scroll className="h-full overflow-y-auto px-5 py-4" aria-label="Output rack" data-testid="rack">
      {style}
      {rack === undefined ? <NoController graph={graph} /> : <Rack graph={graph} />}
    </section>
  );
}

function NoController({ graph }: { readonly graph: Graph }) {
  return (
    <>
      <h2 className="text-lg font-bold">Outputs</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        An output of a controller moves a surface or a motor. Add a controller with outputs: press / and type add controller. Then each
        function of the airframe gets an output, and each bank of outputs its pulses.
      </p>
      <ReceiverTable graph={graph} />
    </>
  );
}

function Rack({ graph }: { readonly graph: Graph }) {
  const { airframe, rc } = graph.design.aircraft;
  const [rack] = racksOf(graph);
  const slots = useMemo(() => (rack === undefined ? [] : slotsIn(rack)), [rack]);
  const rotors = useMemo(() => rotorPlanOf(graph), [graph]);
  const [motion, setMotion] = useState<Motion>(AT_REST);
  const [chosen, setChosen] = useState<string>();
  const { move } = useOutputEdits(graph);
  const [said, say] = useState('');
  const keys = useSlotKeys(rack, (from, to) => tryMove(from, to));
  if (rack === undefined) return null;
  const rows = mixerOf(graph.design);
  const values = movedBy(airframe.kind, rows, motion);
  const pulses = new Map<OutputFunction, number>();
  for (const slot of slots) {
    const us = slotUs(values, slot);
    if (slot.use !== undefined && us !== undefined && !pulses.has(slot.use.function)) pulses.set(slot.use.function, us);
  }
  const tryMove = (from: string, to: string): void => {
    const target = slots.find(({ key }) => key === to);
    if (from === to || target === undefined) return;
    const isDone = move(from, to);
    say(isDone ? `Moved to ${target.label}.` : `It cannot go to ${target.label}: no plug or cable can be made there.`);
    if (isDone) setChosen(to);
  };
  const slot = slots.find(({ key }) => key === chosen);
  return (
    <>
      <h2 className="text-lg font-bold">Outputs of {rack.entry.item.ref}</h2>
      <p className="mt-1 max-w-prose text-[13px] text-ink2">
        Outputs of one bank share a timer: all of them make the same pulses. Drag a function to another output, or take it along with Shift
        and an arrow key; its plug goes with it.
      </p>
      <p aria-live="polite" className="min-h-5 text-[12.5px]">
        {said}
      </p>
      <div className="grid gap-x-6 gap-y-4 min-[1000px]:grid-cols-[minmax(0,1fr)_312px]">
        <div onKeyDown={keys.onKeyDown}>
          {rack.banks.map((bank) => (
            <BankRack
              key={bank.key}
              graph={graph}
              bank={bank}
              values={values}
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
          <OutputPlanPanel />
        </div>
        <section aria-label="What moves" className="self-start min-[1000px]:sticky min-[1000px]:top-0">
          <h3 className="text-[15px] font-bold">What moves</h3>
          <MotionDrawing kind={airframe.kind} frame={airframe.frame} values={values} pulses={pulses} rotors={rotors} />
          {airframe.frame === undefined && (
            <p className="text-[12px] text-ink2">Drawn as is usual for the airframe; its numbers are open.</p>
          )}
          <MotionControls kind={airframe.kind} rows={rows} stickMode={rc.choices.stickMode} motion={motion} onChange={setMotion} />
        </section>
      </div>
      <BusServoTable graph={graph} />
      <RotorTable graph={graph} rotors={rotors} />
      <MixFigures graph={graph} rows={rows} />
    </>
  );
}
