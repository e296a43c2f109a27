import { NotComputed } from '../../ui/NotComputed.tsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { FAULT_CLASSES, lostWords, type FaultClass, type FaultLine } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useDesign } from '../../session/SessionContext.tsx';
import type { SweepState } from './useFaults.ts';
import { HeadRow } from '../../ui/HeadRow.tsx';

interface FaultTableProps {
  readonly state: SweepState;
  readonly chosen: string | undefined;
  readonly onChoose: (fault: FaultLine | undefined) => void;
  readonly onStop: () => void;
  readonly onAgain: () => void;
}

/** What each class means, in words. */
const CLASS_WORDS: Readonly<Record<FaultClass, string>> = {
  critical: 'control is lost',
  unknown: 'control may be lost',
  major: 'propulsion and more is lost',
  minor: 'one ability is lost',
  latent: 'a backup is used up',
  none: 'nothing stops working',
};

/** Every single fault, the worst first, with what it costs and what gives way. */
export function FaultTable({ state, chosen, onChoose, onStop, onAgain }: FaultTableProps) {
  return (
    <section className="mt-5" aria-label="Single faults" data-testid="faults" data-seq={state.is === 'done' ? state.seq : 0}>
      <h3 className="text-[15px] font-bold">If one thing fails</h3>
      {state.is === 'running' && (
        <p className="mt-1 flex items-center gap-3 text-[13px]">
          <progress max={1} value={state.share} aria-label="Faults checked" />
          <button type="button" className="action" onClick={onStop}>
            Stop
          </button>
        </p>
      )}
      <NotComputed what="The faults of this version could not be checked" failure={state.is === 'failed' ? state.sentence : undefined} />
      {state.is === 'stopped' && (
        <p className="mt-1 text-[13px]">
          Stopped before the end.{' '}
          <button type="button" className="underline" onClick={onAgain}>
            Check every fault
          </button>
        </p>
      )}
      {state.is === 'done' && <Lines lines={state.sweep.lines} chosen={chosen} onChoose={onChoose} />}
    </section>
  );
}

interface LinesProps {
  readonly lines: readonly FaultLine[];
  readonly chosen: string | undefined;
  readonly onChoose: (fault: FaultLine | undefined) => void;
}

function Lines({ lines, chosen, onChoose }: LinesProps) {
  const { aircraft } = useDesign();
  const present = FAULT_CLASSES.filter((name) => lines.some((line) => line.class === name));
  const [shown, setShown] = useState<FaultClass>();
  const open = shown !== undefined && present.includes(shown) ? shown : present[0];
  if (open === undefined) return <p className="mt-1 text-[13px] text-ink2">Nothing is wired yet that could fail.</p>;
  return (
    <>
      <div role="group" aria-label="Class of fault" className="mt-1 flex flex-wrap gap-1 text-[13px]">
        {present.map((name) => (
          <button
            key={name}
            type="button"
            aria-pressed={name === open}
            className={`min-h-6 border px-2 ${name === open ? 'border-ink bg-ink font-semibold text-sheet' : 'border-rule'}`}
            onClick={() => setShown(name)}
          >
            {lines.filter((line) => line.class === name).length} {name}: {CLASS_WORDS[name]}
          </button>
        ))}
      </div>
      {open === 'unknown' && (
        <p className="mt-1 text-[13px]">
          Control: unknown until outputs have functions.{' '}
          <Link className="underline" to={paths.outputs(aircraft.id)}>
            Assign the outputs
          </Link>
        </p>
      )}
      <table className="mt-2 w-full text-[13px]">
        <HeadRow heads={['Fault', 'Worst situation', 'Drop', 'Stops working']} />
        <tbody>
          {lines
            .filter((line) => line.class === open)
            .map((line) => (
              <Line key={line.id} line={line} isChosen={line.id === chosen} onChoose={onChoose} />
            ))}
        </tbody>
      </table>
    </>
  );
}

interface LineProps {
  readonly line: FaultLine;
  readonly isChosen: boolean;
  readonly onChoose: (fault: FaultLine | undefined) => void;
}

function Line({ line, isChosen, onChoose }: LineProps) {
  const [first, ...others] = line.names;
  return (
    <tr className={`border-b border-rule align-top ${isChosen ? 'bg-grid' : ''}`}>
      <td className="py-0.5 pr-3">
        <button
          type="button"
          aria-pressed={isChosen}
          className="min-h-6 text-left font-semibold underline"
          onClick={() => onChoose(isChosen ? undefined : line)}
        >
          {first}
        </button>
        {others.length > 0 && <span className="block max-w-[44ch] text-[12px] text-ink2">the same: {others.join(', ')}</span>}
      </td>
      <td className="py-0.5 pr-3">{line.scenarioTitle}</td>
      <td className="py-0.5 pr-3">
        {lostWords(line) || 'nothing'}
        {line.isInherent && <span className="block text-[12px] text-ink2">inherent: no wiring would change it</span>}
      </td>
      <td className="value py-0.5">{line.dead.length === 0 ? 'nothing' : line.dead.join(' ')}</td>
    </tr>
  );
}
