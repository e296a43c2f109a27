import { useState } from 'react';
import { AIRFRAME_KINDS, isWingless, outlineOf, usualFrame, range } from '@wired-falcon/core';
import { useDesign, useMake } from '../../session/SessionContext.tsx';
import { OutlinePicture } from '../../drawing/OutlineShape.tsx';
import { fromAbove } from '../../drawing/viewBoxes.ts';
import { useReadersUnits } from '../../ui/readersUnits.ts';

const LEAST_MM = 200;
const MOST_MM = 8000;
const USUAL_SPAN_MM = 1600;
const USUAL_COPTER_MM = 600;

/** What the stage is for, and an airframe to begin with. */
export function FirstFrame() {
  const design = useDesign();
  const make = useMake();
  const { kind } = design.aircraft.airframe;
  const isCopter = isWingless(kind);
  const [typed, setText] = useState<string>();
  const { read, figure, factor, unit } = useReadersUnits();
  const usualMm = isCopter ? USUAL_COPTER_MM : USUAL_SPAN_MM;
  const sizeMm = typed === undefined ? usualMm : Number(typed.replace(',', '.')) / factor('mm');
  const isRight = sizeMm >= LEAST_MM && sizeMm <= MOST_MM;
  const frame = isRight ? usualFrame(kind, sizeMm) : undefined;
  const plan = frame === undefined ? [] : outlineOf(kind, frame).plan;
  return (
    <div className="px-6 py-5">
      <h2 className="text-lg font-bold">Layout</h2>
      <p className="mt-1 max-w-prose text-ink2">
        The place of every part: balance and cable lengths follow from it. Begin with an airframe that is usual for a{' '}
        {AIRFRAME_KINDS[kind].title} of your size; every number, bay and cable route is yours to change afterwards.
      </p>
      <form
        className="mt-4 flex items-center gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (frame !== undefined) make({ kind: 'set-frame', frame, was: null });
        }}
      >
        <label className="flex items-center gap-2">
          {isCopter ? 'Motor to motor' : 'Span'}
          <input
            className="field value w-24 text-right"
            inputMode="decimal"
            value={typed ?? figure(usualMm, 'mm')}
            aria-invalid={!isRight}
            onChange={(event) => setText(event.target.value)}
          />
          {unit('mm')}
        </label>
        <button type="submit" className="action" disabled={!isRight}>
          Lay out this airframe
        </button>
        {!isRight && (
          <span role="alert" className="text-[13px] text-rust">
            From {read(range(LEAST_MM, MOST_MM, 'mm'))}.
          </span>
        )}
      </form>
      {plan.length > 0 && (
        <OutlinePicture pieces={plan} project={fromAbove} label="The airframe from above" className="mt-5 h-[420px] w-full max-w-[860px]" />
      )}
    </div>
  );
}
