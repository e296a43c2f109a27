import { useMemo, useState } from 'react';
import {
  decimals,
  linkageFigure,
  OUTPUT_FUNCTIONS,
  quantity,
  surfaceAt,
  throwMm,
  travelOfServo,
  type Graph,
  type Linkage,
  type LinkedServo,
} from '@wired-falcon/core';
import { useReadersUnits } from '../../../ui/readersUnits.ts';
import { FindingList } from '../../../workers/FindingList.tsx';
import { CommandThrows } from './CommandThrows.tsx';
import { ForceTable } from './ForceTable.tsx';
import { HoleFinder } from './HoleFinder.tsx';
import { HoleRow } from './HoleRow.tsx';
import { LinkageChart } from './LinkageChart.tsx';
import { LinkageDrawing } from './LinkageDrawing.tsx';
import { LinkageForm } from './LinkageForm.tsx';
import { TrimHelp } from './TrimHelp.tsx';
import { useLinkageEdits } from './useLinkageEdits.ts';
import { holesOf } from './holesOf.ts';

interface LinkageDetailProps {
  readonly graph: Graph;
  readonly linked: LinkedServo;
  readonly others: readonly LinkedServo[];
}

/** One servo: its linkage as it moves, and everything that follows from it. */
export function LinkageDetail({ graph, linked, others }: LinkageDetailProps) {
  const { entry, function: name, linkage } = linked;
  const { begin } = useLinkageEdits(linked);
  const alike = others.flatMap((other) => (other.linkage === undefined ? [] : [{ ref: other.entry.item.ref, linkage: other.linkage }]));
  return (
    <section aria-label={`Linkage of ${entry.item.ref}`} className="mt-4 border-t border-ink pt-2" data-testid="linkage">
      <h3 className="text-[15px] font-bold">
        {entry.item.ref}
        {name === undefined ? '' : `, ${OUTPUT_FUNCTIONS[name].title}`}
      </h3>
      {linkage === undefined ? (
        <>
          <p className="max-w-prose text-[13px] text-ink2">
            The linkage of this servo is not entered yet. Measure the arm hole, the horn hole, and the distance from the servo axis to the
            hinge.
          </p>
          <div className="no-print mt-1 flex flex-wrap gap-2">
            <button type="button" className="action" onClick={() => begin()}>
              Start with usual values
            </button>
            {alike.map((other) => (
              <button key={other.ref} type="button" className="action" onClick={() => begin(other.linkage)}>
                Same as {other.ref}
              </button>
            ))}
          </div>
        </>
      ) : (
        <Linked graph={graph} linked={linked} linkage={linkage} />
      )}
      <FindingList
        name={`Findings about ${entry.item.ref}`}
        isMeant={({ check, where }) =>
          (check === 'output.linkage' || check === 'output.torque') && where.some((one) => one.is === 'item' && one.item === entry.item.id)
        }
      />
    </section>
  );
}

function Linked({ graph, linked, linkage }: { readonly graph: Graph; readonly linked: LinkedServo; readonly linkage: Linkage }) {
  const { set } = useLinkageEdits(linked);
  return (
    <div className="grid gap-x-8 gap-y-4 min-[1000px]:grid-cols-[minmax(0,1fr)_320px]">
      <div>
        <Motion linked={linked} linkage={linkage} />
        <HoleRow
          title="Hole of the arm"
          holes={holesOf(linkage, 'arm')}
          chosen={linkage.armMm}
          onChoose={(armMm) => set(holed(linkage, { armMm }))}
        />
        <HoleRow
          title="Hole of the horn"
          holes={holesOf(linkage, 'horn')}
          chosen={linkage.hornMm}
          onChoose={(hornMm) => set(holed(linkage, { hornMm }))}
        />
        <CommandThrows graph={graph} linked={linked} />
        <LinkageChart linked={linked} linkage={linkage} />
        <HoleFinder linked={linked} linkage={linkage} />
      </div>
      <div>
        <LinkageForm linked={linked} linkage={linkage} />
        <TrimHelp linked={linked} linkage={linkage} />
        <ForceTable graph={graph} linked={linked} />
      </div>
    </div>
  );
}

/** Another hole wants another rod. */
function holed({ rodMm: _rod, ...rest }: Linkage, hole: { readonly armMm?: number; readonly hornMm?: number }): Linkage {
  return { ...rest, ...hole };
}

/** The linkage as it moves with the pulse: alone in what is drawn anew while a stick moves. */
function Motion({ linked, linkage }: { readonly linked: LinkedServo; readonly linkage: Linkage }) {
  const { set } = useLinkageEdits(linked);
  const { read } = useReadersUnits();
  const { limits, surface, entry } = linked;
  const travel = useMemo(() => travelOfServo(linked), [linked]);
  const [asked, setAsked] = useState(limits.trimUs);
  const us = Math.min(Math.max(asked, limits.minUs), limits.maxUs);
  const at = travel === undefined ? undefined : surfaceAt(linkage, travel.bar, us);
  const fromTrim = at === undefined || travel === undefined ? undefined : at.surfaceDeg - travel.atTrim.surfaceDeg;
  const words =
    at === undefined || fromTrim === undefined
      ? `At ${quantity(us, 'us')} the linkage does not follow.`
      : `${quantity(us, 'us')}: servo ${quantity(at.servoDeg, 'deg')}, surface ${quantity(Math.abs(fromTrim), 'deg')} ${fromTrim < -0.05 ? 'up' : fromTrim > 0.05 ? 'down' : 'from the trim'}${surface === undefined ? '' : `, ${quantity(throwMm(surface.chordMm, fromTrim), 'mm')}`}; ${decimals(1 / Math.abs(at.pose.ratio), 2)} times the moment of the servo`;
  return (
    <div data-us={us} data-surface={fromTrim === undefined ? '' : decimals(fromTrim, 2)} data-testid="linkage-motion">
      <LinkageDrawing
        linkage={linkage}
        bar={travel?.bar}
        at={at}
        chordMm={surface?.chordMm}
        label={`${entry.item.ref}, to scale: ${words}`}
        onHole={(side, mm) => set(holed(linkage, side === 'arm' ? { armMm: mm } : { hornMm: mm }))}
      />
      <label className="no-print mt-1 flex items-center gap-2 text-[13px]">
        <span className="w-20">Stick</span>
        <input
          type="range"
          className="w-72 accent-rust"
          min={limits.minUs}
          max={limits.maxUs}
          step={1}
          value={us}
          onChange={(event) => setAsked(Number(event.target.value))}
        />
      </label>
      <p className="value text-[12.5px]">{read(words)}</p>
      {linkageFigure(linkage, 'armDeg') !== 0 && <p className="text-[12.5px] text-ink2">The arm leans at 1500 us: up and down differ.</p>}
    </div>
  );
}
