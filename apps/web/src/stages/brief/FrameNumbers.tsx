import { useState } from 'react';
import {
  FRAME_NUMBERS,
  FRAME_PIECES,
  framePieces,
  numbersOfKind,
  outlineOf,
  type AirframeKind,
  type FrameNumber,
  type FramePiece,
  type FramePlan,
} from '@wired-falcon/core';
import { Link } from 'react-router';
import { paths } from '../../addresses/paths.ts';
import { useDesign, useMake } from '../../session/SessionContext.tsx';
import { OutlinePicture } from '../../drawing/OutlineShape.tsx';
import { fromAbove, fromTheSide } from '../../drawing/viewBoxes.ts';
import { NumberField } from '../../ui/NumberField.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

/** The airframe in numbers, with sketches that follow them. */
export function FrameNumbers() {
  const design = useDesign();
  const { id, airframe } = design.aircraft;
  const { frame, kind } = airframe;
  const { unit } = useReadersUnits();
  const [typed, setTyped] = useState<TypedNumber>();
  return (
    <section aria-labelledby="frame-numbers" className="mt-7 max-w-[880px]">
      <h3 id="frame-numbers" className="font-semibold">
        Shape and mass in numbers
      </h3>
      {frame === undefined ? (
        <p className="mt-1 text-[13px] text-ink2">
          Not laid out yet. <Link to={paths.layout(id)}>Start in the layout</Link> with a usual one, then change its numbers here.
        </p>
      ) : (
        <>
          <p className="mt-1 max-w-prose text-[13px] text-ink2">
            Stations in {unit('mm')} aft of the nose, butt lines to the right, water lines up. A number left empty is open: what depends on
            it is not drawn or not checked.
          </p>
          <div className="mt-2 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10">
            {/* What is left unsaved, or as it was, no longer stands in the sketches. */}
            <div onBlur={() => setTyped(undefined)}>
              {numbersOfKind(kind).map((number) => (
                <FrameNumberField key={number} number={number} frame={frame} onType={setTyped} />
              ))}
              <Carbon frame={frame} />
            </div>
            <Sketches frame={withTyped(frame, typed)} />
          </div>
        </>
      )}
    </section>
  );
}

/** A number that is being typed and not saved yet. */
interface TypedNumber {
  readonly number: FrameNumber;
  readonly value: number | undefined;
}

/** The airframe as it would be with what is being typed. */
function withTyped(frame: FramePlan, typed: TypedNumber | undefined): FramePlan {
  if (typed === undefined) return frame;
  const { [typed.number]: _saved, ...numbers } = frame.numbers;
  return { ...frame, numbers: typed.value === undefined ? numbers : { ...numbers, [typed.number]: typed.value } };
}

interface FrameNumberFieldProps {
  readonly number: FrameNumber;
  readonly frame: FramePlan;
  readonly onType: (typed: TypedNumber | undefined) => void;
}

function FrameNumberField({ number, frame, onType }: FrameNumberFieldProps) {
  const make = useMake();
  const { title, unit, least, most, usual } = FRAME_NUMBERS[number];
  const now = frame.numbers[number];
  return (
    <NumberField
      label={title}
      unit={unit}
      value={now}
      least={least}
      most={most}
      usual={usual === undefined ? { words: 'open' } : { value: usual, words: 'usual' }}
      onType={(value) => onType({ number, value })}
      onSave={(value) => {
        onType(undefined);
        make({ kind: 'set-frame-number', number, value: value ?? null, was: now ?? null });
      }}
    />
  );
}

/** What no wave passes, for the shadows of antennas. */
function Carbon({ frame }: { readonly frame: FramePlan }) {
  const make = useMake();
  const { kind } = useDesign().aircraft.airframe;
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-x-4 text-[13px]">
      <legend className="sr-only">Made of carbon</legend>
      <span aria-hidden="true">Made of carbon</span>
      {piecesOf(kind).map((piece) => {
        const was = frame.carbon?.includes(piece) === true;
        return (
          <label key={piece} className="flex items-center gap-1">
            <input
              type="checkbox"
              checked={was}
              onChange={(event) => make({ kind: 'set-frame-carbon', piece, isCarbon: event.target.checked, was })}
            />
            {FRAME_PIECES[piece]}
          </label>
        );
      })}
    </fieldset>
  );
}

/** The pieces that an airframe of a kind has. */
function piecesOf(kind: AirframeKind): readonly FramePiece[] {
  const asked = numbersOfKind(kind);
  const isThere: Readonly<Record<FramePiece, boolean>> = {
    body: true,
    wing: asked.includes('spanMm'),
    tail: asked.includes('tailSpanMm'),
    arm: asked.includes('armMm') || asked.includes('tailSpanMm'),
  };
  return framePieces.filter((piece) => isThere[piece]);
}

function Sketches({ frame }: { readonly frame: FramePlan }) {
  const design = useDesign();
  const { plan, side } = outlineOf(design.aircraft.airframe.kind, frame);
  return (
    <div className="sticky top-2 self-start">
      <OutlinePicture pieces={plan} project={fromAbove} label="The airframe from above" className="h-[300px] w-full" />
      <OutlinePicture pieces={side} project={fromTheSide} label="The airframe from the side" className="mt-3 h-[110px] w-full" />
    </div>
  );
}
